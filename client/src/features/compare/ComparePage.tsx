import { useQuery } from '@tanstack/react-query';
import { useNavigate, useSearch } from '@tanstack/react-router';
import type { Comparison } from '../../api/client';
import { comparisonQuery } from '../../api/queries';
import { longDay } from '../../format/dates';
import { money } from '../../format/money';
import { span } from '../../format/words';
import { InkSelect } from '../../ui/Field';
import { Failed, Waiting } from '../../ui/Waiting';
import { useSite } from '../../api/site';
import { Download } from '../../ui/Download';
import { needWords } from '../../format/needs';
import { useTitles } from '../../format/titles';
import { CompareTable } from './CompareTable';
import { LineByLine } from './LineByLine';
import { PaidSoFar } from './PaidSoFar';

/** The shortlist side by side: the least and what would make it not so, what is paid by when, figures and features, two of them line by line. */
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

/** Which is the least, and what would make it not so: cheapest is a dangerous word. */
function TheLeast({ comparison }: { comparison: Comparison }) {
  const { page } = useSite();
  const title = useTitles();
  const least = comparison.candidates.filter((known) => known.isLeast && known.totals);
  const hiding = comparison.candidates.filter((known) => known.totals?.atLeast.includes('horizon'));
  const over = span(page.settings.horizonMonths);
  const [first] = least;
  if (!first?.totals) {
    return null;
  }

  const { next } = first.totals;
  return (
    <div className="font-display my-2 max-w-[1080px] text-[18px] leading-snug font-medium">
      <p>
        {least.length > 1 ? (
          <>
            {least.map((known) => known.letter).join(' and ')} cost the same over {over}:{' '}
            {money(first.totals.horizon, comparison.currency)}.
          </>
        ) : (
          <>
            <span className="text-green">
              {first.letter} costs least over {over}: {money(first.totals.horizon, comparison.currency)}
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
      <Unmet comparison={comparison} letters={least.map((known) => known.letter)} />
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
        <p className="text-red text-[16px]">
          {hiding.map((known) => known.letter).join(' and ')} cannot be ranked: a price in it is not stated.
        </p>
      )}
    </div>
  );
}

/** A least that does not do what is needed is no least. */
function Unmet({ comparison, letters }: { comparison: Comparison; letters: string[] }) {
  return comparison.candidates
    .filter((known) => letters.includes(known.letter))
    .map((known) => {
      const open = known.fits.filter((fit) => fit.fit !== 'met');
      return (
        open.length > 0 && (
          <p key={known.letter} className="text-red text-[16px]">
            {known.letter} does not meet all you need: {open.map(needWords).join('; ')}.
          </p>
        )
      );
    });
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
      <ul>
        <Download href={`/api/sites/${page.id}/comparison.pdf?base=${base}`}>One page as PDF</Download>
      </ul>
    </div>
  );
}
