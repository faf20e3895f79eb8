import { useState } from 'react';
import { longDay, shortDay } from '../../format/dates';
import { Button } from '../../ui/Button';
import { cx } from '../../ui/cx';
import type { Tenure } from './upkeep';

const shown = 8;

const inks: Record<string, string> = {
  failed: 'text-red',
  lost: 'text-red',
  refused: 'text-red',
  refunded: 'text-green',
  credited: 'text-green',
};

/** What happened, day by day, with the reason; what was decided stands beside it. */
export function DayBook({ tenure }: { tenure: Tenure }) {
  const [all, setAll] = useState(false);
  const lines = all ? tenure.dayBook : tenure.dayBook.slice(0, shown);
  return (
    <section className="mt-6" aria-label="Day book">
      <h3 className="text-lg">Day book</h3>
      {tenure.differsFrom && (
        <p className="text-soft mt-1 text-sm">
          From {longDay(tenure.differsFrom)} on, an earlier version of Home Start worked some of this out differently.
          What happened stays as it was; what is to come is worked out by this version.
        </p>
      )}
      <ol className="mt-1">
        {lines.map((line, index) => (
          <li key={tenure.dayBook.length - index} className="odd:bg-band flex gap-3 px-2.5 py-1.5">
            <span className="text-soft w-24 flex-none">{shortDay(line.on)}</span>
            <span className={cx(inks[line.kind])}>
              {(line.kind === 'decided' || line.kind === 'card') && <span className="text-soft">Decided: </span>}
              <bdi>{line.words}</bdi>
            </span>
          </li>
        ))}
      </ol>
      {tenure.dayBook.length > shown && (
        <Button look="text" className="mt-1 text-sm" onClick={() => setAll(!all)}>
          {all ? 'Only the newest' : `All ${tenure.dayBook.length} lines`}
        </Button>
      )}
    </section>
  );
}
