import type { NameAnswer } from '../../api/wire/client';

const inks = {
  free: 'text-green font-semibold',
  taken: 'text-soft',
  premium: 'font-semibold',
  reserved: 'text-soft',
  unchecked: 'text-red',
  'not-asked': 'text-soft',
};

/** An answer in its words; one that is old stands in grey. */
export function AnswerMark({ answer, words }: { answer: NameAnswer; words: string }) {
  const ink = answer.isOld ? 'text-soft italic' : answer.isContradicted ? 'text-red' : inks[answer.state];
  return <span className={`block ${ink}`}>{words}</span>;
}
