import type { UseFormReturn } from 'react-hook-form';
import { TextField } from '../../ui/Field';
import type { OrderForm } from './OrderPage';

/** The card. Its number leaves the browser for the card processor alone. */
export function CardFields({ form }: { form: UseFormReturn<OrderForm> }) {
  const faults = form.formState.errors.card;
  return (
    <section className="mt-7">
      <h2 className="text-lg">Card</h2>
      <p className="text-soft text-sm">
        The number goes straight to the card processor, not to us. Everything here is simulated: 9999 0000 0000 0004 is
        a card that works, 9999 5100 0000 0002 one that is refused.
      </p>
      <div className="mt-3 grid gap-3 sm:grid-cols-4">
        <TextField
          label="Card number"
          wide
          inputMode="numeric"
          autoComplete="cc-number"
          fault={faults?.number?.message}
          {...form.register('card.number', { required: 'Type the card number.' })}
        />
        <TextField
          label="Expires"
          placeholder="MM/YY"
          autoComplete="cc-exp"
          fault={faults?.expires?.message}
          {...form.register('card.expires', { required: 'Type month and year.' })}
        />
        <TextField
          label="Code"
          inputMode="numeric"
          autoComplete="cc-csc"
          fault={faults?.code?.message}
          {...form.register('card.code', { required: 'Type the code.' })}
        />
      </div>
    </section>
  );
}
