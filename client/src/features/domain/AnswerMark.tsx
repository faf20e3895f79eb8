import { Check, CircleHelp, Gem, Lock, TriangleAlert, X } from 'lucide-react';
import type { NameAnswer } from '../../api/client';
import { cx } from '../../ui/cx';

const marks = { free: Check, taken: X, premium: Gem, reserved: Lock, unchecked: CircleHelp };
const inks = {
  free: 'text-green font-semibold',
  taken: 'text-soft',
  premium: 'text-red',
  reserved: 'text-soft',
  unchecked: 'text-red',
};

/** An answer by its mark and words, each of the five its own; one that is old stands in grey. */
export function AnswerMark({ answer, words }: { answer: NameAnswer; words: string }) {
  const Mark = answer.isContradicted ? TriangleAlert : marks[answer.state];
  const ink = answer.isOld ? 'text-soft italic' : answer.isContradicted ? 'text-red' : inks[answer.state];
  return (
    <span className={cx('flex gap-1.5', ink)}>
      <Mark aria-hidden className="mt-0.5 size-4 shrink-0" />
      <span>{words}</span>
    </span>
  );
}
