import { expect, it } from 'vitest';
import { columnsOf, figureAt, figuresOf } from './columns';

const row = {
  kind: 'plan' as const,
  book: 'b',
  ref: 'p',
  cells: ['1', '0', '2', '3', '4', '5'],
  total: '15',
  atLeast: [false, false, false, false, true, false],
  totalAtLeast: true,
  folded: { amount: '9', atLeast: true },
};

it('every column shows what the server worked out for it', () => {
  const figures = figuresOf([row], () => true)!;
  const open = columnsOf(null, 60, 'GBP', false).map((column) => figureAt(figures, column));
  expect(open.map((sum) => sum.amount)).toEqual(['1', '0', '2', '3', '4', '5', '15']);
  expect(open.map((sum) => sum.atLeast)).toEqual([false, false, false, false, true, false, true]);
  const folded = columnsOf(null, 60, 'GBP', true).map((column) => figureAt(figures, column));
  expect(folded.at(-2)).toEqual({ amount: '9', atLeast: true });
});

it('a row that is not there has no figures', () => expect(figuresOf([row], () => false)).toBeNull());
