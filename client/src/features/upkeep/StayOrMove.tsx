import { useQuery } from '@tanstack/react-query';
import { keys } from '../../api/wire/keys';
import { Link, useSearch } from '@tanstack/react-router';
import { useState } from 'react';
import { api, expect, type Schemas } from '../../api/wire/client';
import { useKeep } from '../../api/site/keep';
import { useSite } from '../../api/site/site';
import { longDay } from '../../format/dates';
import { money } from '../../format/money';
import { span } from '../../format/words';
import { Button } from '../../ui/Button';
import { cx } from '../../ui/cx';
import { Failed, Waiting } from '../../ui/said/Waiting';
import type { Tenure } from './upkeep';
import { Announced } from '../../ui/said/Announced';

/** Before hosting renews: what staying costs from that day on, against the best of everything else in the books. */
export function StayOrMove({ tenure }: { tenure: Tenure }) {
  const { stay } = useSearch({ from: '/sites/$siteId/upkeep' });
  const [asked, setAsked] = useState(stay === tenure.orderId);
  const answer = useQuery({
    queryKey: keys.stayOrMove(tenure.orderId, tenure.version),
    queryFn: async () => {
      const found = await api.GET('/api/orders/{orderId}/upkeep/stay-or-move', {
        params: { path: { orderId: tenure.orderId } },
      });
      return found.response.status === 204 ? null : expect(found);
    },
    enabled: asked,
    retry: false,
  });
  if (!tenure.holdings.some(({ holding, state }) => holding === 'hosting' && state === 'live')) {
    return null;
  }

  return (
    <section className="mt-6" aria-label="Stay or move">
      <h3 className="text-lg">Stay or move?</h3>
      {!asked ? (
        <>
          <p className="text-soft">
            What staying costs from the next renewal on, against the best of everything else that fits your needs.
          </p>
          <Button className="mt-1" onClick={() => setAsked(true)}>
            Work it out
          </Button>
        </>
      ) : answer.error ? (
        <Failed error={answer.error} retry={() => void answer.refetch()} />
      ) : answer.data === undefined ? (
        <Waiting for="Going through every way to buy" />
      ) : answer.data === null ? (
        <p>The hosting does not renew within what is looked ahead to, so there is nothing to compare with.</p>
      ) : (
        <Worked answer={answer.data} />
      )}
    </section>
  );
}

function Worked({ answer }: { answer: Schemas['StayOrMoveWire'] }) {
  const { best, saving } = answer;
  const isCheaper = saving !== null && !saving.amount.startsWith('-');
  return (
    <>
      <p>
        From {longDay(answer.on)}, over {span(answer.months)}: staying costs {answer.stayingAtLeast && 'at least '}
        <b>{money(answer.staying.amount, answer.staying.currency)}</b>
        {answer.domain && (
          <>
            {' '}
            with <bdi>{answer.domain}</bdi>
          </>
        )}
        .{' '}
        {best ? (
          <>
            The best of everything else is <bdi>{best.words}</bdi>: {best.atLeast && 'at least '}
            <b>{money(best.costs.amount, best.costs.currency)}</b>.
          </>
        ) : (
          'Nothing else in the books fits your needs.'
        )}
      </p>
      {best && saving && (
        <p className={cx('mt-1 font-semibold', isCheaper && 'text-green')}>
          {isCheaper
            ? `Moving saves ${money(saving.amount, saving.currency)}. Begin by ${longDay(answer.lastDay)} at the latest, so that all is moved when it renews.`
            : `Staying is cheaper by ${money(saving.amount.slice(1), saving.currency)}.`}
        </p>
      )}
      {best && <Keep candidate={best.candidate} />}
      {best && (
        <details className="mt-2">
          <summary className="text-blue font-semibold">What moving takes</summary>
          <ol className="mt-1 list-decimal pl-6">
            {answer.takes.map((step) => (
              <li key={step}>{step}</li>
            ))}
          </ol>
        </details>
      )}
    </>
  );
}

/** Onto the shortlist, to be looked at as any other candidate. */
function Keep({ candidate }: { candidate: Schemas['CandidateWire'] }) {
  const { page } = useSite();
  const { letter, keep } = useKeep(candidate);
  return letter ? (
    <Announced className="mt-1">
      Kept as{' '}
      <Link to="/sites/$siteId/worksheet" params={{ siteId: page.id }} search={{ view: letter }} className="ink">
        candidate {letter}
      </Link>
      .
    </Announced>
  ) : (
    <Button className="mt-2" onClick={() => void keep()}>
      Keep it on the shortlist
    </Button>
  );
}
