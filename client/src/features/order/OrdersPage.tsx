import { useQuery } from '@tanstack/react-query';
import { Link } from '@tanstack/react-router';
import { ordersQuery } from '../../api/queries';
import { shortDay } from '../../format/dates';
import { money } from '../../format/money';
import { Failed, Waiting } from '../../ui/Waiting';
import { useSite } from '../site/SiteContext';
import { stateWords } from './words';

/** Every order of this visitor; each leads to its progress or its key sheet. */
export function OrdersPage() {
  const { page } = useSite();
  const orders = useQuery({ ...ordersQuery, refetchOnMount: 'always' });
  if (orders.error) {
    return <Failed error={orders.error} retry={() => void orders.refetch()} />;
  }

  if (!orders.data) {
    return <Waiting for="Fetching your orders" />;
  }

  return (
    <div className="max-w-4xl py-5">
      <title>{`Orders · ${page.name} · Home Start`}</title>
      <h1 className="text-2xl">Orders and key sheets</h1>
      {orders.data.length === 0 ? (
        <p className="mt-2">
          Nothing is ordered yet. When you order a candidate from{' '}
          <Link to="/sites/$siteId/worksheet" params={{ siteId: page.id }} search={{}} className="ink">
            its worksheet
          </Link>
          , its key sheet is kept here.
        </p>
      ) : (
        <table className="mt-3 w-full text-left">
          <thead>
            <tr className="text-soft [&>*]:border-ink [&>*]:border-b [&>*]:px-2.5 [&>*]:py-1.5 [&>*]:text-[13px] [&>*]:font-semibold">
              <th scope="col">Reference</th>
              <th scope="col">Placed</th>
              <th scope="col">What</th>
              <th scope="col">State</th>
              <th scope="col" className="text-right">
                Today’s sum
              </th>
            </tr>
          </thead>
          <tbody>
            {orders.data.map((order) => (
              <tr key={order.id} className="odd:bg-band [&>*]:px-2.5 [&>*]:py-1.5">
                <th scope="row" className="font-normal">
                  <Link
                    to="/sites/$siteId/orders/$orderId"
                    params={{ siteId: order.siteId, orderId: order.id }}
                    search={{}}
                    className="ink whitespace-nowrap"
                  >
                    {order.reference}
                  </Link>
                </th>
                <td className="whitespace-nowrap">{shortDay(order.placedOn)}</td>
                <td>
                  <bdi>{order.items.map((item) => item.what).join('; ')}</bdi>
                </td>
                <td>{stateWords[order.state]}</td>
                <td className="text-right">{money(order.total, order.currency)}</td>
              </tr>
            ))}
          </tbody>
        </table>
      )}
    </div>
  );
}
