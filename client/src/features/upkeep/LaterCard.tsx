import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { useForm } from 'react-hook-form';
import { CardFaults, cardToken, type Card } from '../../api/card';
import { api, carriedOut } from '../../api/wire/client';
import { sessionQuery } from '../../api/wire/queries';
import { longDay } from '../../format/dates';
import { Button } from '../../ui/Button';
import { CardFields } from '../../ui/fields/CardFields';
import { useChange, type Tenure } from './upkeep';
import { Announced } from '../../ui/said/Announced';

/** What later bills are charged to, and another card in its place. */
export function LaterCard({ tenure }: { tenure: Tenure }) {
  const [open, setOpen] = useState(false);
  const { cardEnding, wallet, expires, works } = tenure.payer;
  return (
    <section aria-label="Later bills">
      <h3 className="text-lg">Later bills</h3>
      <p className={works && (cardEnding ?? wallet) ? undefined : 'text-red'}>
        {cardEnding
          ? `They are charged to the card that ends in ${cardEnding}${expires ? `, good until ${longDay(expires)}` : ''}.`
          : wallet
            ? 'They are charged to your wallet.'
            : 'There is no card they could be charged to.'}
        {!works && cardEnding && ' It was refused.'}
      </p>
      {open ? (
        <AnotherCard tenure={tenure} close={() => setOpen(false)} />
      ) : (
        <Button look="text" className="mt-1 text-sm" onClick={() => setOpen(true)}>
          {cardEnding ? 'Give another card' : 'Give a card'}
        </Button>
      )}
    </section>
  );
}

function AnotherCard({ tenure, close }: { tenure: Tenure; close: () => void }) {
  const processor = useQuery(sessionQuery).data?.cardProcessor ?? '';
  const [fault, setFault] = useState<string | null>(null);
  const form = useForm<Card>({ defaultValues: { number: '', expires: '', code: '' } });
  const give = useChange(async ({ token }: { token: string }) =>
    carriedOut(
      await api.POST('/api/orders/{orderId}/upkeep/card', {
        params: { path: { orderId: tenure.orderId } },
        body: { card: { token } },
      }),
    ),
  );
  const submit = form.handleSubmit(async (card) => {
    setFault(null);
    try {
      await give.mutateAsync(await cardToken(processor, card));
      close();
    } catch (error) {
      if (error instanceof CardFaults) {
        error.faults.forEach((found) => form.setError(found.field, { message: found.message }));
      } else {
        setFault((error as Error).message);
      }
    }
  });
  return (
    <form onSubmit={(event) => void submit(event)} noValidate className="mt-2 flex max-w-md flex-col gap-3">
      <div className="grid gap-3 sm:grid-cols-2">
        <CardFields register={form.register} faults={form.formState.errors} />
      </div>
      <div className="flex gap-3">
        <Button type="submit" look="main" disabled={form.formState.isSubmitting}>
          Charge later bills to this card
        </Button>
        <Button onClick={close}>Keep the one there is</Button>
      </div>
      {fault && <Announced className="text-red">{fault}</Announced>}
    </form>
  );
}
