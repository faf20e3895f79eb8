import { api, carriedOut } from '../../api/wire/client';
import { longDay } from '../../format/dates';
import { Button } from '../../ui/Button';
import { useChange, type Tenure } from './upkeep';
import { Announced } from '../../ui/said/Announced';

/** Of what was bought at the sellers' own pages: who takes later bills, and that they have a card that works again. */
export function PaidThere({ tenure }: { tenure: Tenure }) {
  const { works, expires } = tenure.payer;
  const again = useChange(async () =>
    carriedOut(
      await api.POST('/api/orders/{orderId}/upkeep/decisions', {
        params: { path: { orderId: tenure.orderId } },
        body: { version: tenure.version, decision: { on: tenure.decidingOn, do: 'card', value: 'works' } },
      }),
    ),
  );
  return (
    <section aria-label="Later bills">
      <h3 className="text-lg">Later bills</h3>
      <p>
        The sellers take them, from what you gave them.
        {expires && ` Your card there is good until ${longDay(expires)}.`} Nobody here sees that: after each one you are
        asked.
      </p>
      {!works && (
        <>
          <p className="text-red mt-1">You said that the last one was not taken. Give them a card that works.</p>
          <Button className="mt-1" disabled={again.isPending} onClick={() => again.mutate(undefined)}>
            They have a card that works now
          </Button>
        </>
      )}
      {again.error && <Announced className="text-red">{again.error.message}</Announced>}
    </section>
  );
}
