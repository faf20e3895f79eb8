import { useEffect, useState } from 'react';
import type { SiteChanges } from '../../api/site/commands';
import { Button } from '../../ui/Button';
import { MendIt } from '../../ui/said/MendIt';
import { changeWords, versionWords } from './changeWords';
import { Announced } from '../../ui/said/Announced';

/**
 * What became of the last change, where it is worth saying: refused, overtaken, or not sent. Slow ones are said to be
 * under way.
 */
export function SavedState({ changes, saving }: { changes: SiteChanges; saving: boolean }) {
  const slow = useAfter(saving, 150);
  return (
    <Announced as="div" className="no-print">
      {changes.message ? (
        <div className="border-red text-red mt-3 flex flex-wrap items-center gap-x-4 gap-y-1 border-l-2 py-1 pl-3">
          <span>{changes.message}</span>
          <MendIt faults={changes.faults} />
          <BothVersions changes={changes} />
          {changes.unsent && (
            <Button look="text" onClick={changes.tryAgain}>
              Try again
            </Button>
          )}
          <Button look="text" onClick={changes.dismiss}>
            {changes.unsent ? 'Discard it' : changes.overtaken ? 'Leave it as it is there' : 'Close'}
          </Button>
        </div>
      ) : (
        slow && <span className="text-soft bg-sheet fixed right-4 bottom-2 z-30 text-sm">Working it out …</span>
      )}
    </Announced>
  );
}

/** What the other window made of it, what it was here, and what was wanted here: the owner decides. */
function BothVersions({ changes }: { changes: SiteChanges }) {
  const { overtaken } = changes;
  if (!overtaken) {
    return null;
  }

  const { by, mine } = overtaken;
  const isMove = mine.kind === 'undo' || mine.kind === 'redo';
  return (
    <>
      <span className="text-ink w-full text-[14px]">
        Here it was {by.before ? versionWords(by.before) : 'an earlier state'}; the other window made it{' '}
        {versionWords(by.newer)}. You wanted: {changeWords(mine)}.
      </span>
      {!isMove && (
        <Button look="text" onClick={changes.chooseAllTheSame}>
          Make my choice all the same
        </Button>
      )}
    </>
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
