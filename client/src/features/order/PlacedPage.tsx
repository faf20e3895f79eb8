import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { Link, useParams } from '@tanstack/react-router';
import { useState } from 'react';
import { useForm } from 'react-hook-form';
import { api, expect, type Order, type Schemas } from '../../api/client';
import { orderQuery, sessionQuery } from '../../api/queries';
import { longDay } from '../../format/dates';
import { money } from '../../format/money';
import { Button } from '../../ui/Button';
import { cx } from '../../ui/cx';
import { Failed, Waiting } from '../../ui/Waiting';
import { useSite } from '../../api/site';
import { Agreed } from './Agreed';
import { CardFaults, cardToken, type Card } from './card';
import { CardFields } from './CardFields';
import { KeySheet } from './KeySheet';
import { stateWords, statusWords, stepWords } from './words';

/** A placed order: its steps while they are carried out, what to do where one failed, the key sheet when all is done. */
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
          <p className="text-soft" role="status">
            Placed on {longDay(order.data.placedOn)}, {stateWords[state]}.
          </p>
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
          <li key={step.kind + step.seller} className="even:bg-band flex gap-3 px-2.5 py-1.5">
            <span className="text-soft w-5 text-right">{index + 1}</span>
            <span className={cx('grow', step.status === 'waiting' && 'text-soft')}>
              <bdi>{stepWords(step)}</bdi>
            </span>
            <span
              className={cx(
                'font-semibold',
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

/** What happened, what was and was not charged, and what to do next. */
function WhatNow({ order }: { order: Order }) {
  const { problem, state } = order;
  const sum = money(order.total, order.currency);
  const taken = problem?.code === 'name-taken';
  if (state === 'working') {
    return (
      <p className="text-soft mt-4">
        This takes a few seconds. You can leave this page: it goes on by itself, and nothing is taken until all of it is
        done.
      </p>
    );
  }

  return (
    <section className="mt-5 flex max-w-2xl flex-col gap-3" aria-live="polite">
      {problem && (
        <p className="border-red text-red border-l-2 pl-3">
          {problem.code === 'no-answer' ? noAnswer[problem.step] : problem.message}
        </p>
      )}
      {state === 'needs-card' && (
        <>
          <p>Nothing was charged and nothing was bought. Give another card, or call the order off.</p>
          <AnotherCard order={order} />
        </>
      )}
      {state === 'needs-patience' && (
        <>
          <p>
            {order.charged
              ? 'Part of the money has been taken, for what was delivered.'
              : `${sum} is held on the card ending in ${order.cardEnding}; nothing has been taken.`}{' '}
            {order.canCancel
              ? 'Try again, or call it off: then what was done is undone and the money is released.'
              : 'The domain is registered, which cannot be undone. Try again: it will carry on where it stopped.'}
          </p>
          <Decisions order={order} />
        </>
      )}
      {state === 'undoing' && <p>What was done is being undone. Nothing is charged.</p>}
      {state === 'cancelled' && (
        <p>
          Nothing was charged: the money held was let go, and what had been prepared was taken back.{' '}
          <Link
            to={taken ? '/sites/$siteId/domain' : '/sites/$siteId/worksheet'}
            params={{ siteId: order.siteId }}
            search={{ view: order.letter }}
            className="ink"
          >
            {taken ? 'Choose another name' : 'Back to the worksheet'}
          </Link>
        </p>
      )}
    </section>
  );
}

const noAnswer: Record<Schemas['StepKind'], string> = {
  hold: 'The card processor is not answering.',
  prepare: 'The host is not answering.',
  register: 'The registrar is not answering.',
  join: 'The registrar is not answering, so the domain does not point at the hosting yet.',
  capture: 'Everything is delivered, but the card processor is not answering.',
};

function useDecision(order: Order) {
  const queries = useQueryClient();
  const accept = (decided: Order) => {
    queries.setQueryData(['order', order.id], decided);
    void queries.invalidateQueries({ queryKey: ['order', order.id] });
  };
  const params = { path: { orderId: order.id } };
  return {
    resume: useMutation({
      mutationFn: async (card: { token: string; ending: string } | null) =>
        expect(await api.POST('/api/orders/{orderId}/resume', { params, body: { card } })),
      onSuccess: accept,
    }),
    cancel: useMutation({
      mutationFn: async () => expect(await api.POST('/api/orders/{orderId}/cancel', { params })),
      onSuccess: accept,
    }),
  };
}

function Decisions({ order }: { order: Order }) {
  const { resume, cancel } = useDecision(order);
  const failed = resume.error ?? cancel.error;
  return (
    <div className="flex flex-wrap items-center gap-3">
      <Button look="main" disabled={resume.isPending} onClick={() => resume.mutate(null)}>
        Try again
      </Button>
      {order.canCancel && (
        <Button disabled={cancel.isPending} onClick={() => cancel.mutate()}>
          Call it off
        </Button>
      )}
      {failed && (
        <span role="alert" className="text-red">
          {failed.message}
        </span>
      )}
    </div>
  );
}

function AnotherCard({ order }: { order: Order }) {
  const processor = useQuery(sessionQuery).data?.cardProcessor ?? '';
  const { resume, cancel } = useDecision(order);
  const [fault, setFault] = useState<string | null>(null);
  const form = useForm<Card>({ defaultValues: { number: '', expires: '', code: '' } });
  const submit = form.handleSubmit(async (card) => {
    try {
      await resume.mutateAsync(await cardToken(processor, card));
    } catch (error) {
      if (error instanceof CardFaults) {
        error.faults.forEach((found) => form.setError(found.field, { message: found.message }));
      } else {
        setFault((error as Error).message);
      }
    }
  });
  return (
    <form onSubmit={(event) => void submit(event)} noValidate className="grid gap-3 sm:grid-cols-4">
      <CardFields register={form.register} faults={form.formState.errors} />
      <div className="flex flex-wrap gap-3 sm:col-span-4">
        <Button type="submit" look="main" disabled={form.formState.isSubmitting}>
          Pay with this card
        </Button>
        <Button disabled={cancel.isPending} onClick={() => cancel.mutate()}>
          Call it off
        </Button>
        {fault && (
          <span role="alert" className="text-red">
            {fault}
          </span>
        )}
      </div>
    </form>
  );
}
