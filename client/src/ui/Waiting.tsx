/** Something is on its way: said, not only drawn. */
export function Waiting({ for: what }: { for: string }) {
  return (
    <p role="status" className="text-soft p-6">
      {what} …
    </p>
  );
}

/** Something could not be loaded: what, and the way to try again. */
export function Failed({ error, retry }: { error: Error; retry: () => void }) {
  return (
    <div role="alert" className="p-6">
      <p className="text-red">{error.message}</p>
      <button className="ink mt-2" onClick={retry}>
        Try again
      </button>
    </div>
  );
}
