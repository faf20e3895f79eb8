import { scaleLinear } from '../../ui/linearScale';
import { useState } from 'react';
import type { Costing, Schemas } from '../../api/wire/client';
import { instant, monthOf, shortDay, shortMonthOf } from '../../format/dates';
import { figure, isZero, money, dueNext } from '../../format/money';
import { Button } from '../../ui/Button';
import { cx } from '../../ui/cx';
import { Head, Heads, Row, Table } from '../../ui/Table';
import { ScrollRegion } from '../../ui/ScrollRegion';
import { useWidth } from '../../ui/useWidth';
import { fillOf, Hatching, parts } from './Hatching';

type Bar = Schemas['BarWire'];

const height = 74;
const barWidth = 22;

/** The bills drawn to scale, with their sums; the first one beyond the horizon is outlined. Its table opens below. */
export function BillsThroughTime({ costing, timeline }: { costing: Costing; timeline: Schemas['TimelineWire'] }) {
  const [asTable, setAsTable] = useState(false);
  const [frame, width] = useWidth();
  const used = parts.filter(([key]) => timeline.bars.some((bar) => !isZero(bar[key])));
  return (
    <section aria-labelledby="time" className="mt-5">
      <div className="flex flex-wrap items-baseline gap-x-5 gap-y-1 text-[13.5px]">
        <h2 id="time" className="font-sans text-[15px]">
          {timeline.isByYear ? 'What you pay, year by year' : 'When you pay'}
        </h2>
        <Hatching />
        {used.map(([key, label]) => (
          <span key={key} className="flex items-center gap-1.5">
            <svg aria-hidden width="14" height="14">
              <rect width="14" height="14" fill={fillOf(key)} />
            </svg>
            {label}
          </span>
        ))}
        <Button look="text" className="text-[13.5px]" aria-expanded={asTable} onClick={() => setAsTable(!asTable)}>
          {asTable ? 'Close the table' : 'As a table'}
        </Button>
      </div>
      <div ref={frame} className="mt-1">
        {width > 0 && <Picture costing={costing} timeline={timeline} width={width} />}
      </div>
      {asTable && <Sums costing={costing} timeline={timeline} />}
    </section>
  );
}

function Picture({ costing, timeline, width }: { costing: Costing; timeline: Schemas['TimelineWire']; width: number }) {
  const { totals, dates } = costing;
  const { bars } = timeline;
  const next = dueNext(totals.next);
  const from = instant(bars[0]?.date ?? dates.end);
  const until = Math.max(instant(dates.end), next && next.date === dates.end ? instant(next.date) : 0);
  const x = scaleLinear([from, until], [0, width - barWidth - 4]);
  // Drawing alone: heights follow the sums, no figure is made here.
  const most = Math.max(...bars.map((bar) => Number(bar.total)), timeline.isByYear ? 0 : Number(next?.total ?? 0), 1);
  const y = scaleLinear([0, most], [0, height - 6]);
  // The two that stand nearest decide: labels are for all bars or for none.
  const places = bars.map((bar) => x(instant(bar.date)));
  const gap = Math.min(width, ...places.slice(1).map((place, index) => place - places[index]!));
  const labelBeside = gap > barWidth + 70;
  const term = instant(dates.firstTermEnd);
  const hasTerm = term > from && term < until;
  // Where there is no room on its left, its words would lie on a bar.
  const isTermAbove = hasTerm && x(term) <= 110;
  return (
    <svg
      width={width}
      height={height + 26}
      role="img"
      aria-label="Bills through time; the same figures stand in the table"
      className={cx('overflow-visible text-[12.5px]', isTermAbove && 'mt-4')}
    >
      {bars.map((bar, index) => (
        <g key={bar.date} transform={`translate(${x(instant(bar.date))},0)`}>
          <Stack bar={bar} scale={(amount) => y(amount)} />
          {labelBeside && (
            <text x={barWidth + 7} y={height - 5} className="fill-ink font-semibold">
              {bar.atLeast && 'at least '}
              {money(bar.total, totals.currency)}
            </text>
          )}
          {(gap > 60 || index === 0) && (
            <text y={height + 18} className="fill-soft">
              {shortMonthOf(bar.date)}
            </text>
          )}
        </g>
      ))}
      <line x1={0} x2={width} y1={height} y2={height} className="stroke-ink" />
      {hasTerm && (
        <g transform={`translate(${x(term) - 5},0)`}>
          <line y1={0} y2={height + 6} strokeWidth={2} className="stroke-red" />
          <text
            x={isTermAbove ? 0 : -7}
            y={isTermAbove ? -3 : 10}
            textAnchor={isTermAbove ? 'middle' : 'end'}
            className="fill-red font-semibold"
          >
            first term ends
          </text>
        </g>
      )}
      {next && !timeline.isByYear && next.date === dates.end && (
        <g transform={`translate(${width - barWidth - 4},0)`}>
          <rect
            y={height - y(Number(next.total))}
            width={barWidth}
            height={y(Number(next.total))}
            fill="none"
            strokeDasharray="3 3"
            className="stroke-red"
          />
          <text
            x={-7}
            y={Math.min(height - y(Number(next.total)) + 12, height - 22)}
            textAnchor="end"
            className="fill-red font-semibold"
          >
            then {next.atLeast && 'at least '}
            {money(next.total, totals.currency)}
          </text>
          <text x={barWidth} y={height + 18} textAnchor="end" className="fill-soft">
            {shortMonthOf(next.date)}
          </text>
        </g>
      )}
    </svg>
  );
}

function Stack({ bar, scale }: { bar: Bar; scale: (amount: number) => number }) {
  const drawn = parts.filter(([key]) => !isZero(bar[key]));
  return drawn.map(([key], index) => {
    const below = drawn.slice(0, index).reduce((sum, [lower]) => sum + scale(Number(bar[lower])), 0);
    const tall = scale(Number(bar[key]));
    return (
      <rect
        key={key}
        y={height - below - tall}
        width={barWidth}
        height={Math.max(tall - 1.5, 0.5)}
        fill={fillOf(key)}
      />
    );
  });
}

function Sums({ costing, timeline }: { costing: Costing; timeline: Schemas['TimelineWire'] }) {
  const [open, setOpen] = useState<string | null>(null);
  const { next, currency } = costing.totals;
  const row = (bar: Bar, inner: boolean) => (
    <Row
      key={bar.date + String(inner)}
      label={
        <span className={inner ? 'pl-6' : undefined}>
          {bar.within.length > 0 ? (
            <Button
              look="text"
              aria-expanded={open === bar.date}
              onClick={() => setOpen(open === bar.date ? null : bar.date)}
            >
              the year from {monthOf(bar.date)}
            </Button>
          ) : (
            shortDay(bar.date)
          )}
        </span>
      }
    >
      {parts.map(([key]) => (
        <td key={key} className="text-right">
          {figure(bar[key])}
        </td>
      ))}
      <td className="text-right font-semibold">
        {bar.atLeast && 'at least '}
        {figure(bar.total)}
      </td>
    </Row>
  );
  return (
    <ScrollRegion label="Bills as a table" className="mt-3 max-w-3xl">
      <Table
        className="mt-1 w-full"
        shown
        caption={`Everything due before ${shortDay(costing.dates.end)}, in ${currency}`}
      >
        <Heads>
          <Head>Due</Head>
          {parts.map(([key, label]) => (
            <Head key={key} figures>
              {label}
            </Head>
          ))}
          <Head figures>in total</Head>
        </Heads>
        <tbody>
          {timeline.bars.flatMap((bar) => [
            row(bar, false),
            ...(open === bar.date ? bar.within.map((month) => row(month, true)) : []),
          ])}
        </tbody>
      </Table>
      {next && (
        <p className="text-red mt-1">
          Then {next.atLeast && 'at least '}
          {money(next.total, currency)} is due on {shortDay(next.date)}.
        </p>
      )}
    </ScrollRegion>
  );
}
