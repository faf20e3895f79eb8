import type { FieldErrors, FieldValues, Path, UseFormRegister } from 'react-hook-form';
import { TextField } from './Field';
import type { Card } from '../../api/card';

/**
 * The three fields of a card, wherever they stand in a form. The number leaves the browser for the card processor
 * alone.
 */
export function CardFields<T extends FieldValues>({
  register,
  at = '',
  faults,
}: {
  register: UseFormRegister<T>;
  /** Where the card stands in the form: "card." or nothing. */
  at?: string;
  faults: FieldErrors<Card> | undefined;
}) {
  const field = (name: keyof Card) => ({
    ...register(`${at}${name}` as Path<T>),
    required: true,
    fault: faults?.[name]?.message,
  });
  return (
    <>
      <TextField label="Card number" wide inputMode="numeric" autoComplete="cc-number" {...field('number')} />
      <TextField label="Expires" placeholder="MM/YY" autoComplete="cc-exp" {...field('expires')} />
      <TextField label="Code" inputMode="numeric" autoComplete="cc-csc" {...field('code')} />
    </>
  );
}

/** The card of an order, with what an owner wants to know before they type it. */
export function CardSection<T extends FieldValues>(props: Parameters<typeof CardFields<T>>[0]) {
  return (
    <section className="mt-7">
      <h2 className="text-lg">Card</h2>
      <p className="text-soft text-sm">
        The number goes straight to the card processor, not to us. Everything here is simulated, so use a made-up card.
        9999 0000 0000 0004 works. 9999 5100 0000 0002 is refused. With 9999 5700 0000 0006 the bank asks you to
        confirm. 9999 5200 0000 0001 pays now and is refused at the next renewal.
      </p>
      <div className="mt-3 grid gap-3 sm:grid-cols-4">
        <CardFields {...props} />
      </div>
    </section>
  );
}
