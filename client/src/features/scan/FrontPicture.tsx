import { scaleLinear } from 'd3-scale';
import { useState } from 'react';
import { figure, money } from '../../format/money';
import { shortSpan } from '../../format/words';
import { useWidth } from '../../ui/useWidth';
import type { Row } from './ScanPage';
import { WayWords } from './ScanPage';

const height = 190;
const margin = { left: 56, right: 16, top: 12, bottom: 34 };

/** Today against the horizon: those that nothing beats on both are joined. Points are read by pointer and keyboard; the table says the same. */
export function FrontPicture({
  rows,
  front,
  currency,
  horizonMonths,
}: {
  rows: Row[];
  front: Row[];
  currency: string;
  horizonMonths: number;
}) {
  const [frame, width] = useWidth();
  const [shown, setShown] = useState<Row | null>(null);
  const whole = rows.filter((row) => row.totals.atLeast.length === 0);
  const all = [...whole, ...front];
  const most = (pick: (row: Row) => string) => Math.max(...all.map((row) => Number(pick(row))), 1);
  const x = scaleLinear([0, most((row) => row.totals.dueToday)], [margin.left, width - margin.right]).nice();
  const y = scaleLinear([0, most((row) => row.totals.horizon)], [height - margin.bottom, margin.top]).nice();
  const at = (row: Row) => [x(Number(row.totals.dueToday)), y(Number(row.totals.horizon))] as const;
  return (
    <section className="mt-5" aria-labelledby="front">
      <h2 id="front" className="text-base">
        Less today, or less over {shortSpan(horizonMonths)}?
      </h2>
      <p className="text-soft text-[13.5px]">No way to buy costs less in both than one of those joined by the line.</p>
      <div ref={frame} className="max-w-3xl">
        {width > 0 && all.length > 0 && (
          <svg
            width={width}
            height={height}
            className="text-[12px]"
            role="group"
            aria-label="Today against the horizon"
          >
            <line
              x1={margin.left}
              x2={width - margin.right}
              y1={height - margin.bottom}
              y2={height - margin.bottom}
              className="stroke-ink"
            />
            <line
              x1={margin.left}
              x2={margin.left}
              y1={margin.top}
              y2={height - margin.bottom}
              className="stroke-ink"
            />
            {x.ticks(5).map((tick) => (
              <text key={tick} x={x(tick)} y={height - margin.bottom + 15} textAnchor="middle" className="fill-soft">
                {tick}
              </text>
            ))}
            {y.ticks(4).map((tick) => (
              <text key={tick} x={margin.left - 8} y={y(tick) + 4} textAnchor="end" className="fill-soft">
                {tick}
              </text>
            ))}
            <text x={width - margin.right} y={height - 4} textAnchor="end" className="fill-soft">
              due today, {currency}
            </text>
            <polyline
              points={front.map((row) => at(row).join(',')).join(' ')}
              fill="none"
              className="stroke-green"
              strokeWidth={1.5}
            />
            {all.map((row, index) => {
              const [cx, cy] = at(row);
              const joined = index >= whole.length;
              return (
                <circle
                  key={`${index}${row.totals.horizon}`}
                  cx={cx}
                  cy={cy}
                  r={joined ? 5 : 3.5}
                  tabIndex={joined ? 0 : -1}
                  role="img"
                  aria-label={`${money(row.totals.dueToday, currency)} today, ${money(row.totals.horizon, currency)} over ${shortSpan(horizonMonths)}`}
                  className={joined ? 'fill-green' : 'fill-rule'}
                  onFocus={() => setShown(row)}
                  onMouseEnter={() => setShown(row)}
                />
              );
            })}
          </svg>
        )}
      </div>
      <p className="min-h-10 text-[13.5px]" aria-live="polite">
        {shown ? (
          <>
            <WayWords row={shown} /> {money(shown.totals.dueToday, currency)} today,{' '}
            {money(shown.totals.horizon, currency)} over {shortSpan(horizonMonths)}.
          </>
        ) : (
          <span className="text-soft">Point at one, or reach it with Tab, to read what it is.</span>
        )}
      </p>
      <table className="mt-1 max-w-3xl text-[13.5px]">
        <caption className="text-soft text-left">Those joined by the line</caption>
        <thead className="sr-only">
          <tr>
            <th scope="col">Way to buy</th>
            <th scope="col">Today</th>
            <th scope="col">{shortSpan(horizonMonths)}</th>
          </tr>
        </thead>
        <tbody>
          {front.map((row) => (
            <tr key={JSON.stringify(row.candidate)} className="odd:bg-band align-top [&>*]:px-2 [&>*]:py-1">
              <th scope="row" className="text-left font-normal">
                <WayWords row={row} />
              </th>
              <td className="text-right">{figure(row.totals.dueToday)}</td>
              <td className="text-right">{figure(row.totals.horizon)}</td>
            </tr>
          ))}
        </tbody>
      </table>
    </section>
  );
}
