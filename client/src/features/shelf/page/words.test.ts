import { expect, it } from 'vitest';
import { choicesOf, fieldOf, isMovable, laterWords, marked, termWords, typedOf } from './words';

it('marks the words that values were read from, each once, with all the values', () => {
  const sources = [
    { at: '/plans/0/ways/0/price', words: '£3', from: 6, to: 8 },
    { at: '/plans/0/name', words: 'Oak', from: 0, to: 3 },
    { at: '/plans/0/ways/0/paid', words: '£3', from: 6, to: 8 },
    { at: '/currency', words: '£3 a', from: 6, to: 10 },
  ];
  expect(marked({ text: 'Oak – £3 a month', sources })).toEqual([
    { words: 'Oak', ats: ['/plans/0/name'] },
    { words: ' – ', ats: [] },
    { words: '£3', ats: ['/plans/0/ways/0/price', '/plans/0/ways/0/paid', '/currency'] },
    { words: ' a', ats: ['/currency'] },
    { words: ' month', ats: [] },
  ]);
});

it('says terms and what follows in words', () => {
  expect(termWords(36)).toBe('for 36 months');
  expect(laterWords({ later: null })).toBe('what follows is not said');
  expect(laterWords({ later: 'same' })).toBe('the same afterwards');
  expect(laterWords({ later: { price: '9.99', per: 'month' } })).toBe('afterwards 9.99 a month');
});

it('knows the part of a plan that a place names, what it may be and where it may go', () => {
  expect(fieldOf('/plans/0/ways/1/later/price')).toBe('later');
  expect(fieldOf('/plans/12/features/storageGB')).toBe('features/storageGB');
  expect(choicesOf('features/mailboxes')).toEqual([{ value: 'unlimited', words: 'Unlimited' }]);
  expect(choicesOf('features/ownIp')).toEqual([]);
  expect(isMovable('later')).toBe(true);
  expect(isMovable('price')).toBe(false);
});

it('opens a value with what it is now', () => {
  const way = {
    months: 12,
    price: '2.99',
    per: 'month',
    paid: null,
    freeMonths: 0,
    struck: '6.00',
    later: { price: '9.99', per: 'month' },
    setupFee: null,
  };
  const features = { storageGB: 10 };
  const plan = { name: 'Oak', ways: [way], setupFee: '5.00', features: features as never, domain: null, includes: [] };
  expect(typedOf(plan, '/plans/0/ways/0/later')).toBe('9.99 month');
  expect(typedOf(plan, '/plans/0/ways/0/setupFee')).toBe('');
  expect(typedOf(plan, '/plans/0/setupFee')).toBe('5.00');
  expect(typedOf(plan, '/plans/0/features/storageGB')).toBe('10');
});
