import { useQueryClient } from '@tanstack/react-query';
import { keys } from '../../../api/wire/keys';
import { useParams } from '@tanstack/react-router';
import { useState } from 'react';
import { api, expect, type Schemas } from '../../../api/wire/client';
import { useLines } from '../../../api/wire/useLines';
import { faultAt, faultElsewhere } from '../../../api/wire/faults';
import { useSentForm } from '../../../api/wire/sentForm';
import { usePanel } from '../../../api/wire/panel';
import { engineLineOf } from '../../../api/wire/shapes';
import { useSite } from '../../../api/site/site';
import { Button } from '../../../ui/Button';
import { TextField } from '../../../ui/fields/Field';
import { Note } from '../../../ui/said/Note';
import { Awaited } from '../../../ui/said/Waiting';
import { Announced } from '../../../ui/said/Announced';
import { renew } from '../../../api/wire/renew';

type Offer = Schemas['EngineOfferWire'];
type Installed = Schemas['InstalledEngineWire'];
type Line = Schemas['EngineLine'];

const steps: Record<string, string> = {
  files: 'Its files are there',
  database: 'Its database is made',
  administrator: 'The administrator can log in',
  check: 'Its front page answers',
};

/** A program that lets the owner write the site in the browser: chosen, set up, brought up to date, removed. */
export function EnginePage() {
  const { orderId } = useParams({ from: '/sites/$siteId/online/$orderId' });
  const { page } = useSite();
  const queries = useQueryClient();
  const path = { params: { path: { orderId } } };
  const [chosen, setChosen] = useState<string | null>(null);
  const running = useEngineRun(orderId, () => void renew(queries, { queryKey: keys.engines(orderId) }));
  const { query, change } = usePanel(keys.engines(orderId), async () =>
    expect(await api.GET('/api/orders/{orderId}/engines', path)),
  );
  if (!query.data) {
    return <Awaited query={query} for="Asking the host for its engines" />;
  }

  const { offers, installed } = query.data;
  const offer = offers.find(({ id }) => id === chosen);
  return (
    <>
      <title>{`Site engine · ${page.name} · Home Start`}</title>
      <h1 className="text-2xl">Site engine</h1>
      <p className="text-soft max-w-2xl">
        An engine is a program at your host. You log in to it in the browser and write there; it makes the pages. If a
        single page is enough for now, make a first page instead.
      </p>
      {installed.map((engine) => (
        <Standing
          key={engine.folder}
          engine={engine}
          isBusy={running.isBusy || change.isPending}
          update={() => void running.run('update', { folder: engine.folder })}
          remove={() =>
            change.mutate(async () =>
              expect(
                await api.POST('/api/orders/{orderId}/engines/remove', { ...path, body: { folder: engine.folder } }),
              ),
            )
          }
        />
      ))}
      {change.error && <Announced className="text-red mt-2">{faultElsewhere(change.error, [])}</Announced>}
      <Steps running={running} />
      <div className="mt-5 grid gap-x-12 gap-y-8 lg:grid-cols-2">
        <div>
          <h2 className="text-lg">What your host offers</h2>
          <ul>
            {offers.map((one) => (
              <li key={one.id} className="odd:bg-band px-2.5 py-2">
                <span className="flex flex-wrap items-baseline gap-x-4">
                  <span className="grow">
                    <b>
                      <bdi>{one.name}</bdi>
                    </b>{' '}
                    <span className="text-soft">{one.version}</span>
                  </span>
                  <Button
                    look="text"
                    disabled={!!one.lacks}
                    aria-pressed={chosen === one.id}
                    onClick={() => setChosen(one.id)}
                  >
                    Choose<span className="sr-only"> {one.name}</span>
                  </Button>
                </span>
                {one.for}
                <span className="text-soft block text-sm">{needsOf(one)}</span>
                {one.lacks && <Note ink="red">{one.lacks}</Note>}
              </li>
            ))}
          </ul>
        </div>
        {offer && <SetUp key={offer.id} offer={offer} running={running} />}
      </div>
    </>
  );
}

const needsOf = (offer: Offer) =>
  `Needs ${offer.databases === 0 ? 'no database' : offer.databases === 1 ? 'one database' : `${offer.databases} databases`} and ${offer.storageMegabytes} MB.`;

interface Running {
  isBusy: boolean;
  lines: Line[];
  error: unknown;
  run: (what: 'set-up' | 'update', body: unknown) => Promise<boolean>;
}

/** Setting up or updating, with the steps as the host reports them. */
function useEngineRun(orderId: string, done: () => void): Running {
  const { isRunning, error, run } = useLines();
  const [lines, setLines] = useState<Line[]>([]);
  return {
    isBusy: isRunning,
    lines,
    error,
    run: async (what, body) => {
      setLines([]);
      let isDone = false;
      await run(`/api/orders/${orderId}/engines${what === 'update' ? '/update' : ''}`, body, (text) => {
        const line = engineLineOf(text);
        isDone = line.done === line.steps;
        setLines((before) => [...before, line]);
      });
      done();
      return isDone;
    },
  };
}

function Steps({ running: { lines, isBusy } }: { running: Running }) {
  const last = lines.at(-1);
  if (!isBusy && !last) {
    return null;
  }

  return (
    <section aria-label="How far it has come" className="mt-4 max-w-2xl">
      <progress className="accent-blue w-full" value={last?.done ?? 0} max={last?.steps ?? 4} aria-label="Setting up" />
      <ol>
        {lines
          .filter(({ step }) => step !== null)
          .map(({ step }) => (
            <li key={step}>
              <span className="text-green" aria-hidden="true">
                ✓
              </span>{' '}
              <Announced as="span">{steps[step!]}</Announced>
            </li>
          ))}
      </ol>
      {last?.problem && <Announced className="text-red">{last.problem}</Announced>}
      {last?.password && (
        <Note ink="red" className="mt-2">
          The password is <code className="font-bold">{last.password}</code>. It is shown this once: write it down, or
          let your browser keep it. Nobody here knows it.
        </Note>
      )}
    </section>
  );
}

function Standing({
  engine,
  isBusy,
  update,
  remove,
}: {
  engine: Installed;
  isBusy: boolean;
  update: () => void;
  remove: () => void;
}) {
  const [isSure, setSure] = useState(false);
  return (
    <section className="bg-band mt-3 max-w-3xl px-3 py-2" aria-label={engine.title}>
      <p>
        <b>
          <bdi>{engine.title}</bdi>
        </b>
        , made with {engine.name} {engine.version}
        {engine.folder && <>, in the folder {engine.folder}</>}. Administrator: <bdi>{engine.user}</bdi>.
      </p>
      <p className="mt-1 flex flex-wrap gap-x-5">
        {engine.address && (
          <>
            <a href={engine.address} className="ink" target="_blank" rel="noreferrer">
              See it
            </a>
            <a href={`${engine.address}log-in/`} className="ink" target="_blank" rel="noreferrer">
              Log in
            </a>
          </>
        )}
        {engine.newVersion && (
          <Button look="text" disabled={isBusy} onClick={update}>
            Bring it up to {engine.newVersion}
          </Button>
        )}
        {isSure ? (
          <>
            <Button look="text" disabled={isBusy} onClick={remove}>
              Yes, remove it
            </Button>
            <Button look="text" onClick={() => setSure(false)}>
              Keep it
            </Button>
          </>
        ) : (
          <Button look="text" onClick={() => setSure(true)}>
            Remove
          </Button>
        )}
      </p>
      {isSure && (
        <p className="text-soft text-sm">
          Its own files go, and no others. Under Files you can put the version before back.
        </p>
      )}
    </section>
  );
}

function SetUp({ offer, running }: { offer: Offer; running: Running }) {
  const { page } = useSite();
  const { error } = running;
  const { form, field } = useSentForm(
    { folder: '', title: page.name, user: '', password: '', mayReplace: false },
    error,
  );
  const said = faultElsewhere(error, ['folder', 'title', 'user', 'password']);
  const send = form.handleSubmit(async (typed) => {
    if (await running.run('set-up', { ...typed, engine: offer.id, mail: null, password: typed.password || null })) {
      form.reset({ ...typed, user: '', password: '' });
    }
  });
  return (
    <form className="flex max-w-md flex-col gap-3" noValidate onSubmit={(event) => void send(event)}>
      <h2 className="text-lg">
        Set up <bdi>{offer.name}</bdi>
      </h2>
      <TextField label="Where" hint="A folder, such as journal. Empty: the front of your site." {...field('folder')} />
      {faultAt(error, 'folder') && (
        <label className="flex items-baseline gap-2">
          <input type="checkbox" className="accent-blue" {...form.register('mayReplace')} />
          <span>Replace what is there</span>
        </label>
      )}
      <TextField label="Title of the site" {...field('title')} />
      <TextField
        label="The administrator’s name"
        hint="Not admin, nor your site’s name: those are tried first."
        autoComplete="off"
        {...field('user')}
      />
      <TextField
        label="Password"
        hint="Empty: one is made for you and shown once. It goes to the host and is kept nowhere here."
        type="password"
        autoComplete="new-password"
        {...field('password')}
      />
      {said && <Announced className="text-red">{said}</Announced>}
      <div>
        <Button type="submit" look="main" disabled={running.isBusy}>
          Set it up
        </Button>
      </div>
    </form>
  );
}
