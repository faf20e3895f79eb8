import { useQuery } from '@tanstack/react-query';
import { scaleLinear } from '../../ui/linearScale';
import { useState } from 'react';
import type { Stopping } from '../../api/wire/client';
import { stoppingQuery } from '../../api/wire/queries';
import { sumMoney, type Sum } from '../../format/money';
import { span, wayToPay } from '../../format/words';
import { Cell, Head, Heads, Row, Table } from '../../ui/Table';
import { useWidth } from '../../ui/useWidth';
import { Waiting } from '../../ui/said/Waiting';
import { useSite } from '../../api/site/site';
import { Announced } from '../../ui/said/Announced';

/** What is gone by the month the owner stops, to be moved month by month. */
export default function Stopped() {
  const { page } = useSite();
  const { letter, candidate } = page.worksheet;
  const stopping = useQuery(stoppingQuery(page.id, page.revision, letter));
  const [months, setMonths] = useState(6);
  if (!stopping.data) {
    return stopping.error ? <p className="text-red">{stopping.error.message}</p> : <Waiting for="Working it out" />;
  }

  const { chosen, byShortest, shortestEveryMonths, shortestCommitMonths, winsFrom, currency } = stopping.data;
  const at = Math.min(months, chosen.length);
  const sum = (of: readonly Sum[]) => sumMoney(of[at - 1] ?? { amount: '0', atLeast: false }, currency);
  const now = wayToPay(
    candidate.hosting?.everyMonths ?? 1,
    candidate.hosting?.commitMonths ?? candidate.hosting?.everyMonths ?? 1,
  );
  const other =
    shortestEveryMonths === null ? null : wayToPay(shortestEveryMonths, shortestCommitMonths ?? shortestEveryMonths);
  return (
    <div className="mt-2">
      <label className="flex flex-wrap items-center gap-2">
        Stopping after{' '}
        <input
          type="range"
          min={1}
          max={chosen.length}
          value={at}
          className="accent-blue w-56"
          aria-valuetext={span(at)}
          onChange={(event) => setMonths(Number(event.target.value))}
        />{' '}
        <b>{span(at)}</b>
      </label>
      <Announced onlyChanges className="mt-1">
        <b>{sum(chosen)}</b> is gone, paid {now}
        {other && (
          <>
            ; <b>{sum(byShortest)}</b> paid {other}
          </>
        )}
        . What is still owed of the first term is in it; what the seller gives back within the refund days is not.
      </Announced>
      {other && (
        <p>
          {winsFrom === null
            ? `Within ${span(chosen.length)}, paying ${now} never becomes cheaper for good.`
            : winsFrom === 1
              ? `Paid ${now} it is cheaper from the first month on.`
              : `Paid ${now} it is cheaper, for good, if you run the site ${span(winsFrom)} or longer.`}
        </p>
      )}
      <Picture stopping={stopping.data} at={at} now={now} other={other} />
      <Sums stopping={stopping.data} now={now} other={other} />
    </div>
  );
}

const height = 120;
const left = 4;

interface Drawn {
  stopping: Stopping;
  at: number;
  now: string;
  other: string | null;
}

function Picture(drawn: Drawn) {
  const [frame, width] = useWidth();
  return (
    <div ref={frame} className="mt-2">
      {width > 0 && <Lines {...drawn} width={width} />}
    </div>
  );
}

function Lines({ stopping, at, width, now, other }: Drawn & { width: number }) {
  const { chosen, byShortest, winsFrom } = stopping;
  // Drawing alone: heights follow the sums.
  const x = scaleLinear([0, chosen.length], [left, width - 12]);
  const y = scaleLinear([0, Math.max(...[...chosen, ...byShortest].map((sum) => Number(sum.amount)), 1)], [height, 8]);
  const isLate = winsFrom !== null && x(winsFrom) > width / 2;
  const steps = (sums: readonly Sum[]) =>
    sums.map((sum, index) => `${index === 0 ? 'M' : 'L'}${x(index)},${y(Number(sum.amount))}H${x(index + 1)}`).join('');
  return (
    <svg
      width={width}
      height={height + 22}
      role="img"
      aria-label="What is gone by the month the site is stopped; the same figures stand in the table"
      className="text-[12.5px]"
    >
      <line x1={left} x2={width} y1={height} y2={height} className="stroke-rule" />
      {other && <path d={steps(byShortest)} className="stroke-soft fill-none" strokeWidth={2} strokeDasharray="5 4" />}
      <path d={steps(chosen)} className="stroke-ink fill-none" strokeWidth={2.5} />
      <line x1={x(at)} x2={x(at)} y1={0} y2={height} className="stroke-blue" />
      {winsFrom !== null && winsFrom > 1 && (
        <>
          <line x1={x(winsFrom)} x2={x(winsFrom)} y1={0} y2={height} className="stroke-green" strokeDasharray="2 3" />
          <text
            x={x(winsFrom) + (isLate ? -4 : 4)}
            y={height - 6}
            textAnchor={isLate ? 'end' : 'start'}
            className="fill-green font-semibold"
          >
            cheaper {now} from here
          </text>
        </>
      )}
      <text x={left} y={height + 16} className="fill-soft">
        {now}: drawn through{other ? `; ${other}: dashed` : ''}
      </text>
      <text x={width - 4} y={height + 16} textAnchor="end" className="fill-soft">
        {span(chosen.length)}
      </text>
    </svg>
  );
}

function Sums({ stopping, now, other }: { stopping: Stopping; now: string; other: string | null }) {
  return (
    <details className="mt-1 text-[14px]">
      <summary className="text-blue cursor-pointer font-semibold">As a table</summary>
      <Table className="mt-1" caption="What is gone by the month the site is stopped">
        <Heads>
          <Head>Stopped after</Head>
          <Head figures>{now}</Head>
          {other && <Head figures>{other}</Head>}
        </Heads>
        <tbody>
          {stopping.chosen.map((sum, index) => (
            <Row key={index} label={span(index + 1)}>
              <Cell figures>{sumMoney(sum, stopping.currency)}</Cell>
              {stopping.byShortest[index] && (
                <Cell figures>{sumMoney(stopping.byShortest[index], stopping.currency)}</Cell>
              )}
            </Row>
          ))}
        </tbody>
      </Table>
    </details>
  );
}
