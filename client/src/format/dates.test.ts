import { expect, test } from 'vitest';
import { clockTime, instant, longDay, ago, monthOf, shortDay, shortMonthOf } from './dates';

// The suite runs once west and once east of Greenwich (package.json), both in summer time: a day is that day in either.
test('a day is the same day wherever the browser is', () => {
  for (const [day, long, short] of [
    ['2026-07-01', '1 July 2026', '1 Jul 2026'],
    ['2026-12-31', '31 December 2026', '31 Dec 2026'],
    ['2027-01-01', '1 January 2027', '1 Jan 2027'],
    ['2026-03-29', '29 March 2026', '29 Mar 2026'],
  ] as const) {
    expect(longDay(day)).toBe(long);
    expect(shortDay(day)).toBe(short);
  }

  expect(monthOf('2026-08-01')).toBe('August 2026');
  expect(shortMonthOf('2026-08-01')).toBe('Aug 2026');
  expect(instant('2026-07-02') - instant('2026-07-01')).toBe(86_400_000);
});

test.each([
  ['2026-12-01T12:00:00Z', 'just now'],
  ['2026-12-01T11:59:01Z', 'just now'],
  ['2026-12-01T11:59:00Z', '1 minute ago'],
  ['2026-12-01T11:00:01Z', '59 minutes ago'],
  ['2026-12-01T10:00:00Z', '2 hours ago'],
  ['2026-11-29T12:00:00Z', '2 days ago'],
  ['2026-12-01T12:00:30Z', 'in a moment'],
  ['2026-12-01T12:02:00Z', 'in 2 minutes'],
])('how far %s is away', (at, words) => {
  expect(ago(at, Date.parse('2026-12-01T12:00:00Z'))).toBe(words);
});

test('a moment is told by the clock on the reader’s wall', () => {
  const noon = new Date('2026-07-01T12:00:00Z');
  const two = (number: number) => String(number).padStart(2, '0');
  expect(clockTime('2026-07-01T12:00:00Z')).toBe(`${two(noon.getHours())}:${two(noon.getMinutes())}`);
  expect(noon.getHours()).not.toBe(12); // The zones of the suite are not the server's.
});
