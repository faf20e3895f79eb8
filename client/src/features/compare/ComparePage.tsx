import { useQuery } from '@tanstack/react-query';
import { useNavigate, useSearch } from '@tanstack/react-router';
import type { Comparison } from '../../api/wire/client';
import { comparisonQuery } from '../../api/wire/queries';
import { longDay } from '../../format/dates';
import { dueNext, money } from '../../format/money';
import { span } from '../../format/words';
import { InkSelect } from '../../ui/fields/Field';
import { Failed, Waiting } from '../../ui/said/Waiting';
import { useSite } from '../../api/site/site';
import { ShowSomebody } from '../../ui/sheets/ShowSomebody';
import { Download } from '../../ui/Download';
import { needWords } from '../../format/needs';
import { useTitles } from '../../format/titles';
import { CompareTable } from './CompareTable';
import { LineByLine } from './LineByLine';
import { PaidSoFar } from './PaidSoFar';

/**
 * The shortlist side by side: the least and what would make it not so, what is paid by when, figures and features, two
 * of them line by line.
 */
export function ComparePage() {
  const { page } = useSite();
  const { base, against, all = false } = useSearch({ from: '/sites/$siteId/compare' });
  const comparison = useQuery(comparisonQuery(page.id, page.revision, base, against));
  if (!comparison.data) {
    return comparison.error ? (
      <Failed error={comparison.error} retry={() => void comparison.refetch()} />
    ) : (
      <Waiting for="Putting the shortlist side by side" />
    );
  }

  return (
    <div className="py-4">
      <title>{`Compare · ${page.name} · Home Start`}</title>
      <h1 className="text-2xl">Side by side</h1>
      {comparison.data.candidates.filter((known) => known.totals).length < 2 ? (
        <p className="mt-2">
          Two complete candidates can be compared. Keep what a scan finds, or copy one on the worksheet and change it.
        </p>
      ) : (
        <>
          <TheLeast comparison={comparison.data} />
          <PaidSoFar comparison={comparison.data} />
          <Choices base={comparison.data.base} all={all} />
          <CompareTable comparison={comparison.data} all={all} />
          <LineByLine comparison={comparison.data} against={against} />
        </>
      )}
    </div>
  );
}

/** Which is the least of those that do what is needed, and what would make it not so: cheapest is a dangerous word. */
function TheLeast({ comparison }: { comparison: Comparison }) {
  const { page } = useSite();
  const title = useTitles();
  const least = comparison.candidates.filter((known) => known.isLeast && known.totals);
  const hiding = comparison.candidates.filter((known) => known.totals?.atLeast.includes('horizon'));
  const over = span(page.settings.horizonMonths);
  const [first] = least;
  const next = first && dueNext(first.totals?.next);
  return (
    <div className="font-display my-2 max-w-[1080px] text-[18px] leading-snug font-medium">
      {first?.totals ? (
        <p>
          {least.length > 1 ? (
            <>
              {least.map((known) => known.letter).join(' and ')} cost the same over {over}:{' '}
              {money(first.totals.horizon, comparison.currency)}.
            </>
          ) : (
            <>
              <span className="text-green">
                {first.letter} costs least over {over}
                {hasNeeds(comparison) && ' of those that do what you need'}:{' '}
                {money(first.totals.horizon, comparison.currency)}
              </span>{' '}
              (<bdi>{title(first.letter)}</bdi>).
            </>
          )}{' '}
          {next && (
            <span className="text-red">
              After that {next.atLeast && 'at least '}
              {money(next.total, comparison.currency)} is due on {longDay(next.date)}.
            </span>
          )}
        </p>
      ) : (
        hasNeeds(comparison) && <p>None of these does all you need, so none is named the cheapest.</p>
      )}
      <Failing comparison={comparison} anyLeast={!!first} />
      {comparison.turns.map((turn) => (
        <p key={turn.months} className="text-[16px]">
          Counted over {span(turn.months)} {turn.letter} would cost less than {turn.least}:{' '}
          {money(turn.sum, comparison.currency)} against {money(turn.leastSum, comparison.currency)}.
        </p>
      ))}
      {least.length === 1 && comparison.turns.length === 0 && (
        <p className="text-[16px]">Over any other number of months up to ten years it stays the least of these.</p>
      )}
      {hiding.length > 0 && (
        <p className="text-[16px]">
          {hiding.map((known) => known.letter).join(' and ')} cannot be ranked: a price in it is not stated.
        </p>
      )}
    </div>
  );
}

const hasNeeds = (comparison: Comparison) => comparison.candidates.some((known) => known.fits.length > 0);

/** Those that cost less and fail a need, with what they fail; where none does all, what each of them lacks. */
function Failing({ comparison, anyLeast }: { comparison: Comparison; anyLeast: boolean }) {
  const { acceptUnknown } = useSite().page.needs;
  return comparison.candidates
    .filter((known) => known.totals && (anyLeast ? known.undercuts : !known.does))
    .map((known) => (
      <p key={known.letter} className="text-[16px]">
        {anyLeast
          ? `${known.letter} is cheaper, at ${money(known.totals!.horizon, comparison.currency)}, but `
          : `${known.letter}, at ${money(known.totals!.horizon, comparison.currency)}: `}
        {lackWords(known, acceptUnknown)}.
      </p>
    ));
}

function lackWords({ fits }: Comparison['candidates'][number], acceptUnknown: boolean): string {
  const open = fits.filter((fit) => fit.fit !== 'met' && !(acceptUnknown && fit.fit === 'not-stated'));
  return open.length === 0
    ? 'it has no hosting'
    : `it lacks ${open.map((fit) => (fit.fit === 'not-stated' ? `${needWords(fit)} (the seller doesn’t say)` : needWords(fit))).join('; ')}`;
}

function Choices({ base, all }: { base: string; all: boolean }) {
  const { page } = useSite();
  const navigate = useNavigate({ from: '/sites/$siteId/compare' });
  return (
    <div className="mt-5 flex flex-wrap items-baseline gap-x-6 gap-y-1 text-[14px]">
      <h2 className="text-base">Figures and features</h2>
      <span>
        Differences against{' '}
        <InkSelect
          label="Differences against"
          value={base}
          onChange={(event) => void navigate({ search: (search) => ({ ...search, base: event.target.value }) })}
        >
          {page.shortlist.map((slip) => (
            <option key={slip.letter} value={slip.letter}>
              {slip.letter}
            </option>
          ))}
        </InkSelect>
        , {page.settings.countTax ? 'with tax' : 'without tax'}, all of it
      </span>
      <label className="flex gap-2">
        <input
          type="checkbox"
          checked={all}
          onChange={(event) =>
            void navigate({ search: (search) => ({ ...search, all: event.target.checked || undefined }) })
          }
        />
        also rows that do not differ
      </label>
      <ul className="flex flex-wrap items-baseline gap-x-4">
        <Download href={`/api/sites/${page.id}/comparison.pdf?base=${base}`}>One page as PDF</Download>
        <li>
          <ShowSomebody shown={{ what: 'comparison', of: page.id }} name="the comparison" />
        </li>
      </ul>
    </div>
  );
}
