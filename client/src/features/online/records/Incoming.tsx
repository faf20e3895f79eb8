import { useMutation } from '@tanstack/react-query';
import { useState } from 'react';
import { api, expect, type Schemas } from '../../../api/wire/client';
import { Button } from '../../../ui/Button';
import { SelectField, TextArea, TextField } from '../../../ui/fields/Field';
import { readySets } from './words';
import { Announced } from '../../../ui/said/Announced';

type ZoneRecord = Schemas['RecordWire'];

/** Many records at once, as a ready set or a zone file: what would change is shown before it is taken in. */
export function Incoming({
  orderId,
  domain,
  isBusy,
  take,
}: {
  orderId: string;
  domain: string;
  isBusy: boolean;
  take: (records: ZoneRecord[], done: () => void) => void;
}) {
  const [set, setSet] = useState<keyof typeof readySets>('site-here');
  const [argument, setArgument] = useState('');
  const [file, setFile] = useState('');
  const attempt = useMutation({
    mutationFn: async (body: Schemas['TryZoneBody']) =>
      expect(
        await api.POST('/api/orders/{orderId}/zone/try', { params: { path: { orderId }, query: { domain } }, body }),
      ),
  });
  const ready = readySets[set];
  return (
    <section className="mt-8 grid max-w-5xl gap-x-12 gap-y-6 lg:grid-cols-2" aria-label="Many at once">
      <form
        className="flex flex-col gap-3"
        noValidate
        onSubmit={(event) => {
          event.preventDefault();
          attempt.mutate({ zoneFile: null, set, argument });
        }}
      >
        <h2 className="text-lg">Ready sets</h2>
        <SelectField
          label="What you want"
          hint={ready.does}
          value={set}
          onChange={(event) => (setSet(event.target.value as typeof set), attempt.reset())}
        >
          {Object.entries(readySets).map(([key, { label }]) => (
            <option key={key} value={key}>
              {label}
            </option>
          ))}
        </SelectField>
        {'asks' in ready && (
          <TextField label={ready.asks} value={argument} onChange={(event) => setArgument(event.target.value)} />
        )}
        <div>
          <Button type="submit" disabled={attempt.isPending}>
            See what would change
          </Button>
        </div>
      </form>
      <form
        className="flex flex-col gap-3"
        noValidate
        onSubmit={(event) => {
          event.preventDefault();
          attempt.mutate({ zoneFile: file, set: null, argument: null });
        }}
      >
        <h2 className="text-lg">A zone file</h2>
        <TextArea
          label="Paste it here"
          rows={4}
          className="font-mono text-sm"
          value={file}
          onChange={(event) => setFile(event.target.value)}
        />
        <label className="flex flex-wrap items-baseline gap-x-2">
          <span>or choose a file</span>
          <input
            type="file"
            className="text-blue"
            accept=".zone,.txt,text/dns,text/plain"
            onChange={(event) => void event.target.files?.[0]?.text().then(setFile)}
          />
        </label>
        <div>
          <Button type="submit" disabled={attempt.isPending || file.trim() === ''}>
            See what it would change
          </Button>
        </div>
      </form>
      <Announced as="div" className="lg:col-span-2">
        {attempt.error && <p className="text-red">{attempt.error.message}</p>}
        {attempt.data && (
          <Change
            change={attempt.data}
            isBusy={isBusy}
            take={() => take(attempt.data.records, () => (attempt.reset(), setFile(''), setArgument('')))}
          />
        )}
      </Announced>
    </section>
  );
}

function Change({ change, isBusy, take }: { change: Schemas['ZoneChangeWire']; isBusy: boolean; take: () => void }) {
  if (change.in.length + change.out.length === 0) {
    return <p>Nothing would change: it is all there already.</p>;
  }

  const lines = (records: ZoneRecord[], sign: string, ink: string) =>
    records.map((record) => (
      <li key={`${sign} ${record.owner} ${record.type} ${record.data}`} className={`${ink} break-all`}>
        {sign} {record.owner} {record.type} {record.preference !== null && `${record.preference} `}
        {record.data}
      </li>
    ));
  return (
    <>
      <h2 className="text-lg">What would change</h2>
      <ul className="mt-1">
        {lines(change.out, 'out:', 'text-red')}
        {lines(change.in, 'in:', 'text-green')}
      </ul>
      <Button look="main" className="mt-2" disabled={isBusy} onClick={take}>
        Take it in
      </Button>
    </>
  );
}
