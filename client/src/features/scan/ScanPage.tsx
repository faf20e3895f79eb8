import { useQuery } from '@tanstack/react-query';
import { Link, useNavigate, useSearch } from '@tanstack/react-router';
import type { Schemas } from '../../api/client';
import { scanQuery } from '../../api/queries';
import { shortDay } from '../../format/dates';
import { currencySign, figure, isZero, money } from '../../format/money';
import { shortSpan, span, wayToPay } from '../../format/words';
import { Button } from '../../ui/Button';
import { InkSelect } from '../../ui/Field';
import { Failed, Waiting } from '../../ui/Waiting';
import { useSite } from '../site/SiteContext';
import { FrontPicture } from './FrontPicture';
import { Rejected } from './Rejected';

export type Row = Schemas['ScanRowWire'];

/** Every way to buy that meets the needs, the least first; beside each what falls due after, and what is only "at least". */
export function ScanPage() {
  const { page } = useSite();
  const { by = 'horizon', all = false } = useSearch({ from: '/sites/$siteId/scan' });
  const navigate = useNavigate({ from: '/sites/$siteId/scan' });
  const scan = useQuery(scanQuery(page.id, page.revision, by, !all));
  const { horizonMonths, currency, keepChancePercent } = page.settings;
  if (!scan.data) {
    return scan.error ? (
      <Failed error={scan.error} retry={() => void scan.refetch()} />
    ) : (
      <Waiting for="Costing every way to buy" />
    );
  }

  const { rows, front, rejected, considered, feasible } = scan.data;
  return (
    <div className="py-4">
      <title>{`Scan · ${page.name} · Home Start`}</title>
      <h1 className="text-2xl">What fits for least</h1>
      <p className="text-soft">
        {new Intl.NumberFormat('en-GB').format(considered)} ways to buy were costed,{' '}
        {new Intl.NumberFormat('en-GB').format(feasible)} meet{' '}
        <Link
          to="/sites/$siteId/needs"
          params={{ siteId: page.id }}
          search={{ view: page.worksheet.letter }}
          className="ink"
        >
          your needs
        </Link>
        . Ranked by{' '}
        <InkSelect
          label="Ranked by"
          value={by}
          onChange={(event) => void navigate({ search: (search) => ({ ...search, by: event.target.value }) })}
        >
          <option value="horizon">the whole of {span(horizonMonths)}</option>
          <option value="dueToday">what is due today</option>
          {keepChancePercent && <option value="expected">what is expected, if you may stop</option>}
        </InkSelect>
        , showing{' '}
        <InkSelect
          label="Rows shown"
          value={all ? 'all' : 'plans'}
          onChange={(event) =>
            void navigate({ search: (search) => ({ ...search, all: event.target.value === 'all' || undefined }) })
          }
        >
          <option value="plans">the best of each plan</option>
          <option value="all">every way</option>
        </InkSelect>
        .
      </p>
      {rows.length === 0 ? (
        <p className="mt-4">
          Nothing meets all of your needs. The plans and what bars them stand below: drop a need on the needs page.
        </p>
      ) : (
        <>
          <Rows rows={rows} />
          <p className="text-soft mt-1 text-[13px]">
            All sums {page.settings.countTax ? 'with tax' : 'without tax'}, in {currency}, over{' '}
            {shortSpan(horizonMonths)}. Whoever hides a price stands after all whose prices are stated.
          </p>
          <FrontPicture rows={rows} front={front} currency={currency} horizonMonths={horizonMonths} />
        </>
      )}
      <Rejected rejected={rejected} />
    </div>
  );
}

function Rows({ rows }: { rows: Row[] }) {
  const { page } = useSite();
  const sign = currencySign(page.settings.currency);
  return (
    <div className="mt-3 overflow-x-auto">
      <table className="w-full text-[14px]">
        <caption className="sr-only">Ways to buy that meet the needs, best first</caption>
        <thead>
          <tr className="text-soft [&>*]:border-ink text-right text-[13px] [&>*]:border-b [&>*]:px-2 [&>*]:py-1.5 [&>*]:font-semibold">
            <th scope="col">
              <span className="sr-only">Rank</span>
            </th>
            <th scope="col" className="text-left">
              Way to buy
            </th>
            <th scope="col">Today, {sign}</th>
            <th scope="col">
              {shortSpan(page.settings.horizonMonths)}, {sign}
            </th>
            <th scope="col" className="max-md:hidden">
              Falls due after
            </th>
            <th scope="col" className="max-md:hidden">
              Unused at the end
            </th>
            <th scope="col">
              <span className="sr-only">Take it</span>
            </th>
          </tr>
        </thead>
        <tbody>
          {rows.map((row, index) => (
            <ScanRow key={JSON.stringify(row.candidate)} row={row} place={index + 1} before={rows[index - 1]} />
          ))}
        </tbody>
      </table>
    </div>
  );
}

function ScanRow({ row, place, before }: { row: Row; place: number; before?: Row }) {
  const { page, changes } = useSite();
  const navigate = useNavigate();
  const { totals } = row;
  const equal = before?.totals.horizon === totals.horizon && before.totals.dueToday === totals.dueToday;
  const open = async () => {
    const after = await changes
      .changeAsync({ kind: 'add-candidate', copyOf: null, candidate: row.candidate })
      .catch(() => null);
    const letter = after?.shortlist.at(-1)?.letter;
    if (letter) {
      await navigate({ to: '/sites/$siteId/worksheet', params: { siteId: page.id }, search: { view: letter } });
    }
  };
  return (
    <tr className="odd:bg-band align-top [&>*]:px-2 [&>*]:py-1.5">
      <td className="text-soft text-right">{equal ? 'equal' : place}</td>
      <th scope="row" className="text-left font-normal">
        <WayWords row={row} />
      </th>
      <td className="text-right whitespace-nowrap">
        {totals.atLeast.includes('dueToday') && <span className="text-red text-[13px]">at least </span>}
        {figure(totals.dueToday)}
      </td>
      <td className="text-right font-semibold whitespace-nowrap">
        {totals.atLeast.includes('horizon') && <span className="text-red text-[13px] font-normal">at least </span>}
        {figure(totals.horizon)}
      </td>
      <td className="text-red text-right whitespace-nowrap max-md:hidden">
        {totals.next && (
          <>
            {totals.next.atLeast && 'at least '}
            {figure(totals.next.total)} on {shortDay(totals.next.date)}
          </>
        )}
      </td>
      <td className="text-soft text-right max-md:hidden">
        {isZero(totals.unusedAtEnd) ? '' : figure(totals.unusedAtEnd)}
      </td>
      <td className="text-right">
        <Button look="text" onClick={() => void open()}>
          Open<span className="sr-only"> way {place} on the worksheet</span>
        </Button>
      </td>
    </tr>
  );
}

/** "Plainstone Servers, Lintel, every 12 months; ostlerwren.com from Nameyarrow", with extras and codes. */
export function WayWords({ row }: { row: Row }) {
  const { books } = useSite();
  const { hosting, domains } = row.candidate;
  const book = books.find((known) => known.id === hosting?.book);
  const plan = book?.plans.find((known) => known.id === hosting?.plan)?.name;
  const [domain] = domains;
  const seller = books.find((known) => known.id === domain?.book)?.provider;
  const step = row.priceStep;
  const small = [
    domain?.name && `${domain.name}.${domain.ending}${seller ? ` from ${seller}` : ''}`,
    hosting?.dataCentre && `data centre ${hosting.dataCentre}`,
    [...(hosting?.codes ?? []), ...(domain?.codes ?? [])].map((code) => `code ${code}`).join(', '),
    step &&
      (step.to === null
        ? 'later price not stated'
        : `from ${shortDay(step.date)} ${money(step.to, step.currency)} a month instead of ${money(step.from, step.currency)}`),
  ].filter(Boolean);
  return (
    <>
      <bdi className="font-semibold">
        {book?.provider}, {plan}
      </bdi>
      , {wayToPay(hosting?.everyMonths ?? 1, hosting?.commitMonths ?? 1)}
      <bdi className="text-soft block text-[13px]">{small.join('; ')}</bdi>
    </>
  );
}
