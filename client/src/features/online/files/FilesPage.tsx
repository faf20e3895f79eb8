import { useQuery, useQueryClient } from '@tanstack/react-query';
import { keys } from '../../../api/wire/keys';
import { useParams } from '@tanstack/react-router';
import { useState } from 'react';
import { api, expect, type Schemas } from '../../../api/wire/client';
import { faultElsewhere } from '../../../api/wire/faults';
import { usePanel } from '../../../api/wire/panel';
import { useSite } from '../../../api/site/site';
import { Button } from '../../../ui/Button';
import { Awaited } from '../../../ui/said/Waiting';
import { PutFiles } from './PutFiles';
import { Announced } from '../../../ui/said/Announced';
import { renew } from '../../../api/wire/renew';

/** The files of the site: put up, listed, renamed, removed, and the version before put back. */
export function FilesPage() {
  const { orderId } = useParams({ from: '/sites/$siteId/online/$orderId' });
  const { page } = useSite();
  const queries = useQueryClient();
  const path = { params: { path: { orderId } } };
  const { query, change } = usePanel(keys.files(orderId), async () =>
    expect(await api.GET('/api/orders/{orderId}/files', path)),
  );
  const uploads = useQuery({
    queryKey: keys.uploads(orderId),
    queryFn: async () => expect(await api.GET('/api/orders/{orderId}/uploads', path)),
    refetchOnMount: 'always',
  });
  if (!query.data) {
    return <Awaited query={query} for="Asking the host for your files" />;
  }

  const space = query.data;
  const refresh = () =>
    void Promise.all([
      renew(queries, { queryKey: keys.files(orderId) }),
      renew(queries, { queryKey: keys.uploads(orderId) }),
    ]);
  return (
    <>
      <title>{`Files · ${page.name} · Home Start`}</title>
      <h1 className="text-2xl">Files</h1>
      <p className="text-soft max-w-2xl">
        In your web space: {space.size}
        {space.storage && ` of ${space.storage}`}. A page called index.html is what visitors see first. A new version is
        seen whole or not at all.
      </p>
      <div className="mt-4 grid gap-x-12 gap-y-8 lg:grid-cols-2">
        <div>
          <h2 className="text-lg">There now</h2>
          {!space.isBegun && <p className="text-soft">Only the page your host put there so that something is seen.</p>}
          <ul className="mt-1">
            {space.files.map((file) => (
              <FileRow
                key={file.path}
                file={file}
                isBusy={change.isPending}
                rename={(to) =>
                  change.mutate(async () =>
                    expect(
                      await api.POST('/api/orders/{orderId}/files/rename', {
                        ...path,
                        body: { version: space.version, path: file.path, to },
                      }),
                    ),
                  )
                }
                remove={() =>
                  change.mutate(async () =>
                    expect(
                      await api.POST('/api/orders/{orderId}/files/remove', {
                        ...path,
                        body: { version: space.version, path: file.path },
                      }),
                    ),
                  )
                }
              />
            ))}
          </ul>
          {space.files.length === 0 && <p>Nothing is there: visitors are told that there is no such page.</p>}
          {space.version > 0 && (
            <Button
              look="text"
              className="mt-3"
              disabled={change.isPending}
              onClick={() =>
                change.mutate(async () =>
                  expect(
                    await api.POST('/api/orders/{orderId}/files/back', { ...path, body: { version: space.version } }),
                  ),
                )
              }
            >
              Undo: put the version before back
            </Button>
          )}
          {change.error && <Announced className="text-red mt-2">{faultElsewhere(change.error, [])}</Announced>}
        </div>
        <PutFiles orderId={orderId} unfinished={uploads.data ?? []} done={refresh} />
      </div>
    </>
  );
}

const focused = (input: HTMLInputElement | null) => input?.focus();

function FileRow({
  file,
  isBusy,
  rename,
  remove,
}: {
  file: Schemas['SiteFileWire'];
  isBusy: boolean;
  rename: (to: string) => void;
  remove: () => void;
}) {
  const [to, setTo] = useState<string | null>(null);
  return (
    <li className="odd:bg-band flex flex-wrap items-baseline gap-x-4 px-2.5 py-1">
      {to === null ? (
        <>
          <bdi className="grow break-all">{file.path}</bdi>
          <span className="text-soft whitespace-nowrap">{file.size}</span>
          <Button look="text" className="text-sm" disabled={isBusy} onClick={() => setTo(file.path)}>
            Rename<span className="sr-only"> {file.path}</span>
          </Button>
          <Button look="text" className="text-sm" disabled={isBusy} onClick={remove}>
            Remove<span className="sr-only"> {file.path}</span>
          </Button>
        </>
      ) : (
        <form
          className="flex grow flex-wrap items-baseline gap-x-4"
          onSubmit={(event) => {
            event.preventDefault();
            setTo(null);
            rename(to);
          }}
        >
          <input
            aria-label={`New name of ${file.path}`}
            ref={focused}
            className="border-blue text-blue grow border-b bg-transparent font-semibold"
            value={to}
            onChange={(event) => setTo(event.target.value)}
            onKeyDown={(event) => event.key === 'Escape' && setTo(null)}
          />
          <Button type="submit" look="text" className="text-sm">
            Rename it
          </Button>
          <Button look="text" className="text-sm" onClick={() => setTo(null)}>
            Leave it
          </Button>
        </form>
      )}
    </li>
  );
}
