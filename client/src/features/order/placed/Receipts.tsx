import type { Order, Schemas } from '../../../api/wire/client';

/** What each seller was paid, to take away. */
export function Receipts({ order }: { order: Order }) {
  return order.receipts.length === 0 ? null : (
    <>
      <h2 className="no-print mt-5 text-lg">Receipts</h2>
      <ul className="no-print">
        {order.receipts.map((receipt) => (
          <li key={receipt.book}>
            <bdi>{receipt.seller}</bdi>: <Files orderId={order.id} receipt={receipt} />
          </li>
        ))}
      </ul>
    </>
  );
}

/** The open invoice of a seller. */
export function InvoiceLinks({ order, seller }: { order: Order; seller: string }) {
  const invoice = order.receipts.find((receipt) => receipt.seller === seller);
  return invoice ? (
    <p>
      Invoice <strong>{invoice.number}</strong>: <Files orderId={order.id} receipt={invoice} />
    </p>
  ) : null;
}

function Files({ orderId, receipt }: { orderId: string; receipt: Schemas['ReceiptWire'] }) {
  const address = `/api/orders/${orderId}/receipts/${receipt.book}`;
  return (
    <>
      <a className="ink" download href={`${address}.pdf`}>
        PDF<span className="sr-only"> from {receipt.seller}</span>
      </a>
      {', '}
      <a className="ink" download href={`${address}.xml`}>
        for accounting programs (UBL)<span className="sr-only"> from {receipt.seller}</span>
      </a>
    </>
  );
}
