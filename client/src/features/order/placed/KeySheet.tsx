import { Link } from '@tanstack/react-router';
import type { ReactNode } from 'react';
import { useHasCounterparts } from '../../../api/session';
import type { Order, Schemas } from '../../../api/wire/client';
import { longDay, shortDay } from '../../../format/dates';
import { money } from '../../../format/money';
import { Button } from '../../../ui/Button';
import { ChooseHosting } from '../../../ui/sheets/ChooseHosting';
import { Copy } from '../../../ui/Copy';
import { Head, Heads, InNarrow, Row, Table } from '../../../ui/Table';
import { BoughtThere } from './BoughtThere';
import { ClaimDomain } from './ClaimDomain';
import { FirstPassword } from './FirstPassword';
import { HolderChecks } from './HolderChecks';
import { Receipts } from './Receipts';
import { ShowSomebody } from '../../../ui/sheets/ShowSomebody';
import { Announced } from '../../../ui/said/Announced';

/**
 * What to keep after the order: where to log in, the addresses, what is paid until when. Printable; no secret stands on
 * it.
 */
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
        <span className="no-print">
          <ShowSomebody shown={{ what: 'key-sheet', of: order.id }} name="the key sheet" />
        </span>
      </div>
      <Announced onlyChanges className="text-soft">
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
      </Announced>
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
          <dl className="[&>*:nth-child(4n+1)]:bg-band [&>*:nth-child(4n+2)]:bg-band grid grid-cols-[7rem_minmax(0,1fr)] sm:grid-cols-[12rem_minmax(0,1fr)] [&>*]:px-2.5 [&>*]:py-1.5">
            <Entry name="Reference" value={order.reference} />
            <Entry name="Host and plan" value={sheet.provider && `${sheet.provider}, ${sheet.plan}`} />
            {sheet.logIn && (
              <Entry name="Log in at">
                <LogInAddress address={sheet.logIn} />
              </Entry>
            )}
            <Entry name="User" value={sheet.user} copies />
            {sheet.user && !order.there && (
              <Entry name="First password">
                <FirstPassword orderId={order.id} />
              </Entry>
            )}
            <Entry name="Server" value={sheet.server} copies />
            <Entry name="IPv4 address" value={sheet.iPv4} copies />
            <Entry name="IPv6 address" value={sheet.iPv6} copies />
            <Entry name="Name servers" value={sheet.nameServers.join(', ')} copies />
            <Entry name="Files (SFTP)" value={sheet.fileServer} copies />
            <Entry name="Mail server" value={sheet.mailServer} copies />
            <Entry
              name="Domain"
              value={
                sheet.domain &&
                (sheet.domainSeller
                  ? `${sheet.domain}, registered through ${sheet.domainSeller}`
                  : `${sheet.domain}, which you have already`)
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
          <Table stacks className="mt-1 w-full" caption="What you bought, from whom, and until when it is paid">
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
                  <td className="whitespace-nowrap">
                    <InNarrow>paid until</InNarrow>
                    {item.until ? shortDay(item.until) : '—'}
                  </td>
                  <td className="text-right">{money(item.amount, item.currency)}</td>
                </Row>
              ))}
            </tbody>
          </Table>
          {order.there ? (
            <BoughtThere order={order} />
          ) : (
            <>
              <Next sheet={sheet} siteId={order.siteId} isPointed={order.steps.some((step) => step.kind === 'join')} />
              <Receipts order={order} />
            </>
          )}
        </section>
      </div>
    </>
  );
}

/** Where to log in: an address of the web leads there. */
function LogInAddress({ address }: { address: string }) {
  return (
    <>
      {/^https?:\/\//.test(address) ? (
        <a className="ink break-all" href={address} target="_blank" rel="noopener noreferrer">
          {address}
          <span className="sr-only"> (opens a new tab)</span>
        </a>
      ) : (
        <bdi className="break-all">{address}</bdi>
      )}
      <Copy name="Log in at" text={address} />
    </>
  );
}

/** What to do now, and what only needs waiting. */
function Next({
  sheet,
  siteId,
  isPointed,
}: {
  sheet: Schemas['KeySheetWire'];
  siteId: string;
  /** Whether the order pointed the name at the hosting. */
  isPointed: boolean;
}) {
  // Without counterparts nothing is put online from here.
  const isOnline = useHasCounterparts() && !!sheet.server;
  const elsewhere = sheet.domain && !sheet.domainSeller && !isPointed && sheet.nameServers.length > 0;
  return (
    <>
      <h2 className="mt-6 text-lg">What comes next</h2>
      <ol className="mt-1 list-decimal pl-5 [&>li]:py-1">
        <li>Print this sheet or keep it where you will find it in a year.</li>
        {!sheet.provider && sheet.domain && (
          <li>
            <ChooseHosting domain={sheet.domain} />
          </li>
        )}
        {sheet.user && (
          <li className="no-print">Show or copy the first password and keep it safe, then log in and change it.</li>
        )}
        {elsewhere && (
          <li className="text-red">
            Your domain is registered elsewhere: log in there and set its name servers to those on this sheet.
          </li>
        )}
        {isOnline && (
          <li className="no-print">
            Put something there:{' '}
            <Link to="/sites/$siteId/online" params={{ siteId }} search={{}} className="ink">
              a first page, your files, a site engine, mail addresses
            </Link>
            .
          </li>
        )}
        {isPointed && isOnline && (
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

function Entry({
  name,
  value,
  copies = false,
  children,
}: {
  name: string;
  value?: string | null;
  /** Whether it can be copied with one press. */
  copies?: boolean;
  children?: ReactNode;
}) {
  return value || children ? (
    <>
      <dt className="text-soft">{name}</dt>
      <dd className="font-semibold">
        <bdi className="break-words">{value}</bdi>
        {copies && value && <Copy name={name} text={value} />}
        {children}
      </dd>
    </>
  ) : null;
}
