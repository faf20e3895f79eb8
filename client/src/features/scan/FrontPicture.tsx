import { scaleLinear } from 'd3-scale';
import { useState, type KeyboardEvent } from 'react';
import type { Schemas } from '../../api/wire/client';
import type { ScanRow } from '../../api/site/scan';
import { figure, money } from '../../format/money';
import { span, wayToPay } from '../../format/words';
import { useWidth } from '../../ui/useWidth';
import { useSite } from '../../api/site/site';
import { WayWords } from './WayWords';
import { Head, Heads, Row, Table } from '../../ui/Table';
import { Announced } from '../../ui/said/Announced';

type Point = Schemas['ScanPointWire'];

const height = 240;
const margin = { left: 56, right: 16, top: 12, bottom: 34 };

/**
 * Today against the horizon for all that fits: those that nothing beats on both are joined. Points are read by pointer
 * and arrow keys; the table says the same.
 */
export function FrontPicture({
  points,
  front,
  currency,
  horizonMonths,
}: {
  points: readonly Point[];
  front: readonly ScanRow[];
  currency: string;
  horizonMonths: number;
}) {
  const [frame, width] = useWidth();
  const [at, setAt] = useState(-1);
  const joined = new Set(front.map((row) => `${row.totals.dueToday} ${row.totals.horizon}`));
  const most = (pick: (point: Point) => string) => Math.max(...points.map((point) => Number(pick(point))), 1);
  const x = scaleLinear([0, most((point) => point.dueToday)], [margin.left, width - margin.right]).nice();
  const y = scaleLinear([0, most((point) => point.horizon)], [height - margin.bottom, margin.top]).nice();
  const shown = points[at];

  const move = (event: KeyboardEvent) => {
    const step = { ArrowRight: 1, ArrowDown: 1, ArrowLeft: -1, ArrowUp: -1 }[event.key];
    if (step) {
      event.preventDefault();
      setAt((before) => Math.min(points.length - 1, Math.max(0, before + step)));
    }
  };

  return (
    <section className="mt-5" aria-labelledby="front">
      <h2 id="front" className="text-base">
        Less today, or less over {span(horizonMonths)}?
      </h2>
      <p className="text-soft text-[13.5px]">
        Each dot is a way to buy that fits{points.length === 1000 && ', the best thousand of them'}. None costs less in
        both than one of those joined by the line.
      </p>
      <div className="items-start gap-x-8 lg:flex">
        <div className="min-w-0 grow">
          <div ref={frame}>
            {width > 0 && points.length > 0 && (
              <svg
                width={width}
                height={height}
                className="text-[12px]"
                role="application"
                aria-roledescription="picture of dots"
                aria-label={`Today against ${span(horizonMonths)}: ${points.length} dots; read them with the arrow keys`}
                tabIndex={0}
                onKeyDown={move}
                onMouseLeave={() => setAt(-1)}
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
                  <text
                    key={tick}
                    x={x(tick)}
                    y={height - margin.bottom + 15}
                    textAnchor="middle"
                    className="fill-soft"
                  >
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
                <text x={margin.left + 6} y={margin.top + 8} className="fill-soft">
                  over {span(horizonMonths)}, {currency}
                </text>
                <polyline
                  points={front
                    .map((row) => `${x(Number(row.totals.dueToday))},${y(Number(row.totals.horizon))}`)
                    .join(' ')}
                  fill="none"
                  className="stroke-green"
                  strokeWidth={1.5}
                />
                {points.map((point, index) => {
                  const best = joined.has(`${point.dueToday} ${point.horizon}`);
                  return (
                    <circle
                      key={index}
                      cx={x(Number(point.dueToday))}
                      cy={y(Number(point.horizon))}
                      r={index === at ? 7 : best ? 5 : 3.5}
                      className={index === at ? 'fill-blue' : best ? 'fill-green' : 'fill-sheet stroke-soft'}
                      onMouseEnter={() => setAt(index)}
                    />
                  );
                })}
              </svg>
            )}
          </div>
          <Announced onlyChanges className="min-h-10 text-[13.5px]">
            {shown ? (
              <PointWords point={shown} currency={currency} horizonMonths={horizonMonths} />
            ) : (
              <span className="text-soft">
                Point at a dot to read what it is, or reach the picture with Tab and use the arrow keys.
              </span>
            )}
          </Announced>
        </div>
        <Table className="mt-1 lg:w-[30rem]" caption={<>Those joined by the line</>} shown>
          <Heads>
            <Head>Way to buy</Head>
            <Head figures>Today</Head>
            <Head figures>{span(horizonMonths)}</Head>
          </Heads>
          <tbody>
            {front.map((row) => (
              <Row
                key={JSON.stringify(row.candidate)}
                label={
                  <>
                    <WayWords row={row} />
                  </>
                }
              >
                <td className="text-right">{figure(row.totals.dueToday)}</td>
                <td className="text-right">{figure(row.totals.horizon)}</td>
              </Row>
            ))}
          </tbody>
        </Table>
      </div>
    </section>
  );
}

function PointWords({ point, currency, horizonMonths }: { point: Point; currency: string; horizonMonths: number }) {
  const { books } = useSite();
  const book = books.find((known) => known.id === point.book);
  const seller = books.find((known) => known.id === point.domainBook);
  return (
    <>
      <bdi className="font-semibold">
        {book?.provider}, {book?.plans.find((plan) => plan.id === point.plan)?.name}
      </bdi>
      , {wayToPay(point.everyMonths, point.commitMonths)}
      {seller && (
        <bdi>
          , .{point.ending} from {seller.provider}
        </bdi>
      )}
      : {money(point.dueToday, currency)} today, {money(point.horizon, currency)} over {span(horizonMonths)}.
    </>
  );
}
