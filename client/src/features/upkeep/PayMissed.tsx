import { useState } from 'react';
import { useQuery } from '@tanstack/react-query';
import { api, carriedOut, type Schemas } from '../../api/wire/client';
import { sessionQuery } from '../../api/wire/queries';
import { longDay } from '../../format/dates';
import { money } from '../../format/money';
import { Button } from '../../ui/Button';
import { Dialog } from '../../ui/sheets/Dialog';
import { useChange, type Tenure } from './upkeep';
import { Announced } from '../../ui/said/Announced';

const ways = [
  ['card', 'By the card, once more'],
  ['balance', 'From your balance with the seller'],
  ['invoice', 'By bank transfer against an invoice'],
] as const;

/** Something was missed: paying it, by the card, from the balance or against an invoice. */
export function PayMissed({ tenure, held }: { tenure: Tenure; held: Schemas['HadWire'] }) {
  const [open, setOpen] = useState(false);
  const [way, setWay] = useState<(typeof ways)[number][0]>('card');
  const processor = useQuery(sessionQuery).data?.cardProcessor ?? '';
  const pay = useChange(async () =>
    carriedOut(
      await api.POST('/api/orders/{orderId}/upkeep/pay', {
        params: { path: { orderId: tenure.orderId } },
        body: { holding: held.holding, way },
      }),
    ),
  );
  const paying = tenure.paying?.holding === held.holding ? tenure.paying : null;
  const sum = money(held.owed!.amount, held.owed!.currency);
  if (tenure.payer.atTheSellers) {
    return (
      <>
        <Button look="main" disabled={pay.isPending} onClick={() => pay.mutate(undefined)}>
          I paid {sum} there
        </Button>
        {pay.error && <Announced className="text-red mt-2">{pay.error.message}</Announced>}
      </>
    );
  }

  return paying?.page ? (
    <p className="max-w-64">
      {money(paying.amount, paying.currency)} by bank transfer
      {paying.until && `, until ${longDay(paying.until)}`}:{' '}
      <a className="ink" href={processor + paying.page} target="_blank" rel="noreferrer">
        pay the invoice
      </a>
    </p>
  ) : (
    <>
      <Button look="main" onClick={() => setOpen(true)}>
        Pay {sum}
      </Button>
      <Dialog open={open} onOpenChange={setOpen} title={`Pay ${sum} for ${held.name}`}>
        <fieldset>
          <legend className="font-semibold">How you pay</legend>
          {ways.map(([value, name]) => (
            <label key={value} className="flex gap-2.5 py-0.5">
              <input type="radio" name="pay-missed" checked={way === value} onChange={() => setWay(value)} />
              <span>{name}</span>
            </label>
          ))}
        </fieldset>
        <p className="text-soft mt-2 text-sm">
          Another card is given on the page behind this, under “Later bills”; it pays what is tried again, and this too.
        </p>
        <Button
          look="main"
          className="mt-3"
          disabled={pay.isPending}
          onClick={() => pay.mutate(undefined, { onSuccess: () => setOpen(false) })}
        >
          Pay {sum}
        </Button>
        {pay.error && <Announced className="text-red mt-2">{pay.error.message}</Announced>}
      </Dialog>
    </>
  );
}
