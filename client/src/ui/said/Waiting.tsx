import { Announced } from './Announced';
/** Something is on its way: said, not only drawn; with a share of it done, from 0 to 1, where that is known. */
export function Waiting({ for: what, share }: { for: string; share?: number }) {
  return (
    <Announced as="div" className="text-soft p-6">
      <p>{what} …</p>
      {share !== undefined && <progress className="accent-blue mt-1 w-56" value={share} max={1} aria-label={what} />}
    </Announced>
  );
}

/** Something could not be loaded: what, and the way to try again. */
export function Failed({ error, retry }: { error: Error; retry: () => void }) {
  return (
    <Announced as="div" className="p-6">
      <p className="text-red">{error.message}</p>
      <button className="ink mt-2" onClick={retry}>
        Try again
      </button>
    </Announced>
  );
}

/** What stands where something is not there yet: that it is on its way, or that it could not be had. */
export function Awaited({
  query,
  for: what,
}: {
  query: { error: Error | null; refetch: () => Promise<unknown> };
  for: string;
}) {
  return query.error ? <Failed error={query.error} retry={() => void query.refetch()} /> : <Waiting for={what} />;
}
