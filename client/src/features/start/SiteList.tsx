import { useQuery } from '@tanstack/react-query';
import { Link } from '@tanstack/react-router';
import { useEffect, useRef, useState } from 'react';
import { sessionQuery } from '../../api/wire/queries';
import { useSiteList, type ListedSite } from '../../api/site/sites';
import { Button } from '../../ui/Button';
import { TextField } from '../../ui/fields/Field';
import { Announced } from '../../ui/said/Announced';

/** The owner's sites: open, rename, delete with a way back. */
export function SiteList() {
  const sites = useQuery(sessionQuery).data?.sites.filter((site) => !site.isExample) ?? [];
  const { remove, restore, rename } = useSiteList();
  const [gone, setGone] = useState<ListedSite | null>(null);
  const [renaming, setRenaming] = useState<string | null>(null);
  const back = useRef<HTMLButtonElement>(null);
  useEffect(() => {
    if (gone) {
      back.current?.focus();
    }
  }, [gone]);
  const failed = remove.error ?? restore.error ?? rename.error;
  return sites.length === 0 && !gone ? null : (
    <section aria-labelledby="sites" className="mt-10">
      <h2 id="sites" className="text-xl">
        Your sites
      </h2>
      <ul className="mt-2">
        {sites.map((site) => (
          <li key={site.id} className="border-rule flex flex-wrap items-center gap-x-6 gap-y-1 border-t py-2">
            {renaming === site.id ? (
              <Rename
                site={site}
                done={() => setRenaming(null)}
                save={(name) => rename.mutate({ id: site.id, name }, { onSuccess: () => setRenaming(null) })}
              />
            ) : (
              <>
                <Link
                  to="/sites/$siteId/worksheet"
                  params={{ siteId: site.id }}
                  search={{}}
                  className="ink min-w-48 grow text-left"
                >
                  <bdi>{site.name}</bdi>
                </Link>
                <Button look="text" aria-label={`Rename ${site.name}`} onClick={() => setRenaming(site.id)}>
                  Rename
                </Button>
                <Button
                  look="text"
                  aria-label={`Delete ${site.name}`}
                  onClick={() => remove.mutate(site.id, { onSuccess: () => setGone(site) })}
                >
                  Delete
                </Button>
              </>
            )}
          </li>
        ))}
      </ul>
      <Announced as="div">
        {gone && (
          <p className="border-rule flex flex-wrap gap-x-4 border-y py-2">
            <span>
              <bdi>“{gone.name}”</bdi> is deleted.
            </span>
            <Button look="text" ref={back} onClick={() => restore.mutate(gone.id, { onSuccess: () => setGone(null) })}>
              Bring it back
            </Button>
          </p>
        )}
      </Announced>
      {failed && <Announced className="text-red mt-2">{failed.message}</Announced>}
    </section>
  );
}

function Rename({ site, save, done }: { site: ListedSite; save: (name: string) => void; done: () => void }) {
  const [name, setName] = useState(site.name);
  const field = useRef<HTMLInputElement>(null);
  useEffect(() => {
    field.current?.focus();
  }, []);
  return (
    <form
      className="flex grow flex-wrap items-end gap-3"
      onSubmit={(event) => {
        event.preventDefault();
        save(name);
      }}
    >
      <div className="grow">
        <TextField
          label="Name of this site"
          ref={field}
          maxLength={80}
          required
          value={name}
          onChange={(event) => setName(event.target.value)}
        />
      </div>
      <Button type="submit">Save</Button>
      <Button look="text" onClick={done}>
        Keep the old name
      </Button>
    </form>
  );
}
