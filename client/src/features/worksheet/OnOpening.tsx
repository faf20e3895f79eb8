import { Suspense, useState, type ReactNode } from 'react';
import { Waiting } from '../../ui/said/Waiting';

/** A question under the ledger; what answers it comes, and is worked out, when it is opened. */
export function OnOpening({ asks, children }: { asks: ReactNode; children: ReactNode }) {
  const [open, setOpen] = useState(false);
  return (
    <details className="no-print mt-4" onToggle={(event) => setOpen(event.currentTarget.open)}>
      <summary className="text-blue cursor-pointer font-semibold">{asks}</summary>
      {open && <Suspense fallback={<Waiting for="Working it out" />}>{children}</Suspense>}
    </details>
  );
}
