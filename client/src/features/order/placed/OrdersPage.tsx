import { useQuery } from '@tanstack/react-query';
import { Link } from '@tanstack/react-router';
import { ordersQuery } from '../../../api/wire/queries';
import { shortDay } from '../../../format/dates';
import { money } from '../../../format/money';
import { Failed, Waiting } from '../../../ui/said/Waiting';
import { useSite } from '../../../api/site/site';
import { stateWords } from './words';
import { Head, Heads, InNarrow, Row, Table } from '../../../ui/Table';

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
          , or note what you bought at a seller’s own page, its key sheet is kept here.
        </p>
      ) : (
        <Table stacks className="mt-3 w-full" caption="Your orders, the newest first">
          <Heads>
            <Head>Reference</Head>
            <Head>Placed</Head>
            <Head>What</Head>
            <Head>State</Head>
            <Head figures>Today’s sum</Head>
          </Heads>
          <tbody>
            {orders.data.map((order) => (
              <Row
                key={order.id}
                label={
                  <>
                    <Link
                      to="/sites/$siteId/orders/$orderId"
                      params={{ siteId: order.siteId, orderId: order.id }}
                      search={{}}
                      className="ink whitespace-nowrap"
                    >
                      {order.reference}
                    </Link>
                  </>
                }
              >
                <td className="whitespace-nowrap">
                  <InNarrow>placed</InNarrow>
                  {shortDay(order.placedOn)}
                </td>
                <td>
                  <bdi>{order.items.map((item) => item.what).join('; ')}</bdi>
                </td>
                <td>{order.there ? 'paid at the seller' : stateWords[order.state]}</td>
                <td className="text-right">{money(order.total, order.currency)}</td>
              </Row>
            ))}
          </tbody>
        </Table>
      )}
    </div>
  );
}
