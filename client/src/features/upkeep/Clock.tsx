import { useState, type FormEvent } from 'react';
import { api, carriedOut, type Schemas } from '../../api/wire/client';
import { longDay } from '../../format/dates';
import { daySent } from '../../format/typedDates';
import { Button } from '../../ui/Button';
import { DateField } from '../../ui/fields/DateField';
import { useChange } from './upkeep';
import { Announced } from '../../ui/said/Announced';

/** The simulated clock: what day it is here, what day it really is, and the ways to move on. */
export function Clock({ upkeep }: { upkeep: Schemas['UpkeepPageWire'] }) {
  const { today, tomorrow, realToday, furthest, nextEvent, isMoving } = upkeep;
  const [date, setDate] = useState('');
  const move = useChange(async (to: string) => carriedOut(await api.POST('/api/clock', { body: { from: today, to } })));
  const busy = move.isPending || isMoving;
  const submit = (event: FormEvent) => {
    event.preventDefault();
    if (date.trim()) {
      move.mutate(daySent(date), { onSuccess: () => setDate('') });
    }
  };
  return (
    <section aria-label="Simulated clock" className="border-rule mt-2 border-y py-3">
      <p>
        In this simulated world it is <b>{longDay(today)}</b>
        {today !== realToday && <span className="text-soft">; really it is {longDay(realToday)}</span>}.{' '}
        <span className="text-soft">
          Move the clock on to see what happens. A bill due on a day is charged when that day ends, so you can still
          decide on it.
        </span>
      </p>
      <div className="mt-2 flex flex-wrap items-end gap-3">
        <Button disabled={busy || today >= furthest} onClick={() => move.mutate(tomorrow)}>
          Next day
        </Button>
        {nextEvent && nextEvent <= furthest && (
          <Button disabled={busy} onClick={() => move.mutate(nextEvent)}>
            Skip to {longDay(nextEvent)}
          </Button>
        )}
        <form onSubmit={submit} className="flex items-start gap-2">
          <DateField
            label="Skip to a date"
            hint=""
            required
            value={date}
            onChange={(event) => setDate(event.target.value)}
          />
          <Button type="submit" className="mt-[1.6rem]" disabled={busy}>
            Move on
          </Button>
        </form>
        <Announced as="span" className="text-soft">
          {busy && 'Days are passing …'}
        </Announced>
      </div>
      {move.error && <Announced className="text-red mt-1">{move.error.message}</Announced>}
    </section>
  );
}
