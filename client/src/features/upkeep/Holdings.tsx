import { useState } from 'react';
import { api, carriedOut, type Schemas } from '../../api/wire/client';
import { longDay, shortDay } from '../../format/dates';
import { money } from '../../format/money';
import { span } from '../../format/words';
import { Button } from '../../ui/Button';
import { cx } from '../../ui/cx';
import { Cell, Head, Heads, Row, Table } from '../../ui/Table';
import { Lapse } from './Lapse';
import { PayMissed } from './PayMissed';
import { useChange, type Tenure } from './upkeep';
import { Announced } from '../../ui/said/Announced';

type Had = Schemas['HadWire'];

/** What is had: until when it is paid, what comes next against what was paid first, and whether it renews by itself. */
export function Holdings({ tenure }: { tenure: Tenure }) {
  const [lapsing, setLapsing] = useState<Had | null>(null);
  return (
    <div className="mt-3">
      <Table className="mt-1 w-full max-md:block" caption="What you have">
        <Heads className="max-md:hidden">
          <Head>What you have</Head>
          <Head>Paid until</Head>
          <Head figures>Paid first</Head>
          <Head figures>Next</Head>
          <Head>Renews by itself</Head>
          <Head>
            <span className="sr-only">What can be done</span>
          </Head>
        </Heads>
        <tbody className="max-md:block">
          {tenure.holdings.map((held) => (
            <HeldRow key={held.holding} tenure={tenure} held={held} lapse={() => setLapsing(held)} />
          ))}
        </tbody>
      </Table>
      {tenure.balances.map((balance) => (
        <p key={balance.seller} className="text-green mt-1">
          <bdi>{balance.seller}</bdi> owes you {money(balance.amount, balance.currency)}: it is taken off its next bill.
        </p>
      ))}
      {lapsing && <Lapse tenure={tenure} held={lapsing} close={() => setLapsing(null)} />}
    </div>
  );
}

function HeldRow({ tenure, held, lapse }: { tenure: Tenure; held: Had; lapse: () => void }) {
  const isLive = held.state === 'live';
  const isOver = held.state === 'left' || held.state === 'gone';
  return (
    <Row
      className="max-md:flex max-md:flex-wrap max-md:gap-x-4 max-md:[&>th]:w-full"
      label={
        <>
          <bdi className="font-semibold">{held.name}</bdi>
          <span className="text-soft block text-[13px]">
            at <bdi>{held.seller}</bdi>
          </span>
          {!isLive && <span className="text-red block text-[13px]">{held.stateWords}</span>}
        </>
      }
    >
      <Cell>
        <span className="text-soft md:hidden">paid until </span>
        {held.paidUntil ? shortDay(held.paidUntil) : 'not paid'}
      </Cell>
      <Cell figures>
        {held.first && (
          <>
            <span className="text-soft md:hidden">first </span>
            {money(held.first.amount, held.first.currency)}
            <span className="text-soft block text-[13px]">for {span(held.first.months)}</span>
          </>
        )}
      </Cell>
      <Cell figures className={cx(held.isDearer && 'text-red')}>
        {held.next ? (
          <>
            <span className="text-soft md:hidden">next </span>
            {held.next.atLeast && 'at least '}
            {money(held.next.amount, held.next.currency)}
            {held.isDearer && held.first && (
              <span className="text-[13px]">
                , up from {money(held.first.amount, held.first.currency)}
                {held.first.months !== held.next.months && ` for ${span(held.first.months)}`}
              </span>
            )}
            <span className="text-soft block text-[13px]">
              on {shortDay(held.next.on)}, for {span(held.next.months)}
            </span>
          </>
        ) : (
          <span className="text-soft">{isOver ? '' : 'nothing'}</span>
        )}
      </Cell>
      <Cell>{isLive && <Renewing tenure={tenure} held={held} />}</Cell>
      <Cell>
        {isLive && !held.owed && (
          <Button look="text" className="text-sm" onClick={lapse}>
            If it lapses<span className="sr-only">: {held.name}</span>
          </Button>
        )}
        {held.owed && <PayMissed tenure={tenure} held={held} />}
      </Cell>
    </Row>
  );
}

/** A switch each: carried out at once, and back the same way. */
function Renewing({ tenure, held }: { tenure: Tenure; held: Had }) {
  const decide = useChange(async (value: boolean) =>
    carriedOut(
      await api.POST('/api/orders/{orderId}/upkeep/decisions', {
        params: { path: { orderId: tenure.orderId } },
        body: {
          version: tenure.version,
          decision: { on: tenure.decidingOn, do: 'renewing', holding: held.holding, value },
        },
      }),
    ),
  );
  const planned = decide.isPending ? decide.variables : held.renews;
  return (
    <>
      <label className="flex items-center gap-2">
        <input
          type="checkbox"
          role="switch"
          aria-label={`${held.name} renews by itself`}
          checked={planned}
          aria-disabled={decide.isPending}
          onChange={(event) => {
            if (!decide.isPending) {
              decide.mutate(event.target.checked);
            }
          }}
        />
        <span>{planned ? 'yes' : 'no'}</span>
      </label>
      <Announced as="span" className="text-soft block text-[13px]">
        {decide.isPending
          ? 'Changing …'
          : held.renewsFrom
            ? `decided, from ${shortDay(held.renewsFrom)} on`
            : decide.isSuccess && (held.renews ? 'It renews by itself again.' : 'It will not renew.')}
      </Announced>
      {held.committedUntil && (
        <span className="text-soft block text-[13px]">whatever you say until {longDay(held.committedUntil)}</span>
      )}
      {decide.error && (
        <Announced as="span" className="text-red block text-[13px]">
          {decide.error.message}
        </Announced>
      )}
    </>
  );
}
