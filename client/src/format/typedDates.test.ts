import { expect, test } from 'vitest';
import { monthAndYear } from './typedDates';

test.each([
  ['12/29', '12/29'],
  ['1229', '12/29'],
  ['122029', '12/29'],
  [' 9 / 29 ', '09/29'],
  ['09-2031', '09/31'],
  ['9.30', '09/30'],
  ['Dec 2029', '12/29'],
  ['september 31', '09/31'],
  ['13/29', '13/29'],
  ['0029', '0029'],
  ['soon', 'soon'],
  ['Foo 2029', 'Foo 2029'],
  ['12/1929', '12/1929'],
  ['', ''],
])('%s is sent as %s', (typed, sent) => {
  expect(monthAndYear(typed)).toBe(sent);
});
