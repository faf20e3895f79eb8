import { expect, it } from 'vitest';
import { laterWords, marked, termWords } from './words';

it('marks the words that values were read from, each once', () => {
  const sources = [
    { at: '/plans/0/ways/0/price', words: '£3', from: 6, to: 8 },
    { at: '/plans/0/name', words: 'Oak', from: 0, to: 3 },
    { at: '/currency', words: '£3 a', from: 6, to: 10 },
  ];
  expect(marked({ text: 'Oak – £3 a month', sources })).toEqual([
    { words: 'Oak', isRead: true },
    { words: ' – ', isRead: false },
    { words: '£3', isRead: true },
    { words: ' a', isRead: true },
    { words: ' month', isRead: false },
  ]);
});

it('says terms and what follows in words', () => {
  expect(termWords(36, 3)).toBe('for 36 months and 3 more free');
  expect(termWords(null, 0)).toBe('for how long is not said');
  const way = {
    months: 12,
    price: '2.99',
    per: 'month',
    paid: null,
    freeMonths: 0,
    struck: null,
    later: null,
    setupFee: null,
  };
  expect(laterWords(way)).toBe('what follows is not said');
  expect(laterWords({ ...way, later: 'same' })).toBe('the same afterwards');
  expect(laterWords({ ...way, later: { price: '9.99', per: 'month' } })).toBe('afterwards 9.99 a month');
});
