import { useQuery } from '@tanstack/react-query';
import { scaleLinear } from 'd3-scale';
import type { Schemas } from '../../api/wire/client';
import { historyQuery, useShelfChanges, type Shelved } from '../../api/books/shelf';
import { shortDay } from '../../format/dates';
import { currencySign, figure } from '../../format/money';
import { Button } from '../../ui/Button';
import { Cell, Head, Heads, Row, Table } from '../../ui/Table';
import { Announced } from '../../ui/said/Announced';

type Plan = Schemas['PriceHistoryWire'];

/** What each plan cost in the versions so far: a small picture, its figures, and the way back to an older version. */
export function History({ shelved: { book, versions } }: { shelved: Shelved }) {
  const history = useQuery(historyQuery(book.id));
  const plans = (history.data ?? []).filter((plan) => plan.prices.length > 1);
  return (
    <>
      {plans.map((plan) => (
        <PlanHistory key={plan.plan} plan={plan} />
      ))}
      {versions.length > 0 && <Versions book={book.id} versions={versions} />}
    </>
  );
}

function PlanHistory({ plan: { name, currency, prices } }: { plan: Plan }) {
  return (
    <div className="mt-2 grid items-start gap-x-6 sm:grid-cols-[16rem_minmax(0,1fr)]">
      <figure>
        <figcaption className="font-semibold">
          <bdi>{name}</bdi>
          <span className="text-soft text-[13px] font-normal">
            : the first price, and <span className="text-red">the later one, in dashes</span>
          </span>
        </figcaption>
        <Picture prices={prices} />
      </figure>
      <Table className="mt-1" caption={`${name}: a month, ${currencySign(currency)}`} shown>
        <Heads>
          <Head>Read on</Head>
          <Head figures>First price</Head>
          <Head figures>Later price</Head>
        </Heads>
        <tbody>
          {prices.map((price) => (
            <Row key={price.version} label={shortDay(price.on)}>
              <Cell figures>{figure(price.first)}</Cell>
              <Cell figures>{price.later === null ? 'not stated' : figure(price.later)}</Cell>
            </Row>
          ))}
        </tbody>
      </Table>
    </div>
  );
}

const [width, height, margin] = [240, 72, 8];

/** First prices black, later ones red; the table beside it says the same. */
function Picture({ prices }: { prices: Plan['prices'] }) {
  const all = prices.flatMap(({ first, later }) => [Number(first), ...(later === null ? [] : [Number(later)])]);
  const x = scaleLinear([0, prices.length - 1], [margin, width - margin]);
  const y = scaleLinear([0, Math.max(...all, 0.01)], [height - margin, margin]);
  const line = (of: (price: Plan['prices'][number]) => string | null) =>
    prices.flatMap((price, at) => (of(price) === null ? [] : [`${x(at)},${y(Number(of(price)))}`])).join(' ');
  return (
    <svg width={width} height={height} aria-hidden="true" className="fill-none">
      <line x1={0} x2={width} y1={height - margin} y2={height - margin} className="stroke-rule" />
      <polyline points={line((price) => price.later)} className="stroke-red" strokeWidth={2} strokeDasharray="4 3" />
      <polyline points={line((price) => price.first)} className="stroke-ink" strokeWidth={2} />
      {prices.map((price, at) => (
        <g key={price.version}>
          {price.later !== null && <circle cx={x(at)} cy={y(Number(price.later))} r={3} className="fill-red" />}
          <circle cx={x(at)} cy={y(Number(price.first))} r={3} className="fill-ink" />
        </g>
      ))}
    </svg>
  );
}

function Versions({ book, versions }: { book: string; versions: Shelved['versions'] }) {
  const { goBack } = useShelfChanges();
  return (
    <>
      <ul className="mt-2">
        {versions.map((kept, at) => (
          <li key={kept.version} className="flex flex-wrap items-baseline gap-x-4">
            Version {at + 1}
            {at === versions.length - 1 ? (
              ': it counts now'
            ) : (
              <Button look="text" onClick={() => goBack.mutate({ book, version: kept.version })}>
                Go back to it<span className="sr-only">: version {at + 1}</span>
              </Button>
            )}
          </li>
        ))}
      </ul>
      {goBack.error && <Announced className="text-red">{goBack.error.message}</Announced>}
    </>
  );
}
