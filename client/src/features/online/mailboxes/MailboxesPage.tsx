import { useMutation } from '@tanstack/react-query';
import { keys } from '../../../api/wire/keys';
import { useParams } from '@tanstack/react-router';
import { useState } from 'react';
import { useForm, useWatch } from 'react-hook-form';
import { api, expect, type Schemas } from '../../../api/wire/client';
import { faultElsewhere } from '../../../api/wire/faults';
import { usePanel } from '../../../api/wire/panel';
import { useSite } from '../../../api/site/site';
import { Button } from '../../../ui/Button';
import { SelectField, TextField } from '../../../ui/fields/Field';
import { Note } from '../../../ui/said/Note';
import { Awaited } from '../../../ui/said/Waiting';
import { PlanUse } from '../PlanUse';
import { Announced } from '../../../ui/said/Announced';

type Mailboxes = Schemas['MailboxesWire'];

/** Mail addresses at the own domains: boxes, addresses that pass mail on, where everything else goes. */
export function MailboxesPage() {
  const { orderId } = useParams({ from: '/sites/$siteId/online/$orderId' });
  const { page } = useSite();
  const path = { params: { path: { orderId } } };
  const { query, change } = usePanel(keys.mailboxes(orderId), async () =>
    expect(await api.GET('/api/orders/{orderId}/mailboxes', path)),
  );
  if (!query.data) {
    return <Awaited query={query} for="Asking the host for your addresses" />;
  }

  const now = query.data;
  const put = (next: Partial<Mailboxes>, done?: () => void) =>
    change.mutate(
      async () =>
        expect(
          await api.PUT('/api/orders/{orderId}/mailboxes', {
            ...path,
            body: { version: now.version, boxes: now.boxes, forwards: now.forwards, catchAll: now.catchAll, ...next },
          }),
        ),
      { onSuccess: done },
    );
  return (
    <>
      <title>{`Mail addresses · ${page.name} · Home Start`}</title>
      <h1 className="text-2xl">Mail addresses</h1>
      <p className="text-soft max-w-2xl">
        A mailbox keeps mail until you fetch it. An address can also pass its mail on to another one. What is sent to an
        address that is not here is refused, unless you say where everything else goes.
      </p>
      {now.mailHere === false && (
        <Note ink="red" className="mt-3 max-w-2xl">
          Mail for your domain does not come in at this host: its records lead elsewhere, so these addresses receive
          nothing yet. Under Records, “Mail here” sets that.
        </Note>
      )}
      <div className="mt-4 grid gap-x-12 gap-y-8 lg:grid-cols-2">
        <div>
          <h2 className="text-lg">Set up</h2>
          {now.boxes.length + now.forwards.length === 0 ? (
            <p>No address is set up yet. Add the first one: hello@ is a good start.</p>
          ) : (
            <Addresses now={now} orderId={orderId} isBusy={change.isPending} put={put} />
          )}
          <PlanUse use={now.use} of="mailboxes" />
          {change.error && <Announced className="text-red mt-2">{faultElsewhere(change.error, [])}</Announced>}
          <CatchAll key={now.version} now={now} put={put} isBusy={change.isPending} />
        </div>
        <AddAddress now={now} put={put} isBusy={change.isPending} />
      </div>
    </>
  );
}

type Put = (next: Partial<Mailboxes>, done?: () => void) => void;

function Addresses({ now, orderId, isBusy, put }: { now: Mailboxes; orderId: string; isBusy: boolean; put: Put }) {
  const test = useMutation({
    mutationFn: async (to: string) =>
      expect(await api.POST('/api/orders/{orderId}/mailboxes/test', { params: { path: { orderId } }, body: { to } })),
  });
  const rows = [
    ...now.boxes.map((box) => ({
      address: box,
      does: 'keeps its mail',
      without: { boxes: now.boxes.filter((other) => other !== box) },
    })),
    ...now.forwards.map((forward) => ({
      address: forward.from,
      does: `passes it on to ${forward.to}`,
      without: { forwards: now.forwards.filter((other) => other !== forward) },
    })),
  ];
  return (
    <>
      <ul>
        {rows.map(({ address, does, without }) => (
          <li key={address} className="odd:bg-band flex flex-wrap items-baseline gap-x-4 px-2.5 py-1.5">
            <span className="grow">
              <bdi className="font-semibold break-all">{address}</bdi>{' '}
              <span className="text-soft break-all">{does}</span>
            </span>
            <Button look="text" className="text-sm" disabled={test.isPending} onClick={() => test.mutate(address)}>
              Send a test<span className="sr-only"> to {address}</span>
            </Button>
            <Button look="text" className="text-sm" disabled={isBusy} onClick={() => put(without)}>
              Remove<span className="sr-only"> {address}</span>
            </Button>
          </li>
        ))}
      </ul>
      <Announced className="mt-2 min-h-5">
        {test.isPending
          ? `Sending a mail to ${test.variables} …`
          : test.data
            ? test.data.said
            : (test.error?.message ?? '')}
      </Announced>
    </>
  );
}

function AddAddress({ now, put, isBusy }: { now: Mailboxes; put: Put; isBusy: boolean }) {
  const form = useForm({ defaultValues: { local: '', domain: now.domains[0] ?? '', kind: 'box', to: '' } });
  const kind = useWatch({ control: form.control, name: 'kind' });
  const add = form.handleSubmit(({ local, domain, to }) => {
    const address = `${local.trim().toLowerCase()}@${domain}`;
    put(
      kind === 'box'
        ? { boxes: [...now.boxes, address] }
        : { forwards: [...now.forwards, { from: address, to: to.trim().toLowerCase() }] },
      () => form.reset({ local: '', domain, kind, to: '' }),
    );
  });
  return (
    <form className="flex max-w-md flex-col gap-3" noValidate onSubmit={(event) => void add(event)}>
      <h2 className="text-lg">Add an address</h2>
      <div className="flex items-end gap-2">
        <div className="grow">
          <TextField label="Before the @" autoComplete="off" {...form.register('local')} />
        </div>
        <div className="grow">
          <SelectField label="At" {...form.register('domain')}>
            {now.domains.map((known) => (
              <option key={known}>{known}</option>
            ))}
          </SelectField>
        </div>
      </div>
      <SelectField label="What happens to its mail" {...form.register('kind')}>
        <option value="box">It is kept in a mailbox</option>
        <option value="forward">It is passed on to another address</option>
      </SelectField>
      {kind === 'forward' && <TextField label="Passed on to" type="email" {...form.register('to')} />}
      <div>
        <Button type="submit" look="main" disabled={isBusy || now.domains.length === 0}>
          Add the address
        </Button>
      </div>
    </form>
  );
}

function CatchAll({ now, put, isBusy }: { now: Mailboxes; put: Put; isBusy: boolean }) {
  const [all, setAll] = useState(now.catchAll ?? '');
  return (
    <form
      className="mt-4 flex max-w-md flex-col gap-2"
      noValidate
      onSubmit={(event) => {
        event.preventDefault();
        put({ catchAll: all.trim() === '' ? null : all.trim() });
      }}
    >
      <TextField
        label="Where everything else goes"
        type="email"
        hint="One of your mailboxes, or any address (a catch-all). Empty: it is refused, which keeps junk away."
        value={all}
        onChange={(event) => setAll(event.target.value)}
      />
      <div>
        <Button type="submit" disabled={isBusy || all.trim() === (now.catchAll ?? '')}>
          Save where it goes
        </Button>
      </div>
    </form>
  );
}
