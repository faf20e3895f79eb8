import type { UseFormReturn } from 'react-hook-form';
import { useSite } from '../../../api/site/site';
import { renewingSellers, type OrderForm } from './form';

/** Whether it renews by itself: decided seller by seller, and changed under Upkeep whenever the owner likes. */
export function Renewing({ form }: { form: UseFormReturn<OrderForm> }) {
  const { page, books } = useSite();
  return (
    <fieldset className="mt-7">
      <legend>
        <h2 className="text-lg">Does it renew by itself?</h2>
      </legend>
      {renewingSellers(page.worksheet.candidate).map((book) => (
        <label key={book} className="flex gap-2.5 py-0.5">
          <input type="checkbox" defaultChecked {...form.register(`renews.${book}`)} />
          <span>
            yes, at <bdi>{books.find((known) => known.id === book)?.provider}</bdi>
          </span>
        </label>
      ))}
      <p className="text-soft text-sm">
        Without it, what you have there ends when the time you paid for is over; only what you commit to is charged
        until then. You can change it under Upkeep.
      </p>
    </fieldset>
  );
}
