import { expect, it } from 'vitest';
import { count, cycleWord, perWord, shortSpan, span, wayToPay } from './words';

it.each([
  [1, 'one month', '1 month'],
  [12, 'one year', '1 year'],
  [30, '30 months', '30 months'],
  [36, 'three years', '3 years'],
  [132, '11 years', '11 years'],
])('%i months are %s, in short %s', (months, long, short) => {
  expect(span(months)).toBe(long);
  expect(shortSpan(months)).toBe(short);
});

it('ways to pay say what binds longer than a bill', () => {
  expect(wayToPay(12, 12)).toBe('every 12 months');
  expect(wayToPay(1, 1)).toBe('monthly');
  expect(wayToPay(1, 12)).toBe('monthly, committed for 12 months');
  expect([1, 12, 24].map(cycleWord)).toEqual(['monthly', 'yearly', '2 years']);
  expect(perWord('year')).toBe('a year');
  expect(count(5000)).toBe('5,000');
});
