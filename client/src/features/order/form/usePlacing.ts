import { useQuery, useQueryClient } from '@tanstack/react-query';
import { keys } from '../../../api/wire/keys';
import { useNavigate } from '@tanstack/react-router';
import { useEffect, useRef, useState } from 'react';
import type { UseFormReturn } from 'react-hook-form';
import { api, Refused, type Order } from '../../../api/wire/client';
import { faultsOf, showAtFields } from '../../../api/wire/faults';
import { sessionQuery } from '../../../api/wire/queries';
import { useSite } from '../../../api/site/site';
import { CardFaults, cardToken } from '../../../api/card';
import { fieldOf, movedIn, paidToday, renewingSellers, type OrderForm } from './form';
import { AnswerLost, findOrder, placeOrder, placingId } from './placing';
import { quotesQuery } from './quotes';
import { keepAnswer, renew } from '../../../api/wire/renew';

/** What stands in the way of an order besides faults of single fields. */
export type Hindrance =
  { kind: 'unconfirmed' } | { kind: 'lost' } | { kind: 'said' | 'gone' | 'repeated'; words: string };

/** Placing the order of the candidate in hand, and everything that may come of it. */
export function usePlacing(form: UseFormReturn<OrderForm>) {
  const { page } = useSite();
  const { costing, letter } = page.worksheet;
  const session = useQuery(sessionQuery).data;
  const queries = useQueryClient();
  const navigate = useNavigate();
  const [hindrance, setHindrance] = useState<Hindrance | null>(null);

  const open = async (order: Order) => {
    placingId.drop(page.id, letter);
    await keepAnswer(queries, keys.order(order.id), order);
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
  const place = (where: string) =>
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

    const faults = faultsOf(error);
    const others = showAtFields(form, faults, place);
    const fields = faults.filter((found) => !others.includes(found));
    if (others.some((found) => found.where === 'terms' || found.where === 'today')) {
      void renew(queries, { queryKey: keys.site(page.id) });
    }

    if (others.some((found) => found.where.startsWith('quotes.'))) {
      void renew(queries, { queryKey: keys.quotes(page.id) });
    }

    const repeated = others.find((found) => found.code === 'repeated');
    const gone = others.find((found) => found.where === 'domain');
    if (gone) {
      setHindrance({ kind: 'gone', words: gone.message });
    } else if (repeated) {
      setHindrance({ kind: 'repeated', words: repeated.message });
    } else if (others.length > 0) {
      setHindrance({ kind: 'said', words: others.map((found) => found.message).join(' ') });
    } else {
      setHindrance({
        kind: 'said',
        words:
          fields.length === 0
            ? (error as Error).message
            : `Nothing was ordered. ${fields.length === 1 ? 'One answer needs' : `${fields.length} answers need`} mending: ${fields.map((found) => found.message).join(' ')}`,
      });
    }

    leadToFault();
  };

  const order = (again: boolean) =>
    form.handleSubmit(async ({ contact, holder, isHeldByOther, card, agreed, pay, transfers, logIn, renews }) => {
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
        typed.data.errors
          .filter((found) => found.code !== 'unconfirmed')
          .forEach((found) => form.setError(found.where as 'agreed', { message: found.message }));
      }

      if (given.status === 'rejected') {
        if (!(given.reason instanceof CardFaults)) {
          throw given.reason;
        }

        given.reason.faults.forEach((fault) => form.setError(`card.${fault.field}`, { message: fault.message }));
      }

      if (
        given.status === 'fulfilled' &&
        typed?.data?.errors.length === 1 &&
        typed.data.errors[0]!.code === 'unconfirmed'
      ) {
        setHindrance({ kind: 'unconfirmed' });
        return;
      }

      if (given.status === 'rejected' || !typed?.data || typed.data.errors.length > 0) {
        leadToFault();
        return;
      }

      const country = who.holder?.country || contact.country;
      const quoted = await queries
        .fetchQuery(quotesQuery(page.id, page.revision, letter, country))
        .catch((error: unknown) => error as Error);
      if (quoted instanceof Error) {
        show(quoted);
        return;
      }

      if (quoted.differences.length > 0) {
        setHindrance({
          kind: 'said',
          words: `Nothing was ordered. ${quoted.differences.map(({ message }) => message).join(' ')}`,
        });
        return;
      }

      try {
        const placed = await placeOrder(page.id, {
          id: placingId.make(page.id, letter),
          revision: page.revision,
          letter,
          today: costing!.totals.dueToday,
          ...who,
          card: given.value ? { token: given.value.token } : null,
          again,
          quotes: quoted.quotes.map(({ book, id, total }) => ({ book, id, total })),
          payments,
          transfers: moved.map((domain, index) => ({ domain, code: transfers[index] ?? '' })),
          logIn: logIn.user || logIn.passcode ? logIn : null,
          endingAt: renewingSellers(page.worksheet.candidate).filter((book) => renews[book] === false),
          terms: page.worksheet.terms?.stamp ?? null,
        });
        if (placed === 'stale') {
          await renew(queries, { queryKey: keys.site(page.id) });
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

/** To the first answer that needs mending, once its fault is drawn, which may take some frames. */
function leadToFault(frames = 30): void {
  requestAnimationFrame(() => {
    const field = document.querySelector<HTMLElement>('form [aria-invalid=true]');
    if (field) {
      field.focus();
    } else if (frames > 0) {
      leadToFault(frames - 1);
    }
  });
}
