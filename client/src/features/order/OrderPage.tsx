import { Link, useNavigate } from '@tanstack/react-router';
import { useState } from 'react';
import { useForm } from 'react-hook-form';
import { useQuery, useQueryClient } from '@tanstack/react-query';
import { api, Refused } from '../../api/client';
import { sessionQuery } from '../../api/queries';
import { money } from '../../format/money';
import { Button } from '../../ui/Button';
import { useSite } from '../site/SiteContext';
import { CardFault, cardToken, type Card } from './card';
import { CardSection } from './CardFields';
import { ContactFields, type Contact } from './ContactFields';
import { LastLook } from './LastLook';

export interface OrderForm {
  contact: Contact;
  card: Card;
  agreed: boolean;
}

const empty: OrderForm = {
  contact: { name: '', mail: '', street: '', town: '', postcode: '', country: 'GB', telephone: '' },
  card: { number: '', expires: '', code: '' },
  agreed: false,
};

/** What is bought today, who buys it, the card, one last look, and the one button that spends money. */
export function OrderPage() {
  const { page } = useSite();
  const { costing, letter } = page.worksheet;
  const session = useQuery(sessionQuery).data;
  const queries = useQueryClient();
  const navigate = useNavigate();
  // Made once for this page: pressing twice places one order.
  const [id] = useState(() => crypto.randomUUID());
  const [fault, setFault] = useState<string | null>(null);
  const form = useForm<OrderForm>({ defaultValues: empty });
  const { isSubmitting } = form.formState;

  const place = form.handleSubmit(async ({ contact, card, agreed }) => {
    setFault(null);
    try {
      const given = await cardToken(session!.cardProcessor, card);
      const body = {
        id,
        revision: page.revision,
        letter,
        today: costing!.totals.dueToday,
        contact,
        card: given,
        agreed,
      };
      const answer = await api.POST('/api/sites/{siteId}/orders', {
        params: { path: { siteId: page.id } },
        body: body as never,
      });
      if (answer.response.status === 409) {
        await queries.invalidateQueries({ queryKey: ['site', page.id] });
        setFault('The worksheet was changed in another window. Look at what you buy once more, then order.');
        return;
      }

      if (answer.data === undefined) {
        throw new Refused(answer.response.status, answer.error);
      }

      queries.setQueryData(['order', answer.data.id], answer.data);
      await navigate({
        to: '/sites/$siteId/orders/$orderId',
        params: { siteId: page.id, orderId: answer.data.id },
        search: { view: letter },
      });
    } catch (error) {
      show(error as Error);
    }
  });

  const show = (error: Error) => {
    if (error instanceof CardFault) {
      form.setError(`card.${error.field}`, { message: error.message }, { shouldFocus: true });
      return;
    }

    const faults = error instanceof Refused ? error.faults : [];
    const placed = faults.filter((found) => found.where.startsWith('contact.') || found.where === 'agreed');
    placed.forEach((found, index) =>
      form.setError(found.where as 'agreed', { message: found.message }, { shouldFocus: index === 0 }),
    );
    const others = faults.filter((found) => !placed.includes(found)).map((found) => found.message);
    setFault(
      others.length > 0
        ? others.join(' ')
        : placed.length > 0
          ? null
          : error instanceof Refused
            ? error.message
            : 'There is no connection to Home Start. Nothing was ordered; what you typed is still here.',
    );
  };

  if (!costing) {
    return (
      <div className="py-6">
        <h1 className="text-2xl">Order {letter}</h1>
        <p className="mt-2">
          There is nothing to order yet.{' '}
          <Link to="/sites/$siteId/worksheet" params={{ siteId: page.id }} search={{ view: letter }} className="ink">
            Choose what is missing on the worksheet
          </Link>
          .
        </p>
      </div>
    );
  }

  const sum = money(costing.totals.dueToday, costing.totals.currency);
  return (
    <form onSubmit={(event) => void place(event)} noValidate className="max-w-3xl py-5">
      <title>{`Order ${letter} · ${page.name} · Home Start`}</title>
      <h1 className="text-2xl">
        Order {letter} for {sum}
      </h1>
      <LastLook costing={costing} />
      <ContactFields form={form} />
      <CardSection register={form.register} at="card." faults={form.formState.errors.card} />
      <section className="mt-7">
        <label className="flex gap-2.5">
          <input
            type="checkbox"
            {...form.register('agreed', { required: 'Tick this once you have read it.' })}
            aria-invalid={form.formState.errors.agreed ? true : undefined}
          />
          <span>
            I have read what I buy, from whom, and what it costs later. It renews by itself until I cancel; the first
            price does not come back.
          </span>
        </label>
        {form.formState.errors.agreed && (
          <p className="text-red mt-1 pl-6 text-sm">{form.formState.errors.agreed.message}</p>
        )}
      </section>
      {fault && (
        <p role="alert" className="border-red text-red mt-4 border-l-2 pl-3">
          {fault}
        </p>
      )}
      <div className="mt-5 flex flex-wrap items-center gap-4">
        <Button type="submit" look="main" disabled={isSubmitting}>
          {isSubmitting ? 'Placing the order …' : `Order ${letter} and pay ${sum}`}
        </Button>
        <Link to="/sites/$siteId/worksheet" params={{ siteId: page.id }} search={{ view: letter }} className="ink">
          Back to the worksheet
        </Link>
      </div>
      <p className="text-soft mt-2 text-sm">The money is held first and taken only when everything is delivered.</p>
    </form>
  );
}
