import { expect, it } from 'vitest';
import { differenceWords, moreWords, saves, sumsWords } from './sums';

const sums = (atLeast: boolean, ...amounts: [string, string][]) => ({
  atLeast,
  amounts: amounts.map(([amount, currency]) => ({ amount, currency })),
});

it.each([
  [sums(false), 'nothing'],
  [sums(true), 'not stated'],
  [sums(false, ['0.00', 'GBP']), 'nothing'],
  [sums(false, ['189.07', 'GBP']), '£189.07'],
  [sums(true, ['9.00', 'GBP']), 'at least £9.00'],
  [sums(false, ['12.00', 'GBP'], ['0.00', 'EUR'], ['8.00', 'USD']), '£12.00 and US$8.00'],
])('%o is paid: %s', (paid, words) => expect(sumsWords(paid)).toBe(words));

it.each([
  [sums(false), 'nothing more'],
  [sums(true), 'more, but how much is not stated'],
  [sums(true, ['9.00', 'GBP']), 'at least £9.00 more'],
  [sums(false, ['189.07', 'GBP']), 'another £189.07'],
])('%o is still to pay: %s', (toPay, words) => expect(moreWords(toPay)).toBe(words));

it.each([
  [sums(false), 'changes nothing', false],
  [sums(false, ['-20.00', 'GBP']), 'saves £20.00', true],
  [sums(false, ['12.00', 'GBP']), 'adds £12.00', false],
  [sums(true, ['12.00', 'GBP']), 'at least: adds £12.00', false],
  [sums(false, ['-20.00', 'GBP'], ['0.00', 'EUR']), 'saves £20.00', true],
  [sums(false, ['-20.00', 'GBP'], ['3.00', 'EUR']), 'saves £20.00, adds €3.00', false],
])('%o: %s', (difference, words, isSaving) => {
  expect(differenceWords(difference)).toBe(words);
  expect(saves(difference)).toBe(isSaving);
});
