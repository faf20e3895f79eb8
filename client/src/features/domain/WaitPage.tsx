import { useQuery } from '@tanstack/react-query';
import { keys } from '../../api/wire/keys';
import { useWatch } from 'react-hook-form';
import { useChangeForm } from '../../api/site/changeForm';
import { api, expect } from '../../api/wire/client';
import { useSite } from '../../api/site/site';
import { longDay } from '../../format/dates';
import { money } from '../../format/money';
import { Button } from '../../ui/Button';
import { InMonthsField } from '../../ui/fields/DomainFields';
import { SelectField } from '../../ui/fields/Field';
import { Note } from '../../ui/said/Note';
import { ChosenDomain } from './ChosenDomain';
import { DomainParts } from './DomainParts';
import { useSellers } from './sellers';
import { Announced } from '../../ui/said/Announced';

/** Without a name for now: one chosen later, or an address of the host's. */
export function WaitPage() {
  const { page } = useSite();
  return (
    <>
      <title>{`Borrowed, or later · ${page.name} · Home Start`}</title>
      <h1 className="mt-5 text-2xl">Start without a name of your own</h1>
      <DomainParts />
      <ChosenDomain />
      <div className="mt-5 grid gap-x-12 gap-y-8 lg:grid-cols-2">
        <Later />
        <Lent />
      </div>
    </>
  );
}

function Later() {
  const { page } = useSite();
  const { endings, claim, letter } = page.worksheet;
  const sellers = useSellers(false);
  const { form, field, submit } = useChangeForm(
    { book: sellers[0]?.book ?? '', ending: 'com', inMonths: 3 },
    ({ book, ending, inMonths }) => ({
      kind: 'choose-domain',
      letter,
      domain: { route: 'later', book, ending, inMonths, years: 1, useIncluded: true },
    }),
  );
  const book = useWatch({ control: form.control, name: 'book' });
  const sold = endings.filter((offer) => offer.sellers.some((seller) => seller.book === book));
  return (
    <section aria-labelledby="later">
      <h2 id="later" className="text-lg">
        Choose the name later
      </h2>
      {claim && (
        <div className="mt-1">
          <Note ink="red">
            The domain-year that comes with the plan must be claimed at <bdi>{claim.provider}</bdi> before{' '}
            {longDay(claim.before)}
            {claim.everyYear && ', the first of one each year'}. Missed, a .{claim.ending} costs{' '}
            {claim.missed
              ? `${money(claim.missed, claim.currency)} for its first year`
              : 'a first year whose price is not stated'}
            {claim.missed && ', before tax where the seller adds it'}.
          </Note>
          <p className="mt-1">
            <a className="ink" download href={`/api/sites/${page.id}/claim.ics?view=${letter}`}>
              A reminder for my calendar
            </a>
          </p>
        </div>
      )}
      <form onSubmit={submit} className="mt-3 grid gap-3 sm:grid-cols-2">
        <SelectField label="Buy it from" {...field('book')}>
          {sellers.map((seller) => (
            <option key={seller.book} value={seller.book}>
              {seller.provider}
            </option>
          ))}
        </SelectField>
        <SelectField label="With the ending" {...field('ending')}>
          {sold.map(({ ending }) => (
            <option key={ending} value={ending}>
              .{ending}
            </option>
          ))}
        </SelectField>
        <InMonthsField {...field('inMonths')} {...form.register('inMonths', { valueAsNumber: true })} />
        <div className="sm:col-span-2">
          <Button type="submit">Count it like this</Button>
        </div>
      </form>
    </section>
  );
}

function Lent() {
  const { page, change } = useSite();
  const { letter, candidate } = page.worksheet;
  const hasPlan = !!candidate.hosting?.plan;
  const entry = useQuery({
    queryKey: keys.hostEntry(page.id, letter, candidate.hosting?.book),
    queryFn: async () =>
      expect(
        await api.GET('/api/sites/{siteId}/host-entry', {
          params: { path: { siteId: page.id }, query: { view: letter } },
        }),
      ),
    enabled: hasPlan,
    retry: false,
  });
  const isChosen = candidate.domains[0]?.route === 'lent';
  return (
    <section aria-labelledby="lent">
      <h2 id="lent" className="text-lg">
        Borrow an address of the host’s
      </h2>
      {!hasPlan ? (
        <p className="text-soft">Choose a plan for {letter} first: the address is its host’s.</p>
      ) : entry.error ? (
        <Announced className="text-red">
          {entry.error.message}{' '}
          <Button look="text" onClick={() => void entry.refetch()}>
            Try again
          </Button>
        </Announced>
      ) : !entry.data ? (
        <Announced className="text-soft">Asking the host …</Announced>
      ) : entry.data.lent === null ? (
        <p>
          <bdi>{entry.data.provider}</bdi> lends no addresses.
        </p>
      ) : (
        <>
          <p>
            From <bdi>{entry.data.provider}</bdi>, at no cost, while you are with them, such as:
          </p>
          <p className="font-semibold break-all">
            <bdi>{entry.data.lent}</bdi>
          </p>
          <ul className="mt-1 list-disc pl-5">
            {entry.data.lentRules.map((rule) => (
              <li key={rule}>
                <bdi>{rule}</bdi>
              </li>
            ))}
          </ul>
          {isChosen ? (
            <p className="text-green mt-2 font-semibold">on {letter} now</p>
          ) : (
            <Button className="mt-2" onClick={() => change({ kind: 'choose-domain', letter, domain: { ...lent } })}>
              Borrow an address for {letter}
            </Button>
          )}
          <h3 className="mt-4 font-semibold">Moving off it later</h3>
          <ol className="list-decimal pl-5 [&>li]:py-0.5">
            <li>Get a name of your own: on “One name”, or one you have.</li>
            <li>Join it to the same account, so that both addresses show the site for a while.</li>
            <li>Tell your customers the new one, and change it on cards, maps and invoices.</li>
            <li>Only then let the borrowed address go.</li>
          </ol>
        </>
      )}
    </section>
  );
}

const lent = { route: 'lent' as const, years: 1, useIncluded: true, inMonths: 0 };
