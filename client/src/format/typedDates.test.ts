import { describe, expect, it, test } from 'vitest';
import { daySent, dayTyped, monthAndYear } from './typedDates';

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

describe('a day', () => {
  it.each([
    ['2027-12-03', '2027-12-03'],
    ['2027/12/3', '2027-12-03'],
    ['20271203', '2027-12-03'],
    ['3 Dec 2027', '2027-12-03'],
    ['3rd December 2027', '2027-12-03'],
    ['3-dec-27', '2027-12-03'],
    ['Dec 3, 2027', '2027-12-03'],
    ['december 3 2027', '2027-12-03'],
    ['03/12/2027', '2027-12-03'],
    ['3.12.27', '2027-12-03'],
    ['03122027', '2027-12-03'],
    ['12/31/2027', '2027-12-31'],
    ['29 Feb 2028', '2028-02-29'],
    [' 3 Dec 2027 ', '2027-12-03'],
  ])('%s', (typed, day) => expect(dayTyped(typed)).toBe(day));

  it.each(['', 'soon', '29 Feb 2027', '32/13/2027', '31 Nov 2027', '12/29', '1229', 'Dec 2027', '3 Dez 2027'])(
    'is not in %j',
    (typed) => expect(dayTyped(typed)).toBeNull(),
  );

  it.each([
    ['12/29', '2029-12-31'],
    ['1229', '2029-12-31'],
    ['Feb 2028', '2028-02-29'],
    ['3 Dec 2027', '2027-12-03'],
  ])('on a card: %s', (typed, day) => expect(dayTyped(typed, true)).toBe(day));

  it('is sent, or else what was typed is', () => {
    expect(daySent('3 Dec 2027')).toBe('2027-12-03');
    expect(daySent(' next week ')).toBe('next week');
  });
});
