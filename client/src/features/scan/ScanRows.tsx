import { useNavigate } from '@tanstack/react-router';
import type { Schemas } from '../../api/wire/client';
import type { ScanRow as Row } from '../../api/site/scan';
import { shortDay } from '../../format/dates';
import { currencySign, figure, isZero, dueNext } from '../../format/money';
import { span, theseMonths } from '../../format/words';
import { Button } from '../../ui/Button';
import { cx } from '../../ui/cx';
import { useKeep } from '../../api/site/keep';
import { useSite } from '../../api/site/site';
import { WayWords } from './WayWords';
import { Head, Heads, Table } from '../../ui/Table';
import { Announced } from '../../ui/said/Announced';

/** Columns that go where no row has anything in them. */
interface Shows {
  expected: boolean;
  unused: boolean;
}

/** Ways to buy, best first; beside each what falls due after and what is paid for days after the end. */
export function ScanRows({ rows, by }: { rows: readonly Row[]; by: string }) {
  const { page } = useSite();
  const sign = currencySign(page.settings.currency);
  const shows: Shows = {
    expected: by === 'expected',
    unused: rows.some((row) => !isZero(row.totals.unusedAtEnd)),
  };
  return (
    <div className="mt-3 overflow-x-auto">
      <Table className="mt-1 w-full" caption="Ways to buy that meet the needs, best first">
        <Heads>
          <Head figures>
            <span className="sr-only">Rank</span>
          </Head>
          <Head className="max-md:hidden">Way to buy</Head>
          <Head figures className="whitespace-nowrap">
            Today, {sign}
          </Head>
          <Head figures className="whitespace-nowrap">
            {span(page.settings.horizonMonths)}, {sign}
          </Head>
          {shows.expected && <Head figures>Expected, {sign}</Head>}
          <Head figures className="max-md:hidden">
            Next bill after {theseMonths(page.settings.horizonMonths)}
          </Head>
          {shows.unused && (
            <Head figures className="max-md:hidden">
              Unused at the end
            </Head>
          )}
          <Head figures>
            <span className="sr-only">Take it</span>
          </Head>
        </Heads>
        <tbody>
          {rows.map((row, index) => (
            <ScanRow
              key={JSON.stringify(row.candidate)}
              row={row}
              place={index + 1}
              before={rows[index - 1]}
              shows={shows}
            />
          ))}
        </tbody>
      </Table>
    </div>
  );
}

function ScanRow({ row, place, before, shows }: { row: Row; place: number; before?: Row; shows: Shows }) {
  const { totals } = row;
  const equal = before?.totals.horizon === totals.horizon && before.totals.dueToday === totals.dueToday;
  const band = place % 2 === 1 && 'bg-band';
  const rank = equal ? 'equal' : place;
  return (
    <>
      {/* Where there is no room beside the figures, the words take the whole width above them. */}
      <tr className={cx('align-top md:hidden [&>*]:px-2 [&>*]:pt-1.5', band)}>
        <td className="text-soft text-right">{rank}</td>
        <th scope="row" colSpan={shows.expected ? 4 : 3} className="text-left font-normal">
          <WayWords row={row} />
          {dueNext(totals.next) && <NextDue next={totals.next!} className="block text-[13px]" lead="then " />}
        </th>
      </tr>
      <tr className={cx('align-top [&>*]:px-2 [&>*]:py-1.5', band)}>
        <td className="text-soft text-right">
          <span className="max-md:hidden">{rank}</span>
        </td>
        <th scope="row" className="text-left font-normal max-md:hidden">
          <WayWords row={row} />
        </th>
        <td className="text-right whitespace-nowrap">
          {totals.atLeast.includes('dueToday') && <span className="text-[13px]">at least </span>}
          {figure(totals.dueToday)}
        </td>
        <td className="text-right font-semibold whitespace-nowrap">
          {totals.atLeast.includes('horizon') && <span className="text-[13px] font-normal">at least </span>}
          {figure(totals.horizon)}
        </td>
        {shows.expected && <td className="text-right">{totals.expected && figure(totals.expected)}</td>}
        <td className="text-right whitespace-nowrap max-md:hidden">
          {dueNext(totals.next) && <NextDue next={totals.next!} />}
        </td>
        {shows.unused && (
          <td className="text-soft text-right max-md:hidden">
            {isZero(totals.unusedAtEnd) ? '' : figure(totals.unusedAtEnd)}
          </td>
        )}
        <td className="text-right whitespace-nowrap">
          <Take row={row} place={place} />
        </td>
      </tr>
    </>
  );
}

function NextDue({
  next,
  lead = '',
  className = '',
}: {
  next: Schemas['NextWire'];
  lead?: string;
  className?: string;
}) {
  return (
    <span className={className}>
      {lead}
      {next.atLeast && 'at least '}
      {figure(next.total)} on {shortDay(next.date)}
    </span>
  );
}

/** Onto the shortlist: to look at it at once, or to go on reading here. */
function Take({ row, place }: { row: Row; place: number }) {
  const { page } = useSite();
  const navigate = useNavigate();
  const { letter: kept, keep } = useKeep(row.candidate);
  const open = async () => {
    const letter = await keep();
    if (letter) {
      await navigate({ to: '/sites/$siteId/worksheet', params: { siteId: page.id }, search: { view: letter } });
    }
  };

  return (
    <span className="inline-flex gap-3">
      <Button look="text" onClick={() => void open()}>
        Open<span className="sr-only"> way {place} on the worksheet</span>
      </Button>
      {kept ? (
        <Announced as="span" className="text-green">
          kept as {kept}
        </Announced>
      ) : (
        <Button look="text" onClick={() => void keep()}>
          Keep<span className="sr-only"> way {place} on the shortlist</span>
        </Button>
      )}
    </span>
  );
}
