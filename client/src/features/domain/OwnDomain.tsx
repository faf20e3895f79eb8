import { useMutation, useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { useForm, useWatch } from 'react-hook-form';
import { api, expect, Refused, type Schemas } from '../../api/wire/client';
import { faultsOf, lastPart, showAtFields } from '../../api/wire/faults';
import { ownedRecordQuery } from '../../api/names/ownDomain';
import { useSite } from '../../api/site/site';
import { longDay } from '../../format/dates';
import { isZero, money, sumMoney } from '../../format/money';
import { daySent } from '../../format/typedDates';
import { span } from '../../format/words';
import { Button } from '../../ui/Button';
import { CurrencyOptions } from '../../ui/fields/CurrencyOptions';
import { ExpiresField, WholeDomainField } from '../../ui/fields/DomainFields';
import { SelectField, TextField } from '../../ui/fields/Field';
import { useSettled } from '../../ui/useSettled';
import { ChosenDomain } from './ChosenDomain';
import { DomainParts } from './DomainParts';
import { MoveIt } from './MoveIt';
import { NamesHad } from './NamesHad';
import { Pointing } from './Pointing';
import { useSellers } from './sellers';
import { Announced } from '../../ui/said/Announced';

interface Own {
  domain: string;
  expires: string;
  renewal: string;
  currency: string;
  book: string;
}

const fields = ['domain', 'expires', 'renewal', 'currency', 'book'] as const;

/**
 * A domain that the owner has: left where it is and pointed here, or moved to a seller here. Both worked out side by
 * side, each to its end.
 */
export function OwnDomain() {
  const { page, books, changes } = useSite();
  const { currency, horizonMonths } = page.settings;
  const { letter, candidate } = page.worksheet;
  const sellers = useSellers(true);
  const [now] = candidate.domains;
  const has = now && (now.route === 'keep' || now.route === 'transfer') && now.name ? now : null;
  const { control, register, handleSubmit, setError, formState } = useForm<Own>({
    defaultValues: {
      domain: has ? `${has.name}.${has.ending}` : '',
      expires: has?.expires ? longDay(has.expires) : '',
      renewal: has?.renewal ?? '',
      currency: has?.currency ?? currency,
      book: has?.book ?? sellers[0]?.book ?? '',
    },
  });
  const own = useWatch({ control }) as Own;
  const typed = useSettled(own.domain.trim(), 400);
  const record = useQuery({ ...ownedRecordQuery(page.id, typed), enabled: /.\../.test(typed) }).data;
  const [asked, setAsked] = useState<Own | null>(null);
  const weigh = useMutation({
    mutationFn: async ({ expires, renewal, ...body }: Own) =>
      expect(
        await api.POST('/api/sites/{siteId}/owned-name', {
          params: { path: { siteId: page.id }, query: { view: letter } },
          body: { ...body, expires: expires.trim() ? daySent(expires) : null, renewal: renewal.trim() || null },
        }),
      ),
    onSuccess: (_, body) => setAsked(body),
    onError: (error) => place(error),
  });
  const place = (error: Error) => {
    showAtFields({ setError }, faultsOf(error), (where, code) =>
      code === 'no-rate' ? 'currency' : (fields.find((known) => known === lastPart(where)) ?? 'domain'),
    );
  };
  const count = (domain: Schemas['DomainBody']) =>
    changes.changeAsync({ kind: 'choose-domain', letter, domain }).catch(place);
  const weighed = weigh.data;
  const seller = sellers.find((known) => known.book === own.book)?.provider ?? '';
  return (
    <>
      <title>{`A domain I have · ${page.name} · Home Start`}</title>
      <h1 className="mt-5 text-2xl">Use a domain you have</h1>
      <DomainParts />
      <NamesHad />
      <p className="text-soft mt-2 max-w-2xl">
        Leave it with its present seller and point it at the new host, or move it to a seller here. Neither loses the
        name; what it costs and what there is to do differ.
      </p>
      <form
        className="mt-3 grid max-w-4xl gap-3 sm:grid-cols-2"
        onSubmit={(event) => void handleSubmit((body) => weigh.mutate(body))(event)}
        noValidate
      >
        <WholeDomainField {...register('domain')} fault={formState.errors.domain?.message} />
        <ExpiresField
          {...register('expires')}
          fault={formState.errors.expires?.message}
          hint={
            record?.registration?.expires
              ? `The registry says ${longDay(record.registration.expires)}. Leave it empty to take that.`
              : 'Leave it empty to take what the registry says, or type it: 3 Dec 2027.'
          }
        />
        <div className="flex gap-2">
          <div className="grow">
            <TextField
              label="A year costs there, with tax"
              inputMode="decimal"
              {...register('renewal')}
              fault={formState.errors.renewal?.message}
              hint={`Not sure? Leave it empty: then ${seller || 'the seller'}’s price is taken.`}
            />
          </div>
          <div className="w-40">
            <SelectField label="Currency" {...register('currency')} fault={formState.errors.currency?.message}>
              <CurrencyOptions first={[currency, ...books.map((book) => book.currency)]} />
            </SelectField>
          </div>
        </div>
        <SelectField label="Or move it to" {...register('book')} fault={formState.errors.book?.message}>
          {sellers.map((known) => (
            <option key={known.book} value={known.book}>
              {known.provider}
            </option>
          ))}
        </SelectField>
        <div>
          <Button type="submit" disabled={weigh.isPending}>
            {weigh.isPending ? 'Working it out …' : 'Compare staying and moving'}
          </Button>
        </div>
      </form>
      {record?.registration && <Registered record={record} />}
      {weigh.error && !(weigh.error instanceof Refused && weigh.error.faults.length > 0) && (
        <Announced className="text-red mt-2">{weigh.error.message}</Announced>
      )}
      {weighed && asked && (
        <Announced as="div" className="mt-4 max-w-4xl">
          <p>
            Candidate {letter} over {span(horizonMonths)}: with <bdi className="font-semibold">{asked.domain}</bdi> left
            where it is <b>{weighed.staying ? sumMoney(weighed.staying, currency) : 'not known'}</b>, moved to{' '}
            {sellers.find((known) => known.book === asked.book)?.provider}{' '}
            <b>{weighed.moving ? sumMoney(weighed.moving, currency) : 'not known: it does not take this ending in'}</b>.{' '}
            {weighed.movingCostsMore &&
              (isZero(weighed.movingCostsMore)
                ? 'Both come to the same.'
                : weighed.movingCostsMore.startsWith('-')
                  ? `Moving saves ${money(weighed.movingCostsMore.slice(1), currency)}.`
                  : `Moving costs ${money(weighed.movingCostsMore, currency)} more.`)}{' '}
            {weighed.moving &&
              weighed.paidUntil &&
              `A move adds a year: it is then paid until ${longDay(weighed.paidUntil)}.`}
          </p>
          <p className="text-soft mt-1">{filledWords(weighed, seller)}</p>
          <p className="mt-2 flex flex-wrap gap-x-5 gap-y-1">
            <Button onClick={() => void count(weighed.kept)}>Count {letter} with it left where it is</Button>
            {weighed.moving && (
              <Button
                onClick={() => {
                  const { name, ending, expires } = weighed.kept;
                  void count({ ...blank, route: 'transfer', name, ending, expires, book: asked.book });
                }}
              >
                Count {letter} with it moved
              </Button>
            )}
          </p>
        </Announced>
      )}
      <ChosenDomain />
      <div className="mt-6 grid gap-x-12 gap-y-8 lg:grid-cols-2">
        <Pointing domain={record?.domain ?? ''} />
        <MoveIt domain={own.domain} book={own.book} seller={seller} />
      </div>
    </>
  );
}

const blank = { years: 1, useIncluded: true, inMonths: 0 };

/** The registry's record, as soon as the name is typed. */
function Registered({ record }: { record: Schemas['OwnedRecordWire'] }) {
  const { registration, nameServers, domain } = record;
  return (
    <Announced className="mt-3 max-w-4xl">
      <bdi className="font-semibold">{domain}</bdi> in the public record:{' '}
      {registration?.registrar && (
        <>
          at <bdi>{registration.registrar}</bdi>
        </>
      )}
      {registration?.registered && `, registered on ${longDay(registration.registered)}`}
      {registration?.expires && `, paid until ${longDay(registration.expires)}`}
      {nameServers.length > 0 && `. Its name servers today: ${nameServers.join(', ')}`}.
    </Announced>
  );
}

/** What was not typed, and what was taken in its place. */
function filledWords({ kept, expiresFrom, renewalFrom }: Schemas['OwnedNameWire'], seller: string): string {
  const sum = kept.renewal && kept.currency ? money(kept.renewal, kept.currency) : '';
  const day = kept.expires ? longDay(kept.expires) : '';
  return [
    expiresFrom === 'registry' && `Paid until ${day}, as the registry says.`,
    expiresFrom === 'order' && `Paid until ${day}, as you ordered it.`,
    renewalFrom === 'order' && `A year costs you ${sum} there.`,
    renewalFrom === 'assumed' &&
      `We took ${sum} for a year where it is, which is what ${seller} charges: type the real price to be sure.`,
  ]
    .filter(Boolean)
    .join(' ');
}
