import { instant, longDay, shortDay } from '../../format/dates';
import { money } from '../../format/money';
import { scaleLinear } from '../../ui/linearScale';
import { useWidth } from '../../ui/useWidth';
import type { Tenure } from './upkeep';

const height = 170;
const base = 118;
const tallest = 74;
const edge = 12;

/** How far apart, in pixels, sums can stand without touching. */
const room = 78;

interface Bar {
  on: string;
  amount: string;
  currency: string;
  seller: string;
  isPaid: boolean;
}

/**
 * The years of what is had, drawn to scale: what was paid, what is to come, what is lost if nothing is done, and today.
 */
export function YearsLine({ tenure, today }: { tenure: Tenure; today: string }) {
  const [frame, width] = useWidth();
  const bars: Bar[] = [
    ...tenure.paid.map((bill) => ({ ...bill, isPaid: true })),
    ...tenure.bills.map((bill) => ({ ...bill, isPaid: false })),
  ];
  const x = scaleLinear([instant(tenure.placedOn), instant(tenure.until)], [edge, Math.max(edge, width - edge)]);
  const most = Math.max(...bars.map(({ amount }) => Number(amount)), 1);
  const labelled = withRoom(bars, (bar) => x(instant(bar.on)));
  return (
    <figure className="mt-3">
      <div ref={frame}>
        {width > 0 && (
          <svg
            width={width}
            height={height}
            role="img"
            aria-label={`${bars.length} bills from ${longDay(tenure.placedOn)} to ${longDay(tenure.until)}; the same as in the list of bills to come and the day book.`}
          >
            {years(tenure.placedOn, tenure.until).map((day) => (
              <g key={day}>
                <line x1={x(instant(day))} x2={x(instant(day))} y1={22} y2={base} className="stroke-rule" />
                <text x={x(instant(day))} y={base + 44} textAnchor="middle" className="fill-soft text-[12px]">
                  {day.slice(0, 4)}
                </text>
              </g>
            ))}
            <line x1={edge} x2={width - edge} y1={base} y2={base} className="stroke-ink" />
            {bars.map((bar, index) => {
              const tall = 4 + (Number(bar.amount) / most) * tallest;
              return (
                <g key={`${bar.on}${bar.seller}${index}`}>
                  <rect
                    x={x(instant(bar.on)) - 4}
                    width={8}
                    y={base - tall}
                    height={tall}
                    className={bar.isPaid ? 'fill-soft' : 'fill-sheet stroke-ink'}
                  >
                    <title>{`${shortDay(bar.on)}: ${money(bar.amount, bar.currency)} to ${bar.seller}`}</title>
                  </rect>
                  {labelled.has(index) && (
                    <text
                      x={Math.min(Math.max(x(instant(bar.on)), 34), width - 34)}
                      y={base - tall - 5}
                      textAnchor="middle"
                      className="fill-ink text-[12px]"
                    >
                      {money(bar.amount, bar.currency)}
                    </text>
                  )}
                  {labelled.has(index) && (
                    <text
                      x={Math.min(Math.max(x(instant(bar.on)), 34), width - 34)}
                      y={base + 24}
                      textAnchor="middle"
                      className="fill-soft text-[12px]"
                    >
                      {shortDay(bar.on)}
                    </text>
                  )}
                </g>
              );
            })}
            {tenure.states.map((state) => (
              <g key={`${state.on}${state.name}`}>
                <path
                  d={`M ${x(instant(state.on))} ${base + 3} l 5 9 h -10 z`}
                  className="fill-red"
                  role="presentation"
                >
                  <title>{`${shortDay(state.on)}: ${state.name} ${state.words}`}</title>
                </path>
              </g>
            ))}
            <line
              x1={x(instant(today))}
              x2={x(instant(today))}
              y1={14}
              y2={base + 10}
              className="stroke-ink"
              strokeWidth={2}
            />
            <text
              x={Math.min(Math.max(x(instant(today)), 24), width - 24)}
              y={11}
              textAnchor="middle"
              className="fill-ink text-[12px] font-semibold"
            >
              today
            </text>
          </svg>
        )}
      </div>
      <figcaption className="text-soft flex flex-wrap gap-x-5 text-[13px]">
        <span>
          <span aria-hidden="true" className="bg-soft mr-1.5 inline-block h-3 w-2" />
          paid
        </span>
        <span>
          <span aria-hidden="true" className="border-ink mr-1.5 inline-block h-3 w-2 border" />
          to come, with tax
        </span>
        {tenure.states.length > 0 && (
          <span>
            <span aria-hidden="true" className="text-red mr-1">
              ▲
            </span>
            something is lost
          </span>
        )}
      </figcaption>
    </figure>
  );
}

// 1 January of every year on the line.
function years(from: string, until: string): string[] {
  const first = Number(from.slice(0, 4)) + 1;
  const last = Number(until.slice(0, 4));
  return Array.from({ length: Math.max(0, last - first + 1) }, (_, index) => `${first + index}-01-01`);
}

// Which bars have room for their sums: the first, and each that stands far enough from the last that has.
function withRoom(bars: Bar[], place: (bar: Bar) => number): Set<number> {
  const found = new Set<number>();
  let last = -Infinity;
  bars.forEach((bar, index) => {
    if (place(bar) - last >= room) {
      found.add(index);
      last = place(bar);
    }
  });
  return found;
}
