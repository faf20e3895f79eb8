import { useQuery } from '@tanstack/react-query';
import { settlingQuery, type ScanRow, type Settling } from '../../api/site/scan';
import { money } from '../../format/money';
import { span } from '../../format/words';
import { Waiting } from '../../ui/said/Waiting';
import { useSite } from '../../api/site/site';
import { useWayTitle } from './WayWords';
import { needWords } from '../../format/needs';

/**
 * Over how many months another way would be the least, and which need costs most: each sentence is exact against every
 * way to buy.
 */
export function WhatSettlesIt({ by, one }: { by: string; one: boolean }) {
  const { page } = useSite();
  const settling = useQuery(settlingQuery(page.id, page.revision, by, one));
  return (
    <section className="mt-5 max-w-3xl" aria-labelledby="settles">
      <h2 id="settles" className="text-base">
        What settles it
      </h2>
      {settling.data ? (
        <ul className="mt-1 flex list-disc flex-col gap-1 pl-5">
          {by !== 'dueToday' && settling.data.least && (
            <>
              <Longer settling={settling.data} by={by} />
              <Shorter settling={settling.data} by={by} />
            </>
          )}
          <Dearest settling={settling.data} />
        </ul>
      ) : settling.error ? (
        <p className="text-red">{settling.error.message}</p>
      ) : (
        <Waiting for="Trying other lengths and leaving out one need after another" />
      )}
    </section>
  );
}

function useSum(by: string) {
  return (row: ScanRow) =>
    money(by === 'expected' && row.totals.expected ? row.totals.expected : row.totals.horizon, row.totals.currency);
}

function Longer({ settling, by }: { settling: Settling; by: string }) {
  const { page } = useSite();
  const title = useWayTitle();
  const sum = useSum(by);
  const { longer } = settling;
  const least = title(settling.least!.candidate);
  if (!longer) {
    return (
      <li>
        Counted over anything from {span(page.settings.horizonMonths)} to ten years,{' '}
        <bdi className="font-semibold">{least}</bdi> stays the least.
      </li>
    );
  }

  return longer.other ? (
    <li>
      {longer.toMonths === 120
        ? `From ${longer.fromMonths} months on`
        : `From ${longer.fromMonths} to ${longer.toMonths} months`}
      , <bdi className="font-semibold">{title(longer.other.candidate)}</bdi> costs less than <bdi>{least}</bdi>:{' '}
      {sum(longer.other)} against <span className="text-red">{sum(longer.least)}</span> over {longer.atMonths} months.
    </li>
  ) : (
    <li>
      From {longer.fromMonths} months on nobody can say: a price of <bdi className="font-semibold">{least}</bdi> that is
      due then is <span className="text-red">not stated</span>.
    </li>
  );
}

function Shorter({ settling, by }: { settling: Settling; by: string }) {
  const title = useWayTitle();
  const sum = useSum(by);
  const { shorter } = settling;
  return shorter?.other ? (
    <li>
      {shorter.fromMonths === 1
        ? `Counted over ${span(shorter.toMonths)} or less`
        : `Counted over ${shorter.fromMonths} to ${shorter.toMonths} months`}
      , <bdi className="font-semibold">{title(shorter.other.candidate)}</bdi> costs less than{' '}
      <bdi>{title(shorter.least.candidate)}</bdi>: {sum(shorter.other)} against{' '}
      <span className="text-red">{sum(shorter.least)}</span> over {span(shorter.atMonths)}.
    </li>
  ) : null;
}

function Dearest({ settling }: { settling: Settling }) {
  const { page } = useSite();
  const title = useWayTitle();
  const { currency } = page.settings;
  const [dearest, ...others] = settling.needs;
  if (!dearest) {
    return settling.least ? <li>Dropping any one need would save nothing.</li> : null;
  }

  return dearest.saves ? (
    <li>
      The need that costs most is <b>{needWords(dearest)}</b>: without it{' '}
      <bdi className="font-semibold">{title(dearest.best.candidate)}</bdi> would do, and save{' '}
      <span className="text-green">{money(dearest.saves, currency)}</span>.
      {others.length > 0 && (
        <>
          {' '}
          After it: {others.map((other) => `${needWords(other)}, ${money(other.saves ?? '0.00', currency)}`).join('; ')}
          .
        </>
      )}
    </li>
  ) : (
    settling.needs.map((need) => (
      <li key={need.need + String(need.wants)}>
        Without <b>{needWords(need)}</b> something fits: <bdi>{title(need.best.candidate)}</bdi>, for{' '}
        {money(need.best.totals.horizon, currency)}.
      </li>
    ))
  );
}
