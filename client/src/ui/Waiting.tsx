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
      <button className="text-blue mt-2 border-b border-dotted font-semibold" onClick={retry}>
        Try again
      </button>
    </div>
  );
}
