import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { keys } from '../../../api/wire/keys';
import { Link } from '@tanstack/react-router';
import { useState } from 'react';
import { useForm } from 'react-hook-form';
import { api, expect, type Order, type Schemas } from '../../../api/wire/client';
import { sessionQuery } from '../../../api/wire/queries';
import { longDay } from '../../../format/dates';
import { money } from '../../../format/money';
import { Button } from '../../../ui/Button';
import { CardFaults, cardToken, type Card } from '../../../api/card';
import { CardFields } from '../../../ui/fields/CardFields';
import { InvoiceLinks } from './Receipts';
import { Announced } from '../../../ui/said/Announced';
import { renew } from '../../../api/wire/renew';

/** What happened, what was and was not charged, and what to do next. */
export function WhatNow({ order }: { order: Order }) {
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
    <section className="mt-5 flex max-w-2xl flex-col gap-3">
      {problem && (
        <Announced className="border-red text-red border-l-2 pl-3">
          {problem.code === 'no-answer' ? noAnswer[problem.step] : problem.message}
        </Announced>
      )}
      <Waits order={order} />
      {state === 'needs-payment' && (
        <>
          <Announced>Nothing was charged and nothing was bought. Pay another way, or call the order off.</Announced>
          <AnotherWay order={order} />
        </>
      )}
      {state === 'needs-patience' && (
        <>
          <p>
            {order.charged
              ? 'Part of the money has been taken, for what was delivered.'
              : `${sum} is held; nothing has been taken.`}{' '}
            {order.canCancel
              ? 'Try again, or call it off: then what was done is undone and the money is released.'
              : 'A domain is yours already, which cannot be undone. Try again: it will carry on where it stopped.'}
          </p>
          <Decisions order={order} again />
        </>
      )}
      {state === 'undoing' && <p>What was done is being undone. Nothing is charged.</p>}
      {state === 'cancelled' && (
        <p>
          Nothing was charged: the money held was let go, and what had been prepared was taken back.
          {problem?.code === 'transfer-refused' &&
            ' Ask the present seller why, settle it there, then order again: your domain is where it was.'}{' '}
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
  hold: 'The payment processor is not answering.',
  prepare: 'The host is not answering.',
  transfer: 'The registrar is not answering.',
  register: 'The registrar is not answering.',
  join: 'The registrar is not answering, so the domain does not point at the hosting yet.',
  capture: 'Everything is delivered, but the payment processor is not answering.',
};

/** What waits outside: the bank or wallet for a yes, an invoice for its money, a domain for its present seller. */
function Waits({ order }: { order: Order }) {
  const processor = useQuery(sessionQuery).data?.cardProcessor ?? '';
  const pending = order.steps.filter((step) => step.status === 'pending');
  const isWaiting = ['needs-confirmation', 'needs-transfer', 'needs-time'].includes(order.state);
  return (
    <>
      {pending.map((step) => (
        <div key={step.kind + step.seller + step.way + (step.domain ?? '')}>
          {step.kind === 'transfer' ? (
            <p>
              {step.domain} is on its way to <bdi>{step.seller}</bdi>
              {step.until && `, and should be there on ${longDay(step.until)}`}. {step.said} Until it has come nothing
              is taken; if it is refused, all is undone.
            </p>
          ) : step.way === 'invoice' ? (
            <>
              <p>
                Pay {money(step.amount!, step.currency!)} to <bdi>{step.seller}</bdi> by bank transfer
                {step.until && ` until ${longDay(step.until)}`}, and give the number of the invoice. {step.said} Nothing
                is prepared before it is paid.
              </p>
              <InvoiceLinks order={order} seller={step.seller} />
            </>
          ) : (
            <p>
              {step.way === 'wallet' ? 'Your wallet' : 'Your bank'} wants you to say yes to{' '}
              {money(step.amount!, step.currency!)} for <bdi>{step.seller}</bdi>, on its own page.
            </p>
          )}
          {step.page && (
            <a
              className="bg-blue text-on-blue border-blue mt-2 inline-block rounded border px-4 py-2 font-semibold hover:opacity-90"
              href={processor + step.page}
            >
              {step.way === 'invoice'
                ? 'Pay it at the simulated bank'
                : step.way === 'wallet'
                  ? 'Go to the wallet'
                  : 'Go to the bank’s page'}
            </a>
          )}
        </div>
      ))}
      {isWaiting && <Decisions order={order} />}
    </>
  );
}

function useDecision(order: Order) {
  const queries = useQueryClient();
  const accept = (decided: Order) => {
    queries.setQueryData(keys.order(order.id), decided);
    void renew(queries, { queryKey: keys.order(order.id) });
  };
  const params = { path: { orderId: order.id } };
  return {
    resume: useMutation({
      mutationFn: async (other: Schemas['ResumeOrderBody']) =>
        expect(await api.POST('/api/orders/{orderId}/resume', { params, body: other })),
      onSuccess: accept,
    }),
    look: useMutation({
      mutationFn: async () => expect(await api.POST('/api/orders/{orderId}/look', { params })),
      onSuccess: accept,
    }),
    cancel: useMutation({
      mutationFn: async () => expect(await api.POST('/api/orders/{orderId}/cancel', { params })),
      onSuccess: accept,
    }),
  };
}

function Decisions({ order, again = false }: { order: Order; again?: boolean }) {
  const { resume, look, cancel } = useDecision(order);
  const failed = resume.error ?? look.error ?? cancel.error;
  return (
    <div className="flex flex-wrap items-center gap-3">
      {again ? (
        <Button look="main" disabled={resume.isPending} onClick={() => resume.mutate({})}>
          Try again
        </Button>
      ) : (
        <Button disabled={look.isPending} onClick={() => look.mutate()}>
          Look again
        </Button>
      )}
      {order.canCancel && (
        <Button disabled={cancel.isPending} onClick={() => cancel.mutate()}>
          Call it off
        </Button>
      )}
      {failed && (
        <Announced as="span" className="text-red">
          {failed.message}
        </Announced>
      )}
    </div>
  );
}

const others = [
  ['card', 'Another card, or the same once more'],
  ['wallet', 'Wallet: you are sent to its page and back'],
  ['invoice', 'Bank transfer against an invoice, due in 14 days'],
] as const;

function AnotherWay({ order }: { order: Order }) {
  const processor = useQuery(sessionQuery).data?.cardProcessor ?? '';
  const { resume, cancel } = useDecision(order);
  const [fault, setFault] = useState<string | null>(null);
  const [way, setWay] = useState<(typeof others)[number][0]>('card');
  const form = useForm<Card>({ defaultValues: { number: '', expires: '', code: '' } });
  const submit = form.handleSubmit(async (card) => {
    setFault(null);
    try {
      await resume.mutateAsync({
        way,
        card: way === 'card' ? { token: (await cardToken(processor, card)).token } : null,
      });
    } catch (error) {
      if (error instanceof CardFaults) {
        error.faults.forEach((found) => form.setError(found.field, { message: found.message }));
      } else {
        setFault((error as Error).message);
      }
    }
  });
  return (
    <form onSubmit={(event) => void submit(event)} noValidate className="flex flex-col gap-3">
      <fieldset>
        <legend className="font-semibold">How you pay</legend>
        {others.map(([value, name]) => (
          <label key={value} className="flex gap-2.5 py-0.5">
            <input type="radio" name="other-way" value={value} checked={way === value} onChange={() => setWay(value)} />
            <span>{name}</span>
          </label>
        ))}
      </fieldset>
      {way === 'card' && (
        <div className="grid gap-3 sm:grid-cols-4">
          <CardFields register={form.register} faults={form.formState.errors} />
        </div>
      )}
      <div className="flex flex-wrap gap-3">
        <Button type="submit" look="main" disabled={form.formState.isSubmitting}>
          {way === 'card' ? 'Pay with this card' : 'Pay this way'}
        </Button>
        <Button disabled={cancel.isPending} onClick={() => cancel.mutate()}>
          Call it off
        </Button>
        {fault && (
          <Announced as="span" className="text-red">
            {fault}
          </Announced>
        )}
      </div>
    </form>
  );
}
