import { useParams } from '@tanstack/react-router';
import { keys } from '../../../api/wire/keys';
import { useState, type FormEvent } from 'react';
import { api, expect, type Schemas } from '../../../api/wire/client';
import { faultElsewhere } from '../../../api/wire/faults';
import { usePanel } from '../../../api/wire/panel';
import { useSite } from '../../../api/site/site';
import { Button } from '../../../ui/Button';
import { SelectField, TextField } from '../../../ui/fields/Field';
import { Awaited } from '../../../ui/said/Waiting';
import { PlanUse } from '../PlanUse';
import { Announced } from '../../../ui/said/Announced';

type Names = Schemas['HostedNamesWire'];
type Name = Schemas['HostedNameWire'];

const uses = {
  'own-site': 'A site of its own',
  'same-site': 'The same site as the main domain',
  forwarded: 'Forwarded to another address',
  resting: 'A note that something is to come',
  'mail-only': 'Mail alone',
} as const;

const inSentence = (name: Name) =>
  ({
    'own-site': name.folder ? `its own site, from the folder ${name.folder}` : 'its own site',
    'same-site': 'the same site as the main domain',
    forwarded: `forwarded to ${name.forwardTo}${name.keepsPath ? ', with the rest of the address' : ''}`,
    resting: 'a note that something is to come',
    'mail-only': 'mail alone',
  })[name.use as keyof typeof uses];

/** Further domains, and parts before a name: what each shows, and whether it leads here. */
export function NamesPage() {
  const { orderId } = useParams({ from: '/sites/$siteId/online/$orderId' });
  const { page } = useSite();
  const path = { params: { path: { orderId } } };
  const { query, change } = usePanel(keys.names(orderId), async () =>
    expect(await api.GET('/api/orders/{orderId}/names', path)),
  );
  if (!query.data) {
    return <Awaited query={query} for="Asking the host for your names" />;
  }

  const now = query.data;
  const put = (names: Name[], done?: () => void) =>
    change.mutate(
      async () =>
        expect(await api.PUT('/api/orders/{orderId}/names', { ...path, body: { version: now.version, names } })),
      { onSuccess: done },
    );
  return (
    <>
      <title>{`Names · ${page.name} · Home Start`}</title>
      <h1 className="text-2xl">Names</h1>
      <p className="text-soft max-w-2xl">
        Every name this hosting answers for. A part before a name, such as shop before your domain, costs nothing and
        can show a site of its own. Records that the host keeps are set with it.
      </p>
      <div className="mt-4 grid gap-x-12 gap-y-8 lg:grid-cols-2">
        <div>
          <ul>
            {now.names.map((name, index) => (
              <li key={name.name} className="odd:bg-band flex flex-wrap items-baseline gap-x-4 px-2.5 py-1.5">
                <span className="grow">
                  <a
                    href={stands(now, name)?.address}
                    className="ink font-semibold break-all"
                    target="_blank"
                    rel="noreferrer"
                  >
                    {name.name}
                  </a>{' '}
                  <span className="text-soft break-words">{inSentence(name)}</span>
                  <Stands name={name} stands={stands(now, name)} />
                </span>
                {index > 0 && (
                  <Button
                    look="text"
                    className="text-sm"
                    disabled={change.isPending}
                    onClick={() => put(now.names.filter((other) => other !== name))}
                  >
                    Take off<span className="sr-only"> {name.name}</span>
                  </Button>
                )}
              </li>
            ))}
          </ul>
          <PlanUse use={now.websites} of="sites" />
          <PlanUse use={now.subdomains} of="parts before a name" />
          {change.error && <Announced className="text-red mt-2">{faultElsewhere(change.error, [])}</Announced>}
        </div>
        <AddName now={now} isBusy={change.isPending} put={put} />
      </div>
    </>
  );
}

const stands = (now: Names, name: Name) => now.sites.find((site) => site.name === name.name);

function Stands({ name, stands: at }: { name: Name; stands: Names['sites'][number] | undefined }) {
  if (!at || name.use === 'mail-only') {
    return null;
  }

  return at.leadsHere === null ? (
    <span className="text-soft block text-sm">Whether it leads here cannot be asked just now.</span>
  ) : at.leadsHere ? (
    <span className="text-green block text-sm">
      It leads here{at.status === 404 ? ', and there is no page yet' : ''}.
    </span>
  ) : (
    <span className="text-red block text-sm">It does not lead here: set its records where the domain is kept.</span>
  );
}

function AddName({
  now,
  isBusy,
  put,
}: {
  now: Names;
  isBusy: boolean;
  put: (names: Name[], done: () => void) => void;
}) {
  const empty = { name: '', use: 'own-site', folder: '', forwardTo: '', keepsPath: false };
  const [typed, setTyped] = useState(empty);
  const [part] = now.owned;
  const add = (event: FormEvent) => {
    event.preventDefault();
    put([...now.names, { ...typed, name: typed.name.trim(), forwardTo: typed.forwardTo.trim() || null }], () =>
      setTyped(empty),
    );
  };
  return (
    <form className="flex max-w-md flex-col gap-3" noValidate onSubmit={add}>
      <h2 className="text-lg">Add a name</h2>
      <TextField
        label="Name to add"
        hint={part && `One of your domains, or a part before one: shop.${part}`}
        value={typed.name}
        autoComplete="off"
        onChange={(event) => setTyped({ ...typed, name: event.target.value })}
      />
      <SelectField
        label="What it shows"
        value={typed.use}
        onChange={(event) => setTyped({ ...typed, use: event.target.value })}
      >
        {Object.entries(uses).map(([use, words]) => (
          <option key={use} value={use}>
            {words}
          </option>
        ))}
      </SelectField>
      {typed.use === 'own-site' && (
        <TextField
          label="From which folder"
          hint="A folder of your files. Empty: the front of the site."
          value={typed.folder}
          onChange={(event) => setTyped({ ...typed, folder: event.target.value })}
        />
      )}
      {typed.use === 'forwarded' && (
        <>
          <TextField
            label="Forwarded to"
            placeholder="https://"
            value={typed.forwardTo}
            onChange={(event) => setTyped({ ...typed, forwardTo: event.target.value })}
          />
          <label className="flex items-baseline gap-2">
            <input
              type="checkbox"
              className="accent-blue"
              checked={typed.keepsPath}
              onChange={(event) => setTyped({ ...typed, keepsPath: event.target.checked })}
            />
            <span>With what stands behind the name: /prices leads to /prices there</span>
          </label>
        </>
      )}
      <div>
        <Button type="submit" look="main" disabled={isBusy}>
          Add the name
        </Button>
      </div>
    </form>
  );
}
