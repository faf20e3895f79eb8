import { useQuery } from '@tanstack/react-query';
import { Link, useParams } from '@tanstack/react-router';
import type { Order } from '../../../api/wire/client';
import { orderQuery } from '../../../api/wire/queries';
import { longDay } from '../../../format/dates';
import { cx } from '../../../ui/cx';
import { Failed, Waiting } from '../../../ui/said/Waiting';
import { useSite } from '../../../api/site/site';
import { Agreed } from '../form/Agreed';
import { KeySheet } from './KeySheet';
import { WhatNow } from './WhatNow';
import { stateWords, statusWords, stepWords } from './words';
import { Announced } from '../../../ui/said/Announced';

/**
 * A placed order: its steps while they are carried out, what to do where one failed, the key sheet when all is done.
 */
export function PlacedPage() {
  const { page } = useSite();
  const { orderId } = useParams({ from: '/sites/$siteId/orders/$orderId' });
  const order = useQuery(orderQuery(orderId));
  if (!order.data) {
    return order.error ? (
      <Failed error={order.error} retry={() => void order.refetch()} />
    ) : (
      <Waiting for="Fetching the order" />
    );
  }

  const { state, reference, keySheet } = order.data;
  return (
    <div className="py-5">
      <title>{`${reference} · ${page.name} · Home Start`}</title>
      {keySheet ? (
        <KeySheet order={order.data} sheet={keySheet} />
      ) : (
        <>
          <h1 className="text-2xl">Order {reference}</h1>
          <Announced onlyChanges className="text-soft">
            Placed on {longDay(order.data.placedOn)}, {stateWords[state]}.
          </Announced>
          <p className="text-soft text-sm">
            You are{' '}
            <Link to="/sites/$siteId/mail" params={{ siteId: page.id }} search={{}} className="ink">
              written to
            </Link>{' '}
            about it. No mail after ten minutes? This is your reference: {reference}.
          </p>
          <div className="grid gap-x-14 lg:grid-cols-2">
            <Steps order={order.data} />
            <WhatNow order={order.data} />
          </div>
        </>
      )}
      {order.data.terms.length > 0 && (
        <details className="no-print mt-8 max-w-3xl">
          <summary className="text-blue cursor-pointer font-semibold">What you agreed to</summary>
          <Agreed sentences={order.data.terms} />
        </details>
      )}
    </div>
  );
}

function Steps({ order }: { order: Order }) {
  const done = order.steps.filter((step) => step.status === 'done').length;
  return (
    <section aria-label="Steps" className="mt-4">
      <progress
        className="accent-blue h-2 w-full max-w-md"
        max={order.steps.length}
        value={done}
        aria-label="Steps done"
      />
      <ol className="mt-2 max-w-2xl">
        {order.steps.map((step, index) => (
          <li
            key={step.kind + step.seller + step.way + (step.domain ?? '')}
            className="even:bg-band flex gap-3 px-2.5 py-1.5"
          >
            <span className="text-soft w-5 text-right">{index + 1}</span>
            <span className={cx('grow', (step.status === 'waiting' || step.status === 'dropped') && 'text-soft')}>
              <bdi>{stepWords(step)}</bdi>
            </span>
            <span
              className={cx(
                'font-semibold whitespace-nowrap',
                step.status === 'done'
                  ? 'text-green'
                  : step.status === 'refused' || step.status === 'no-answer'
                    ? 'text-red'
                    : 'text-soft',
              )}
            >
              {statusWords[step.status]}
            </span>
          </li>
        ))}
      </ol>
    </section>
  );
}
