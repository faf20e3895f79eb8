import { useState, type FormEvent } from 'react';
import { api, carriedOut, type Schemas } from '../../api/wire/client';
import { longDay } from '../../format/dates';
import { currencySign, money } from '../../format/money';
import { Button } from '../../ui/Button';
import { TextField } from '../../ui/fields/Field';
import { useChange, type Tenure } from './upkeep';
import { Announced } from '../../ui/said/Announced';

type Movement = Schemas['MovementWire'];

/** What nobody here can know of something bought at a seller's own page: it is asked. */
export function WasItTaken({ tenure }: { tenure: Tenure }) {
  const open = tenure.movements.filter(({ asks }) => asks).reverse();
  return open.length === 0 ? null : (
    <section className="border-blue mt-3 border-l-2 pl-3" aria-label="Was it taken?">
      <ul>
        {open.map((movement) => (
          <Question key={movement.line} tenure={tenure} movement={movement} />
        ))}
      </ul>
    </section>
  );
}

function Question({ tenure, movement }: { tenure: Tenure; movement: Movement }) {
  const [another, setAnother] = useState(false);
  const tell = useTelling(tenure, movement);
  const sum = money(movement.due, movement.currency);
  return (
    <li className="py-1.5">
      <p>
        <b>{sum}</b> {movement.cameBack ? 'was to come back from' : 'was due to'} <bdi>{movement.seller}</bdi> on{' '}
        {longDay(movement.on)}
        {!movement.cameBack && (
          <>
            , for <bdi>{movement.what}</bdi>
          </>
        )}
        . <b>{movement.cameBack ? 'Did it come?' : 'Was it taken?'}</b>
      </p>
      {another ? (
        <SumForm tenure={tenure} movement={movement} close={() => setAnother(false)} />
      ) : (
        <p className="mt-1 flex flex-wrap gap-3">
          <Button look="main" disabled={tell.isPending} onClick={() => tell.mutate({ taken: true })}>
            Yes, {sum}
          </Button>
          <Button disabled={tell.isPending} onClick={() => setAnother(true)}>
            Yes, another sum
          </Button>
          {(movement.mayHaveFailed || movement.cameBack) && (
            <Button disabled={tell.isPending} onClick={() => tell.mutate({ taken: false })}>
              No
            </Button>
          )}
        </p>
      )}
      {tell.error && <Announced className="text-red">{tell.error.message}</Announced>}
    </li>
  );
}

/** What was taken, or came back, as it stands on the statement. */
export function SumForm({ tenure, movement, close }: { tenure: Tenure; movement: Movement; close: () => void }) {
  const [total, setTotal] = useState(movement.seen ?? '');
  const tell = useTelling(tenure, movement);
  const submit = (event: FormEvent) => {
    event.preventDefault();
    tell.mutate({ taken: true, total }, { onSuccess: close });
  };
  return (
    <form onSubmit={submit} noValidate className="mt-1 flex flex-wrap items-end gap-3">
      <div className="w-48">
        <TextField
          label={`${movement.cameBack ? 'What came back' : 'What was taken'}, ${currencySign(movement.currency)}`}
          inputMode="decimal"
          value={total}
          onChange={(event) => setTotal(event.target.value)}
          fault={tell.error?.message}
        />
      </div>
      <Button type="submit" look="main" disabled={tell.isPending}>
        Hold it against what was due
      </Button>
      <Button onClick={close}>Leave it</Button>
    </form>
  );
}

function useTelling(tenure: Tenure, movement: Movement) {
  return useChange(async (told: { taken: boolean; total?: string }) =>
    carriedOut(
      await api.POST('/api/orders/{orderId}/upkeep/charges/{line}', {
        params: { path: { orderId: tenure.orderId, line: movement.line } },
        body: { version: tenure.version, ...told },
      }),
    ),
  );
}
