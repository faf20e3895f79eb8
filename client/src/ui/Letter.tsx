import { cx } from './cx';

/** A candidate's letter: the same in every view. */
export function Letter({ letter, filled }: { letter: string; filled?: boolean }) {
  return (
    <span
      className={cx(
        'grid size-8 shrink-0 place-items-center rounded-full border font-bold',
        filled ? 'border-ink bg-ink text-sheet' : 'border-soft text-soft',
      )}
    >
      {letter}
    </span>
  );
}
