import { Link, useNavigate } from '@tanstack/react-router';
import { useEffect, useRef, useState, type ReactNode } from 'react';
import { useForm, useWatch, type UseFormReturn } from 'react-hook-form';
import { useQuery, useQueryClient } from '@tanstack/react-query';
import { api, Refused, type Order } from '../../api/client';
import { sessionQuery } from '../../api/queries';
import { money } from '../../format/money';
import { Button } from '../../ui/Button';
import { TextField } from '../../ui/Field';
import { useSite } from '../../api/site';
import { Agreed } from './Agreed';
import { BesideTheForm } from './BesideTheForm';
import { CardFaults, cardToken } from './card';
import { CardSection } from './CardFields';
import { ContactFields } from './ContactFields';
import { empty, fieldOf, movedIn, paidToday, type OrderForm } from './form';
import { LastLook } from './LastLook';
import { LogInFields } from './LogInFields';
import { NextName } from './NextName';
import { PayWays } from './PayWays';
import { AnswerLost, findOrder, placeOrder, placingId } from './placing';

/** What stands in the way of an order besides faults of single fields. */
type Hindrance =
  | { kind: 'said'; words: string }
  | { kind: 'gone'; words: string }
  | { kind: 'repeated'; words: string }
  | { kind: 'lost' };

/** What is bought today, who buys it, the card, one last look, and the one button that spends money. */
export function OrderPage() {
  const { page } = useSite();
  const { costing, letter, terms, candidate } = page.worksheet;
  const form = useForm<OrderForm>({ defaultValues: empty });
  const pay = useWatch({ control: form.control, name: 'pay' });
  const { place, hindrance, askAgain } = usePlacing(form);
  const { isSubmitting, errors } = form.formState;

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
  const sellers = paidToday(costing, page.settings.startDate);
  const byCard = sellers.some((_, index) => (pay[index]?.way ?? 'card') === 'card');
  return (
    <form
      onSubmit={(event) => void place(false)(event)}
      noValidate
      className="grid gap-x-14 gap-y-8 py-5 lg:grid-cols-[minmax(0,46rem)_minmax(0,1fr)]"
    >
      <title>{`Order ${letter} · ${page.name} · Home Start`}</title>
      <div>
        <h1 className="text-2xl">
          Order {letter} for {sum}
        </h1>
        <LastLook costing={costing} />
        {terms && (
          <section className="mt-6" aria-labelledby="terms">
            <h2 id="terms" className="text-lg">
              What you agree to
            </h2>
            <Agreed sentences={terms.sentences} />
          </section>
        )}
        <ContactFields form={form} holdsDomain={page.worksheet.publicRecord !== null} />
        <TransferCodes form={form} domains={movedIn(candidate.domains)} />
        {candidate.hosting?.book && <LogInFields form={form} book={candidate.hosting.book} />}
        <PayWays form={form} sellers={sellers} />
        {byCard && <CardSection register={form.register} at="card." faults={errors.card} />}
        <section className="mt-7">
          <label className="flex gap-2.5">
            <input
              type="checkbox"
              {...form.register('agreed')}
              aria-invalid={errors.agreed ? true : undefined}
              aria-describedby={errors.agreed ? 'agreed-fault' : undefined}
            />
            <span>
              I have read what I buy, from whom, and what I agree to. It renews by itself until I cancel; the first
              price does not come back.
            </span>
          </label>
          {errors.agreed && (
            <p id="agreed-fault" className="text-red mt-1 pl-6 text-sm">
              {errors.agreed.message}
            </p>
          )}
        </section>
        {hindrance && (
          <InTheWay hindrance={hindrance} orderAgain={() => void place(true)()} askAgain={() => void askAgain()} />
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
      </div>
      <BesideTheForm control={form.control} />
    </form>
  );
}

/** The transfer code of each domain that is moved in; handed on to the registrar and kept nowhere here. */
function TransferCodes({ form, domains }: { form: UseFormReturn<OrderForm>; domains: readonly string[] }) {
  return domains.length === 0 ? null : (
    <section className="mt-7">
      <h2 className="text-lg">Moving your domain</h2>
      <p className="text-soft text-sm">
        Unlock it at its present seller and ask there for its transfer code. We hand the code on and do not keep it.
      </p>
      <div className="mt-3 grid gap-3 sm:grid-cols-2">
        {domains.map((domain, index) => (
          <TextField
            key={domain}
            label={`Transfer code of ${domain}`}
            autoComplete="off"
            spellCheck={false}
            {...form.register(`transfers.${index}`)}
            fault={form.formState.errors.transfers?.[index]?.message}
          />
        ))}
      </div>
    </section>
  );
}

/** Placing the order of the candidate in hand, and everything that may come of it. */
function usePlacing(form: ReturnType<typeof useForm<OrderForm>>) {
  const { page } = useSite();
  const { costing, letter } = page.worksheet;
  const session = useQuery(sessionQuery).data;
  const queries = useQueryClient();
  const navigate = useNavigate();
  const [hindrance, setHindrance] = useState<Hindrance | null>(null);

  const open = async (order: Order) => {
    placingId.drop(page.id, letter);
    queries.setQueryData(['order', order.id], order);
    await navigate({
      to: '/sites/$siteId/orders/$orderId',
      params: { siteId: page.id, orderId: order.id },
      search: { view: letter },
    });
  };

  const askAgain = async (patient = true) => {
    const id = placingId.kept(page.id, letter);
    const found = id ? await findOrder(id, patient) : 'absent';
    if (typeof found === 'object') {
      await open(found.order);
    } else if (patient) {
      setHindrance(
        found === 'unknown'
          ? { kind: 'lost' }
          : { kind: 'said', words: 'The order did not arrive: nothing was ordered. Order again when you like.' },
      );
    }
  };

  // What was sent before a reload may have been placed.
  const asked = useRef(false);
  useEffect(() => {
    if (!asked.current && placingId.kept(page.id, letter)) {
      asked.current = true;
      void askAgain(false);
    }
  });

  const sellers = costing ? paidToday(costing, page.settings.startDate) : [];
  const moved = movedIn(page.worksheet.candidate.domains);
  const place = ({ where }: { where: string }) =>
    fieldOf(
      where,
      sellers.map(({ book }) => book),
      moved,
    );

  const show = (error: unknown) => {
    if (error instanceof AnswerLost) {
      setHindrance({ kind: 'lost' });
      return;
    }

    const faults = error instanceof Refused ? error.faults : [];
    const fields = faults.filter((found) => place(found));
    fields.forEach((found) => form.setError(place(found)!, { message: found.message }));
    const others = faults.filter((found) => !fields.includes(found));
    if (others.some((found) => found.where === 'terms' || found.where === 'today')) {
      void queries.invalidateQueries({ queryKey: ['site', page.id] });
    }

    const repeated = others.find((found) => found.code === 'repeated');
    const gone = others.find((found) => found.where === 'domain');
    if (gone) {
      setHindrance({ kind: 'gone', words: gone.message });
    } else if (repeated) {
      setHindrance({ kind: 'repeated', words: repeated.message });
    } else if (others.length > 0) {
      setHindrance({ kind: 'said', words: others.map((found) => found.message).join(' ') });
    } else if (fields.length === 0) {
      setHindrance({ kind: 'said', words: (error as Error).message });
    }
  };

  const order = (again: boolean) =>
    form.handleSubmit(async ({ contact, holder, isHeldByOther, card, agreed, pay, transfers, logIn }) => {
      setHindrance(null);
      const payments = sellers.map(({ book }, index) => ({
        book,
        way: pay[index]?.way ?? ('card' as const),
        balance: pay[index]?.balance ?? false,
      }));
      const who = { contact, holder: isHeldByOther ? holder : null, agreed };
      const [given, checked] = await Promise.allSettled([
        payments.some(({ way }) => way === 'card') ? cardToken(session!.cardProcessor, card) : null,
        api.POST('/api/orders/check', { body: who }),
      ]);
      const typed = checked.status === 'fulfilled' ? checked.value : null;
      if (!typed) {
        setHindrance({
          kind: 'said',
          words: 'There is no connection to Home Start. Nothing was ordered; what you typed is still here.',
        });
      } else if (!typed.data) {
        show(new Refused(500, null));
      } else {
        typed.data.errors.forEach((found) => form.setError(found.where as 'agreed', { message: found.message }));
      }

      if (given.status === 'rejected') {
        if (!(given.reason instanceof CardFaults)) {
          throw given.reason;
        }

        given.reason.faults.forEach((fault) => form.setError(`card.${fault.field}`, { message: fault.message }));
      }

      if (given.status === 'rejected' || !typed?.data || typed.data.errors.length > 0) {
        requestAnimationFrame(() => document.querySelector<HTMLElement>('form [aria-invalid=true]')?.focus());
        return;
      }

      try {
        const placed = await placeOrder(page.id, {
          id: placingId.make(page.id, letter),
          revision: page.revision,
          letter,
          today: costing!.totals.dueToday,
          ...who,
          card: given.value,
          again,
          payments,
          transfers: moved.map((domain, index) => ({ domain, code: transfers[index] ?? '' })),
          logIn: logIn.user || logIn.passcode ? logIn : null,
          terms: page.worksheet.terms?.stamp ?? null,
        });
        if (placed === 'stale') {
          await queries.invalidateQueries({ queryKey: ['site', page.id] });
          setHindrance({
            kind: 'said',
            words: 'The worksheet was changed in another window. Check what you are buying once more, then order.',
          });
        } else {
          await open(placed);
        }
      } catch (error) {
        show(error);
      }
    });

  return { place: order, hindrance, askAgain: () => askAgain() };
}

function InTheWay({
  hindrance,
  orderAgain,
  askAgain,
}: {
  hindrance: Hindrance;
  orderAgain: () => void;
  askAgain: () => void;
}) {
  const { page } = useSite();
  const box = (words: string, actions?: ReactNode) => (
    <div
      role="alert"
      className="border-red text-red mt-4 flex flex-wrap items-baseline gap-x-4 gap-y-1 border-l-2 pl-3"
    >
      <p>{words}</p>
      {actions}
    </div>
  );
  switch (hindrance.kind) {
    case 'repeated':
      return box(
        hindrance.words,
        <>
          <Link to="/sites/$siteId/orders" params={{ siteId: page.id }} search={{}} className="ink">
            Look at your orders
          </Link>
          <Button look="text" onClick={orderAgain}>
            Order it a second time
          </Button>
        </>,
      );
    case 'gone':
      return box(hindrance.words, <NextName />);
    case 'lost':
      return box(
        'The connection was lost before an answer came: the order may have been placed. Do not order it anywhere else before you know.',
        <Button look="text" onClick={askAgain}>
          Ask what became of it
        </Button>,
      );
    default:
      return box(hindrance.words);
  }
}
