import { useEffect, useState } from 'react';
import type { SiteChanges } from '../../api/commands';
import { Button } from '../../ui/Button';

/** What became of the last change, where it is worth saying: refused, overtaken, or not sent. Slow ones are said to be under way. */
export function SavedState({ changes, saving }: { changes: SiteChanges; saving: boolean }) {
  const slow = useAfter(saving, 150);
  return (
    <div role="status" className="no-print">
      {changes.message ? (
        <div className="border-red text-red mt-3 flex flex-wrap items-center gap-4 border-l-2 py-1 pl-3">
          <span>{changes.message}</span>
          {changes.unsent && (
            <Button look="text" onClick={changes.tryAgain}>
              Try again
            </Button>
          )}
          <Button look="text" onClick={changes.dismiss}>
            {changes.unsent ? 'Let it go' : 'Close'}
          </Button>
        </div>
      ) : (
        slow && <span className="text-soft bg-sheet fixed right-4 bottom-2 z-30 text-sm">Working it out …</span>
      )}
    </div>
  );
}

/** Whether something has been so for a while. */
function useAfter(now: boolean, milliseconds: number): boolean {
  const [after, setAfter] = useState(false);
  useEffect(() => {
    const timer = setTimeout(() => setAfter(now), now ? milliseconds : 0);
    return () => clearTimeout(timer);
  }, [now, milliseconds]);
  return now && after;
}
