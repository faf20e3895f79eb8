import { useMutation } from '@tanstack/react-query';
import type { ReactNode } from 'react';
import { api, expect, type Order, type Schemas } from '../../api/client';
import { longDay, shortDay } from '../../format/dates';
import { money } from '../../format/money';
import { Button } from '../../ui/Button';
import { Note } from '../../ui/Note';

/** What to keep after the order: where to log in, the addresses, what is paid until when. Printable; no secret stands on it. */
export function KeySheet({ order, sheet }: { order: Order; sheet: Schemas['KeySheetWire'] }) {
  return (
    <>
      <div className="flex flex-wrap items-baseline gap-x-6">
        <h1 className="grow text-2xl">Key sheet{sheet.domain && <bdi> for {sheet.domain}</bdi>}</h1>
        <Button className="no-print" onClick={() => window.print()}>
          Print it
        </Button>
      </div>
      <p className="text-soft" role="status">
        Order {order.reference}, {longDay(order.placedOn)}. {money(order.total, order.currency)} was taken from the card
        ending in {order.cardEnding}.
      </p>
      <dl className="[&>*:nth-child(4n+1)]:bg-band [&>*:nth-child(4n+2)]:bg-band mt-4 grid max-w-3xl grid-cols-[9rem_1fr] sm:grid-cols-[12rem_1fr] [&>*]:px-2.5 [&>*]:py-1.5">
        <Entry name="Reference" value={order.reference} />
        <Entry name="Host and plan" value={sheet.provider && `${sheet.provider}, ${sheet.plan}`} />
        <Entry name="Log in at" value={sheet.logIn} />
        <Entry name="User" value={sheet.user} />
        {sheet.user && (
          <Entry name="First password">
            <FirstPassword orderId={order.id} />
          </Entry>
        )}
        <Entry name="Server" value={sheet.server} />
        <Entry name="IPv4 address" value={sheet.iPv4} />
        <Entry name="IPv6 address" value={sheet.iPv6} />
        <Entry name="Name servers" value={sheet.nameServers.join(', ')} />
        <Entry name="Files (SFTP)" value={sheet.fileServer} />
        <Entry name="Mail server" value={sheet.mailServer} />
        <Entry
          name="Domain"
          value={
            sheet.domain &&
            (sheet.domainSeller
              ? `${sheet.domain}, registered through ${sheet.domainSeller}`
              : `${sheet.domain}, registered elsewhere`)
          }
        />
        <Entry name="Holder" value={`${sheet.holder}, ${sheet.mail}`} />
      </dl>
      {sheet.domain && !sheet.domainSeller && sheet.nameServers.length > 0 && (
        <Note ink="red" className="mt-3 max-w-2xl">
          Your domain is registered elsewhere: log in there and set its name servers to the ones above.
        </Note>
      )}
      {sheet.domainSeller && sheet.server && (
        <Note ink="soft" className="mt-3 max-w-2xl">
          The domain points at the host now. It can take from some minutes to two days until everybody sees it; until
          then the site may seem to be missing.
        </Note>
      )}
      <h2 className="mt-6 text-lg">What you bought</h2>
      <table className="mt-1 w-full max-w-3xl text-left">
        <thead>
          <tr className="text-soft [&>*]:border-ink [&>*]:border-b [&>*]:px-2.5 [&>*]:py-1 [&>*]:text-[13px] [&>*]:font-semibold">
            <th scope="col">What</th>
            <th scope="col">From</th>
            <th scope="col">Paid until</th>
            <th scope="col" className="text-right">
              After discounts
            </th>
          </tr>
        </thead>
        <tbody>
          {order.items.map((item) => (
            <tr key={item.what + item.seller} className="odd:bg-band [&>*]:px-2.5 [&>*]:py-1">
              <th scope="row" className="font-normal">
                <bdi>{item.what}</bdi>
                {item.included && <span className="text-green"> included</span>}
              </th>
              <td>
                <bdi>{item.seller}</bdi>
              </td>
              <td className="whitespace-nowrap">{item.until ? shortDay(item.until) : '—'}</td>
              <td className="text-right">{money(item.amount, item.currency)}</td>
            </tr>
          ))}
        </tbody>
      </table>
    </>
  );
}

function Entry({ name, value, children }: { name: string; value?: string | null; children?: ReactNode }) {
  return value || children ? (
    <>
      <dt className="text-soft">{name}</dt>
      <dd className="font-semibold">
        <bdi>{value}</bdi>
        {children}
      </dd>
    </>
  ) : null;
}

/** Shown once, never printed nor kept: the host has it until it is asked for. */
function FirstPassword({ orderId }: { orderId: string }) {
  const shown = useMutation({
    mutationFn: async () =>
      expect(await api.POST('/api/orders/{orderId}/first-password', { params: { path: { orderId } } })),
    gcTime: 0,
  });
  if (shown.data) {
    return shown.data.password ? (
      <span>
        <code className="no-print">{shown.data.password}</code>
        <span className="text-red block text-sm font-normal">
          Write it down now: it is not shown again. Change it when you first log in.
        </span>
      </span>
    ) : (
      <span className="font-normal">
        It has been shown already. If you lost it, ask the host for a new one on its log-in page.
      </span>
    );
  }

  return (
    <span className="no-print">
      <Button look="text" disabled={shown.isPending} onClick={() => shown.mutate()}>
        Show it once
      </Button>
      {shown.error && <span className="text-red block text-sm font-normal">{shown.error.message}</span>}
    </span>
  );
}
