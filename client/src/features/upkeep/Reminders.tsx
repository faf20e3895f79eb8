import { useState, type FormEvent } from 'react';
import { api, carriedOut, type Schemas } from '../../api/wire/client';
import { Button } from '../../ui/Button';
import { Download } from '../../ui/Download';
import { TextField } from '../../ui/fields/Field';
import { useChange } from './upkeep';
import { Announced } from '../../ui/said/Announced';

/** When the owner is written to before something falls due, and the same days in a calendar of their own. */
export function Reminders({ reminders, siteId }: { reminders: Schemas['RemindersWire']; siteId: string }) {
  const make = useChange(async () => carriedOut(await api.POST('/api/calendar')));
  const withdraw = useChange(async () => carriedOut(await api.POST('/api/calendar/withdraw')));
  return (
    <section className="border-rule mt-8 border-t pt-4" aria-label="Reminders">
      <h2 className="text-lg">Reminders</h2>
      <div className="grid gap-x-12 gap-y-4 lg:grid-cols-2">
        <Days key={reminders.days.join()} days={reminders.days} />
        <div>
          <p className="font-semibold">In your own calendar</p>
          <ul>
            <Download href={`/api/sites/${siteId}/upkeep.ics`}>The days of this site, as an iCalendar file</Download>
          </ul>
          {reminders.calendarAddress ? (
            <>
              <p className="mt-2">
                Or subscribe to this address: <code className="break-all">{reminders.calendarAddress}</code>
              </p>
              <p className="text-soft text-sm">
                Keep this address to yourself: anyone who has it sees the bills of all your sites, and nothing else.
              </p>
              <div className="mt-1 flex gap-4">
                <Button look="text" disabled={withdraw.isPending} onClick={() => withdraw.mutate()}>
                  Withdraw it
                </Button>
                <Button look="text" disabled={make.isPending} onClick={() => make.mutate()}>
                  Make another in its place
                </Button>
              </div>
            </>
          ) : (
            <Button className="mt-2" disabled={make.isPending} onClick={() => make.mutate()}>
              Make an address to subscribe to
            </Button>
          )}
        </div>
      </div>
    </section>
  );
}

function Days({ days }: { days: number[] }) {
  const [text, setText] = useState(days.join(', '));
  const save = useChange(async (wanted: number[]) =>
    carriedOut(await api.PUT('/api/reminders', { body: { days: wanted } })),
  );
  const submit = (event: FormEvent) => {
    event.preventDefault();
    save.mutate(
      text
        .split(/[\s,;]+/)
        .filter(Boolean)
        .map(Number),
    );
  };
  return (
    <form onSubmit={submit} className="flex max-w-md flex-col gap-2">
      <TextField
        label="Mail me so many days before"
        inputMode="numeric"
        value={text}
        onChange={(event) => setText(event.target.value)}
        hint="Several, with commas; nothing for no mails. Of bills that come each month only the shorter ones are sent."
        fault={save.error?.message}
      />
      <div className="flex items-center gap-3">
        <Button type="submit" disabled={save.isPending}>
          Remind me like this
        </Button>
        {save.isSuccess && (
          <Announced as="span" className="text-green">
            kept
          </Announced>
        )}
      </div>
    </form>
  );
}
