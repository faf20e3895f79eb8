import { useMutation } from '@tanstack/react-query';
import { Link } from '@tanstack/react-router';
import type { ReactNode } from 'react';
import { api, expect, type Order, type Schemas } from '../../api/client';
import { longDay, shortDay } from '../../format/dates';
import { money } from '../../format/money';
import { Button } from '../../ui/Button';
import { Head, Heads, Row, Table } from '../../ui/Table';
import { BoughtThere } from './BoughtThere';
import { ClaimDomain } from './ClaimDomain';
import { HolderChecks } from './HolderChecks';
import { Receipts } from './Receipts';

/** What to keep after the order: where to log in, the addresses, what is paid until when. Printable; no secret stands on it. */
export function KeySheet({ order, sheet }: { order: Order; sheet: Schemas['KeySheetWire'] }) {
  return (
    <>
      <div className="flex flex-wrap items-baseline gap-x-6">
        <h1 className="grow text-2xl">Key sheet{sheet.domain && <bdi> for {sheet.domain}</bdi>}</h1>
        <Button className="no-print" onClick={() => window.print()}>
          Print it
        </Button>
        <a className="ink no-print" download href={`/api/orders/${order.id}/key-sheet.pdf`}>
          As PDF
        </a>
      </div>
      <p className="text-soft" role="status">
        {order.there ? (
          <>
            Bought at the sellers’ own pages on {longDay(order.placedOn)}, kept here as {order.reference}.
          </>
        ) : (
          <>
            Order {order.reference}, {longDay(order.placedOn)}.{' '}
            {order.payments.length === 0
              ? 'Nothing was to pay.'
              : `${money(order.total, order.currency)} was paid ${order.paidBy}.`}
          </>
        )}
      </p>
      {order.missed.map(({ domain, why }) => (
        <p key={domain} className="border-red text-red mt-2 border-l-2 pl-3">
          {domain} could not be had: {why} Nothing was taken for it.
        </p>
      ))}
      {!order.there && (
        <>
          <HolderChecks order={order} />
          <ClaimDomain order={order} />
        </>
      )}
      <div className="mt-4 grid items-start gap-x-14 gap-y-6 xl:grid-cols-[minmax(0,40rem)_minmax(0,1fr)]">
        <div>
          <dl className="[&>*:nth-child(4n+1)]:bg-band [&>*:nth-child(4n+2)]:bg-band grid grid-cols-[9rem_1fr] sm:grid-cols-[12rem_1fr] [&>*]:px-2.5 [&>*]:py-1.5">
            <Entry name="Reference" value={order.reference} />
            <Entry name="Host and plan" value={sheet.provider && `${sheet.provider}, ${sheet.plan}`} />
            <Entry name="Log in at" value={sheet.logIn} />
            <Entry name="User" value={sheet.user} />
            {sheet.user && !order.there && (
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
            <Entry name="Further domains" value={sheet.furtherDomains.join('; ')} />
            <Entry name={order.there ? 'Bought by' : 'Holder'} value={`${sheet.holder}, ${sheet.mail}`} />
            <Entry name="Notes" value={sheet.notes} />
          </dl>
        </div>
        <section aria-labelledby="bought">
          <h2 id="bought" className="text-lg">
            What you bought
          </h2>
          <Table className="w-full">
            <Heads>
              <Head>What</Head>
              <Head>From</Head>
              <Head>Paid until</Head>
              <Head figures>After discounts</Head>
            </Heads>
            <tbody>
              {order.items.map((item) => (
                <Row
                  key={item.what + item.seller}
                  label={
                    <>
                      <bdi>{item.what}</bdi>
                      {item.included && <span className="text-green"> included</span>}
                    </>
                  }
                >
                  <td>
                    <bdi>{item.seller}</bdi>
                  </td>
                  <td className="whitespace-nowrap">{item.until ? shortDay(item.until) : '—'}</td>
                  <td className="text-right">{money(item.amount, item.currency)}</td>
                </Row>
              ))}
            </tbody>
          </Table>
          {order.there ? (
            <BoughtThere order={order} />
          ) : (
            <>
              <Next sheet={sheet} siteId={order.siteId} />
              <Receipts order={order} />
            </>
          )}
        </section>
      </div>
    </>
  );
}

/** What to do now, and what only needs waiting. */
function Next({ sheet, siteId }: { sheet: Schemas['KeySheetWire']; siteId: string }) {
  const elsewhere = sheet.domain && !sheet.domainSeller && sheet.nameServers.length > 0;
  return (
    <>
      <h2 className="mt-6 text-lg">What comes next</h2>
      <ol className="mt-1 list-decimal pl-5 [&>li]:py-1">
        <li>Print this sheet or keep it where you will find it in a year.</li>
        {sheet.user && (
          <li className="no-print">Show the first password, write it down by hand, then log in and change it.</li>
        )}
        {elsewhere && (
          <li className="text-red">
            Your domain is registered elsewhere: log in there and set its name servers to those on this sheet.
          </li>
        )}
        {sheet.domainSeller && sheet.server && (
          <li>
            Wait: the domain points at the host now, but it can take from some minutes to two days until everybody sees
            it. Until then the site may seem to be missing.{' '}
            <Link to="/sites/$siteId/online" params={{ siteId }} search={{}} className="ink no-print">
              Watch it spread
            </Link>
          </li>
        )}
      </ol>
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

/** Shown once, never printed nor kept: the host makes one until it is told that one was seen. */
function FirstPassword({ orderId }: { orderId: string }) {
  const shown = useMutation({
    mutationFn: async () =>
      expect(await api.POST('/api/orders/{orderId}/first-password', { params: { path: { orderId } } })),
    // It has reached the page: the host need not keep it any longer. Where this is lost, it can be shown once more, and no harm is done.
    onSuccess: async (answer) => {
      if (answer.password) {
        await api.POST('/api/orders/{orderId}/first-password/seen', { params: { path: { orderId } } });
      }
    },
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
