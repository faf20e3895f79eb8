import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { keys } from '../../../api/wire/keys';
import { Link, useNavigate } from '@tanstack/react-router';
import { useState } from 'react';
import { api, carriedOut, expect, Refused, tokenHeader, type Order } from '../../../api/wire/client';
import { longDay } from '../../../format/dates';
import { figure, money } from '../../../format/money';
import { Button } from '../../../ui/Button';
import { Dialog } from '../../../ui/sheets/Dialog';
import { Head, Heads, InNarrow, Row, Table } from '../../../ui/Table';
import { Announced } from '../../../ui/said/Announced';
import { renew } from '../../../api/wire/renew';

const largest = 4 << 20;

/** What each seller took, with the receipts that are kept, and mending or taking away what was told. */
export function BoughtThere({ order }: { order: Order }) {
  const there = order.there!;
  return (
    <section className="mt-6" aria-labelledby="paid-there">
      <h2 id="paid-there" className="text-lg">
        Paid at the sellers
      </h2>
      <Table stacks className="mt-1 w-full" caption="What you paid each seller">
        <Heads>
          <Head>Seller</Head>
          <Head>Their number</Head>
          <Head figures>Paid</Head>
          <Head figures>Worked out</Head>
        </Heads>
        <tbody>
          {there.receipts.map((receipt) => (
            <Row key={receipt.book} label={<bdi>{receipt.seller}</bdi>}>
              <td>
                {receipt.reference && <InNarrow>number</InNarrow>}
                <bdi>{receipt.reference}</bdi>
              </td>
              <td className="text-right">
                <InNarrow>paid</InNarrow>
                {money(receipt.paid, receipt.currency)}
              </td>
              <td className="text-right">
                <InNarrow>worked out</InNarrow>
                {receipt.workedOut ? money(receipt.workedOut, receipt.currency) : 'nothing'}
              </td>
            </Row>
          ))}
        </tbody>
      </Table>
      {there.receipts
        .filter(({ lines }) => lines.length > 0)
        .map((receipt) => (
          <details key={receipt.book} className="mt-2">
            <summary className="text-blue cursor-pointer font-semibold">
              The receipt of <bdi>{receipt.seller}</bdi>
            </summary>
            <ul>
              {receipt.lines.map((line, index) => (
                <li key={index} className="odd:bg-band flex gap-3 px-2.5 py-1">
                  <bdi className="grow">{line.what}</bdi>
                  <span>{figure(line.amount)}</span>
                </li>
              ))}
            </ul>
          </details>
        ))}
      <KeptFiles orderId={order.id} />
      <p className="no-print mt-4 flex flex-wrap gap-x-6 gap-y-1">
        <Link to="/sites/$siteId/bought" params={{ siteId: order.siteId }} search={{ order: order.id }} className="ink">
          Change what you told
        </Link>
        <Forget order={order} />
      </p>
    </section>
  );
}

function KeptFiles({ orderId }: { orderId: string }) {
  const queries = useQueryClient();
  const kept = useQuery({
    queryKey: keys.kept(orderId),
    queryFn: async () => expect(await api.GET('/api/orders/{orderId}/kept', { params: { path: { orderId } } })),
  });
  const keep = useMutation({
    mutationFn: (file: File) => send(orderId, file),
    onSettled: () => renew(queries),
  });
  const drop = useMutation({
    mutationFn: async (fileId: string) =>
      carriedOut(await api.DELETE('/api/orders/{orderId}/kept/{fileId}', { params: { path: { orderId, fileId } } })),
    onSettled: () => renew(queries, { queryKey: keys.kept(orderId) }),
  });
  const fault = keep.error ?? drop.error ?? kept.error;
  return (
    <div className="no-print mt-4">
      <h3 className="text-base">Their receipts, kept here</h3>
      <ul>
        {kept.data?.map((file) => (
          <li key={file.id} className="odd:bg-band flex flex-wrap gap-x-4 px-2.5 py-1">
            <a className="ink grow" download href={`/api/orders/${orderId}/kept/${file.id}`}>
              <bdi>{file.name}</bdi>
            </a>
            <span className="text-soft">since {longDay(file.keptOn)}</span>
            <Button look="text" className="text-sm" disabled={drop.isPending} onClick={() => drop.mutate(file.id)}>
              Take it away<span className="sr-only">: {file.name}</span>
            </Button>
          </li>
        ))}
      </ul>
      <label className="mt-1 block">
        <span className="text-soft text-sm">
          A PDF, a mail saved as a file (.eml) or an invoice in UBL (.xml), up to 4 MB. What an invoice in UBL says is
          filled in where you typed nothing.
        </span>
        <input
          type="file"
          aria-label="Keep a receipt"
          accept=".pdf,.eml,.xml"
          className="text-blue mt-1 block"
          disabled={keep.isPending}
          onChange={(event) => {
            const file = event.target.files?.[0];
            event.target.value = '';
            if (file) {
              keep.mutate(file);
            }
          }}
        />
      </label>
      <Announced>{keep.isPending && 'Keeping it …'}</Announced>
      {fault && <Announced className="text-red">{fault.message}</Announced>}
    </div>
  );
}

async function send(orderId: string, file: File) {
  if (file.size > largest) {
    throw new Error('This file is too large: up to 4 MB can be kept.');
  }

  const answer = await fetch(`/api/orders/${orderId}/kept?name=${encodeURIComponent(file.name)}`, {
    method: 'POST',
    headers: { ...tokenHeader(), 'Content-Type': 'application/octet-stream' },
    body: file,
  });
  if (!answer.ok) {
    throw new Refused(answer.status, await answer.json().catch(() => null));
  }
}

/** What was noted by mistake. */
function Forget({ order }: { order: Order }) {
  const [open, setOpen] = useState(false);
  const queries = useQueryClient();
  const navigate = useNavigate();
  const forget = useMutation({
    mutationFn: async () =>
      carriedOut(await api.DELETE('/api/orders/{orderId}/bought', { params: { path: { orderId: order.id } } })),
    onSuccess: async () => {
      await navigate({ to: '/sites/$siteId/orders', params: { siteId: order.siteId }, search: {} });
      await renew(queries);
    },
  });
  return (
    <>
      <Button look="text" onClick={() => setOpen(true)}>
        Take this away again
      </Button>
      <Dialog open={open} onOpenChange={setOpen} title={`Take ${order.reference} away?`}>
        <p>
          Its key sheet, day book and kept receipts are deleted here, and you are not reminded any more. At the sellers
          nothing changes: what you bought there still renews.
        </p>
        <div className="mt-3 flex gap-3">
          <Button look="main" disabled={forget.isPending} onClick={() => forget.mutate()}>
            Take it away
          </Button>
          <Button onClick={() => setOpen(false)}>Keep it</Button>
        </div>
        {forget.error && <Announced className="text-red mt-2">{forget.error.message}</Announced>}
      </Dialog>
    </>
  );
}
