import { useQuery } from '@tanstack/react-query';
import { getRouteApi } from '@tanstack/react-router';
import { orderQuery } from '../../api/wire/queries';
import { slipQuery } from '../../api/site/slip';
import { useSite } from '../../api/site/site';
import { Awaited } from '../../ui/said/Waiting';
import { BoughtForm } from './BoughtForm';

const route = getRouteApi('/sites/$siteId/bought');

/** Noting what was bought at the sellers' own pages, or telling it anew. */
export function BoughtPage() {
  const { page } = useSite();
  const { letter, costing } = page.worksheet;
  const { order: orderId } = route.useSearch();
  const slip = useQuery({ ...slipQuery(page.id, letter, page.revision), enabled: !orderId && costing !== null });
  const order = useQuery({ ...orderQuery(orderId ?? ''), enabled: Boolean(orderId) });
  const sellers = orderId
    ? order.data?.there?.receipts.map(({ book, seller, currency, workedOut }) => ({
        book,
        seller,
        currency,
        workedOut,
      }))
    : slip.data?.sellers.map(({ book, seller, currency, today }) => ({
        book,
        seller,
        currency,
        workedOut: today?.total ?? null,
      }));
  return (
    <div className="py-5">
      <title>{`Bought there · ${page.name} · Home Start`}</title>
      <h1 className="text-2xl">{orderId ? 'What you bought there' : `Note what you bought there: ${letter}`}</h1>
      <p className="text-soft max-w-2xl">
        {orderId
          ? 'Mend or fill in what you told.'
          : 'Say what you paid, and keep what they sent you. After that you are told here what renews, which prices go up and what was charged, as for anything ordered here.'}{' '}
        Leave out passwords, codes and card numbers: none is kept here.
      </p>
      {!orderId && costing === null ? (
        <p className="mt-3">Candidate {letter} is not complete: choose on its worksheet what you bought.</p>
      ) : !sellers || (orderId && !order.data) ? (
        <Awaited query={orderId ? order : slip} for="Looking up the sellers" />
      ) : (
        <BoughtForm sellers={sellers} order={orderId ? order.data! : null} />
      )}
    </div>
  );
}
