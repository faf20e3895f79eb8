import { scaleLinear } from 'd3-scale';
import { useState } from 'react';
import type { Comparison, Schemas } from '../../api/wire/client';
import { instant, shortDay, shortMonthOf } from '../../format/dates';
import { money, sumMoney } from '../../format/money';
import { Button } from '../../ui/Button';
import { Cell, Head, Heads, Row, Table } from '../../ui/Table';
import { useWidth } from '../../ui/useWidth';

type Compared = Schemas['ComparedWire'];

const height = 190;
const right = 30;
const left = 58;

/** Patterns of line, so that nobody has to tell colours apart; the letter stands at the end of each. */
const dashes = ['', '7 4', '2 3', '10 3 2 3', '4 2', '12 4', '1 4', '6 2 1 2'];

/** What each candidate has taken by when, over one time axis; who has taken least so far is named from date to date. */
export function PaidSoFar({ comparison }: { comparison: Comparison }) {
  const [frame, width] = useWidth();
  const [asTable, setAsTable] = useState(false);
  const shown = comparison.candidates.filter((known) => known.totals);
  return (
    <section className="mt-3" aria-labelledby="paid-so-far">
      <div className="flex flex-wrap items-baseline gap-x-5">
        <h2 id="paid-so-far" className="text-base">
          Paid so far
        </h2>
        <Button look="text" className="text-[13.5px]" aria-expanded={asTable} onClick={() => setAsTable(!asTable)}>
          {asTable ? 'Close the table' : 'As a table'}
        </Button>
      </div>
      <div ref={frame} className="mt-1">
        {width > 0 && <Picture comparison={comparison} shown={shown} width={width} />}
      </div>
      <Leads comparison={comparison} />
      {asTable && <Sums comparison={comparison} shown={shown} />}
    </section>
  );
}

function Picture({ comparison, shown, width }: { comparison: Comparison; shown: readonly Compared[]; width: number }) {
  const x = scaleLinear([instant(comparison.start), instant(comparison.end)], [left, width - right]);
  // Drawing alone: heights follow the sums.
  const most = Math.max(...shown.map((known) => Number(known.paid.at(-1)?.sum.amount ?? 0)), 1);
  const y = scaleLinear([0, most], [height - 18, 10]).nice(4);
  const ends = spread(shown.map((known) => y(Number(known.paid.at(-1)?.sum.amount ?? 0))));
  return (
    <svg
      width={width}
      height={height}
      role="img"
      aria-label="What each candidate has taken by when; the same figures stand in the table"
      className="text-[12.5px]"
    >
      {y.ticks(4).map((tick) => (
        <g key={tick}>
          <line x1={left} x2={width - right} y1={y(tick)} y2={y(tick)} className="stroke-rule" />
          <text x={left - 8} y={y(tick) + 4} textAnchor="end" className="fill-soft">
            {money(String(tick), comparison.currency)}
          </text>
        </g>
      ))}
      {comparison.leads.slice(1).map((lead) => (
        <line
          key={lead.from}
          x1={x(instant(lead.from))}
          x2={x(instant(lead.from))}
          y1={4}
          y2={height - 18}
          className="stroke-green"
          strokeDasharray="1 4"
        />
      ))}
      {shown.map((known, index) => (
        <g key={known.letter} className={known.isLeast ? 'stroke-green' : 'stroke-ink'}>
          <path
            d={steps(known, x, y, comparison.end)}
            fill="none"
            strokeWidth={known.isLeast ? 3 : 1.75}
            strokeDasharray={dashes[index % dashes.length]}
          />
          <text
            x={width - right + 7}
            y={(ends[index] ?? 0) + 4}
            stroke="none"
            className={known.isLeast ? 'fill-green font-bold' : 'fill-ink font-semibold'}
          >
            {known.letter}
          </text>
        </g>
      ))}
      <text x={left} y={height - 3} className="fill-soft">
        {shortMonthOf(comparison.start)}
      </text>
      <text x={width - right} y={height - 3} textAnchor="end" className="fill-soft">
        {shortMonthOf(comparison.end)}
      </text>
    </svg>
  );
}

function steps(known: Compared, x: (at: number) => number, y: (sum: number) => number, end: string): string {
  const line = known.paid.map((paid, index) =>
    index === 0
      ? `M${x(instant(paid.date))},${y(Number(paid.sum.amount))}`
      : `H${x(instant(paid.date))}V${y(Number(paid.sum.amount))}`,
  );
  return `${line.join('')}H${x(instant(end))}`;
}

// Letters that would lie on one another are moved apart.
function spread(places: readonly number[]): number[] {
  const apart = 14;
  const moved = [...places];
  const order = places.map((_, index) => index).sort((left, right) => places[left]! - places[right]!);
  order.forEach((index, rank) => {
    const above = rank > 0 ? moved[order[rank - 1]!]! : -Infinity;
    moved[index] = Math.max(moved[index]!, above + apart);
  });
  const over = Math.max(0, ...moved.map((place) => place - (height - 22)));
  return moved.map((place) => place - over);
}

/** Crossings, named: who has taken least so far, from when. */
function Leads({ comparison }: { comparison: Comparison }) {
  const [open, setOpen] = useState(false);
  const few = 4;
  const { leads } = comparison;
  return leads.length < 2 ? null : (
    <p className="text-[14px]">
      Least paid so far:{' '}
      {(open ? leads : leads.slice(0, few)).map((lead, index) => (
        <span key={lead.from}>
          {index > 0 && '; '}
          <b>{lead.letters.join(' and ')}</b> from {shortDay(lead.from)} ({money(lead.paid, comparison.currency)})
        </span>
      ))}
      {leads.length > few && !open ? (
        <>
          {' … '}
          <Button look="text" onClick={() => setOpen(true)}>
            all {leads.length}
          </Button>
        </>
      ) : (
        '.'
      )}
    </p>
  );
}

function Sums({ comparison, shown }: { comparison: Comparison; shown: readonly Compared[] }) {
  const dates = [...new Set(shown.flatMap((known) => known.paid.map((paid) => paid.date)))].sort();
  const nothing = { amount: '0', atLeast: false };
  return (
    <Table className="mt-1" caption="What each candidate has taken by each day of a bill">
      <Heads>
        <Head>By</Head>
        {shown.map((known) => (
          <Head key={known.letter} figures>
            {known.letter}
          </Head>
        ))}
      </Heads>
      <tbody>
        {dates.map((date) => (
          <Row key={date} label={shortDay(date)}>
            {shown.map((known) => (
              <Cell key={known.letter} figures>
                {sumMoney(known.paid.findLast((paid) => paid.date <= date)?.sum ?? nothing, comparison.currency)}
              </Cell>
            ))}
          </Row>
        ))}
      </tbody>
    </Table>
  );
}
