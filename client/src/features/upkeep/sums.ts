import type { Schemas } from '../../api/wire/client';
import { change, isZero, money } from '../../format/money';

type Sums = Schemas['SumsWire'];

/** "£189.07", "£12.00 and US$8.00", "at least £9.00"; "nothing" where nothing is paid. */
export function sumsWords({ amounts, atLeast }: Sums): string {
  const paid = amounts.filter(({ amount }) => !isZero(amount));
  if (paid.length === 0) {
    return atLeast ? 'not stated' : 'nothing';
  }

  return (atLeast ? 'at least ' : '') + paid.map(({ amount, currency }) => money(amount, currency)).join(' and ');
}

/** "another £189.07", "nothing more": what is still to pay. */
export const moreWords = (sums: Sums) => {
  const words = sumsWords(sums);
  switch (words) {
    case 'nothing':
      return 'nothing more';
    case 'not stated':
      return 'more, but how much is not stated';
    default:
      return sums.atLeast ? `${words} more` : `another ${words}`;
  }
};

/** "saves £20.00", "adds £12.00", "changes nothing". */
export function differenceWords({ amounts, atLeast }: Sums): string {
  const words = amounts.filter(({ amount }) => !isZero(amount)).map(({ amount, currency }) => change(amount, currency));
  return words.length === 0 ? 'changes nothing' : (atLeast ? 'at least: ' : '') + words.join(', ');
}

/** Whether something is saved and nothing added, for its ink. */
export const saves = ({ amounts }: Sums) =>
  amounts.some(({ amount }) => amount.startsWith('-')) &&
  amounts.every(({ amount }) => amount.startsWith('-') || isZero(amount));
