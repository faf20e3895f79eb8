import { useMutation } from '@tanstack/react-query';
import { useState } from 'react';
import { useForm, useWatch } from 'react-hook-form';
import { api, expect, Refused, type Schemas } from '../../api/client';
import { readOwnDomain } from '../../api/ownDomain';
import { useSite } from '../../api/site';
import { longDay } from '../../format/dates';
import { isZero, money, sumMoney } from '../../format/money';
import { span } from '../../format/words';
import { Button } from '../../ui/Button';
import { ExpiresField, RenewalField, WholeDomainField } from '../../ui/DomainFields';
import { SelectField } from '../../ui/Field';
import { ChosenDomain } from './ChosenDomain';
import { DomainParts } from './DomainParts';
import { MoveIt } from './MoveIt';
import { Pointing } from './Pointing';
import { useSellers } from './sellers';

export interface Own {
  domain: string;
  expires: string;
  renewal: string;
  book: string;
}

/** A domain that the owner has: left where it is and pointed here, or moved to a seller here. Both worked out side by side, each to its end. */
export function OwnDomain() {
  const { page, changes } = useSite();
  const { currency, horizonMonths } = page.settings;
  const { letter, candidate } = page.worksheet;
  const sellers = useSellers(true);
  const [now] = candidate.domains;
  const has = now && (now.route === 'keep' || now.route === 'transfer') && now.name ? now : null;
  const { control, register, handleSubmit, setError, formState } = useForm<Own>({
    defaultValues: {
      domain: has ? `${has.name}.${has.ending}` : '',
      expires: has?.expires ?? '',
      renewal: has?.renewal ?? '',
      book: has?.book ?? sellers[0]?.book ?? '',
    },
  });
  const own = useWatch({ control }) as Own;
  const [asked, setAsked] = useState<Own | null>(null);
  const weigh = useMutation({
    mutationFn: async (body: Own) =>
      expect(
        await api.POST('/api/sites/{siteId}/owned-name', {
          params: { path: { siteId: page.id }, query: { view: letter } },
          body,
        }),
      ),
    onSuccess: (_, body) => setAsked(body),
    onError: (error) => place(error),
  });
  const place = (error: Error) => {
    const faults = error instanceof Refused ? error.faults : [];
    faults.forEach(({ where, message }) => {
      const field = where.split('.').at(-1) ?? '';
      setError(
        field === 'domain' || field === 'expires' || field === 'renewal' || field === 'book' ? field : 'domain',
        { message },
      );
    });
  };
  const count = async (route: 'keep' | 'transfer') => {
    const read = await readOwnDomain(own.domain);
    if ('fault' in read) {
      setError('domain', { message: read.fault });
      return;
    }

    const domain: Schemas['DomainBody'] =
      route === 'keep'
        ? { ...blank, route, ...read, expires: own.expires, renewal: own.renewal, currency }
        : { ...blank, route, ...read, expires: own.expires, book: own.book };
    await changes.changeAsync({ kind: 'choose-domain', letter, domain }).catch(place);
  };
  const weighed = weigh.data;
  const seller = sellers.find((known) => known.book === own.book)?.provider ?? '';
  const isSame = asked && own.domain === asked.domain;
  return (
    <>
      <title>{`A domain I have · ${page.name} · Home Start`}</title>
      <h1 className="mt-5 text-2xl">Use a domain you have</h1>
      <DomainParts />
      <p className="text-soft mt-2 max-w-2xl">
        Leave it with its present seller and point it at the new host, or move it to a seller here. Neither loses the
        name; what it costs and what there is to do differ.
      </p>
      <form
        className="mt-3 grid max-w-4xl gap-3 sm:grid-cols-2"
        onSubmit={(event) => void handleSubmit((typed) => weigh.mutate(typed))(event)}
        noValidate
      >
        <WholeDomainField {...register('domain')} fault={formState.errors.domain?.message} />
        <ExpiresField {...register('expires')} fault={formState.errors.expires?.message} />
        <RenewalField currency={currency} {...register('renewal')} fault={formState.errors.renewal?.message} />
        <SelectField label="Or move it to" {...register('book')} fault={formState.errors.book?.message}>
          {sellers.map((known) => (
            <option key={known.book} value={known.book}>
              {known.provider}
            </option>
          ))}
        </SelectField>
        <div>
          <Button type="submit" disabled={weigh.isPending}>
            Compare staying and moving
          </Button>
        </div>
      </form>
      {weigh.error && !(weigh.error instanceof Refused && weigh.error.faults.length > 0) && (
        <p role="alert" className="text-red mt-2">
          {weigh.error.message}
        </p>
      )}
      {weighed && asked && (
        <div role="status" className="mt-4 max-w-4xl">
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
          <p className="mt-2 flex flex-wrap gap-x-5 gap-y-1">
            <Button onClick={() => void count('keep')}>Count {letter} with it left where it is</Button>
            {weighed.moving && <Button onClick={() => void count('transfer')}>Count {letter} with it moved</Button>}
          </p>
        </div>
      )}
      <ChosenDomain />
      <div className="mt-6 grid gap-x-12 gap-y-8 lg:grid-cols-2">
        <Pointing domain={isSame ? asked.domain : has ? `${has.name}.${has.ending}` : ''} />
        <MoveIt domain={own.domain} book={own.book} seller={seller} />
      </div>
    </>
  );
}

const blank = { years: 1, useIncluded: true, inMonths: 0 };
