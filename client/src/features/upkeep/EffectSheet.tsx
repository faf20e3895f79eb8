import { useQuery } from '@tanstack/react-query';
import { keys } from '../../api/wire/keys';
import { useState } from 'react';
import { api, carriedOut, expect } from '../../api/wire/client';
import { longDay, shortDay } from '../../format/dates';
import { Button } from '../../ui/Button';
import { cx } from '../../ui/cx';
import { Dialog } from '../../ui/sheets/Dialog';
import { SelectField } from '../../ui/fields/Field';
import { Cell, Head, Heads, Row, Table } from '../../ui/Table';
import { Failed } from '../../ui/said/Waiting';
import { differenceWords, saves, sumsWords } from './sums';
import { useChange, type Effect, type Tenure } from './upkeep';
import { Announced } from '../../ui/said/Announced';

/** One decision: from which day, what it costs then, each year against leaving all as it is; and making it. */
export function EffectSheet({ tenure, effect, close }: { tenure: Tenure; effect: Effect; close: () => void }) {
  const [on, setOn] = useState(effect.on);
  const later = useQuery({
    queryKey: keys.whatIf(tenure.orderId, tenure.version, on, effect.decision),
    queryFn: async () =>
      expect(
        await api.POST('/api/orders/{orderId}/upkeep/what-if', {
          params: { path: { orderId: tenure.orderId } },
          body: { decision: { ...effect.decision, on } },
        }),
      ),
    enabled: on !== effect.on || effect.group === 'extra',
  });
  const decide = useChange(async () =>
    carriedOut(
      await api.POST('/api/orders/{orderId}/upkeep/decisions', {
        params: { path: { orderId: tenure.orderId } },
        body: { version: tenure.version, decision: { ...effect.decision, on } },
      }),
    ),
  );
  const now = later.data ?? (on === effect.on ? effect : undefined);
  const days = [...new Set([effect.on, ...tenure.bills.map((bill) => bill.on)])].slice(0, 8);
  return (
    <Dialog
      open
      onOpenChange={(open) => !open && close()}
      title={effect.title}
      about="Nothing is decided by looking at this."
    >
      {effect.group !== 'leave' && days.length > 1 && (
        <div className="max-w-xs">
          <SelectField label="From" value={on} onChange={(event) => setOn(event.target.value)}>
            {days.map((day) => (
              <option key={day} value={day}>
                {day === effect.on ? `${longDay(day)}, at once` : `${longDay(day)}, when the next bill is due`}
              </option>
            ))}
          </SelectField>
        </div>
      )}
      {later.error && on !== effect.on && <Failed error={later.error} retry={() => void later.refetch()} />}
      {now && (
        <>
          {now.refused ? (
            <p className="text-red mt-3">Not possible then: {now.refused}</p>
          ) : (
            <>
              <p className="mt-3">
                Due on {longDay(now.on)}: <b>{sumsWords(now.dueThen)}</b>. In total until {longDay(tenure.until)} it{' '}
                <b className={cx(saves(now.difference) && 'text-green')}>{differenceWords(now.difference)}</b>.
              </p>
              <Years effect={now} />
            </>
          )}
          {now.notes.length > 0 && (
            <ul className="mt-2 max-w-3xl">
              {now.notes.map((note) => (
                <li key={note} className="border-rule text-soft border-l-2 py-0.5 pl-3">
                  <bdi>{note}</bdi>
                </li>
              ))}
            </ul>
          )}
          {tenure.payer.atTheSellers && (
            <p className="mt-3 max-w-3xl">
              Do it at the seller’s own page first: from here nothing is done there, it is only noted.
            </p>
          )}
          <div className="mt-4 flex gap-3">
            <Button
              look="main"
              disabled={decide.isPending || Boolean(now.refused)}
              onClick={() => decide.mutate(undefined, { onSuccess: close })}
            >
              {tenure.payer.atTheSellers
                ? on === tenure.decidingOn
                  ? 'I did this there'
                  : `I do this there on ${shortDay(on)}`
                : on === tenure.decidingOn
                  ? 'Do this'
                  : `Do this on ${shortDay(on)}`}
            </Button>
            <Button onClick={close}>Leave it as it is</Button>
          </div>
          {decide.error && <Announced className="text-red mt-2">{decide.error.message}</Announced>}
        </>
      )}
    </Dialog>
  );
}

function Years({ effect }: { effect: Effect }) {
  return (
    <div className="overflow-x-auto">
      <Table className="mt-2" caption="Year by year, with tax">
        <Heads>
          <Head>Paid by card</Head>
          <Head figures>with this</Head>
          <Head figures>as it is</Head>
        </Heads>
        <tbody>
          {effect.years.map((year) => (
            <Row key={year.from} label={`${shortDay(year.from)} to ${shortDay(year.until)}`}>
              <Cell figures>{sumsWords(year.then)}</Cell>
              <Cell figures>{sumsWords(year.staying)}</Cell>
            </Row>
          ))}
          <tr className="double-rule font-semibold [&>*]:px-2.5 [&>*]:py-1">
            <th scope="row">In total</th>
            <td className="text-right">{sumsWords(effect.horizon)}</td>
            <td className="text-right">{sumsWords(effect.staying)}</td>
          </tr>
        </tbody>
      </Table>
    </div>
  );
}
