import { expect, test } from 'vitest';
import { unsentWords } from './words';

const soon = () => new Date(Date.now() + 30_000).toISOString();
const letter = (to: string, tries: number, nextAt: string | null = soon()) => ({
  to,
  subject: 'Your order',
  writtenAt: '2026-12-01T09:00:00Z',
  tries,
  nextAt,
});

test.each([
  { older: [], now: 'being sent' },
  { older: [letter('b@x.example', 2)], now: 'being sent' },
  { older: [letter('a@x.example', 2, null)], now: 'being sent' }, // The older one goes nowhere: nothing waits for it.
  { older: [letter('a@x.example', 2)], now: 'goes after the older mail to the same address' },
])('a mail not tried yet: $now', ({ older, now }) => {
  expect(unsentWords(letter('a@x.example', 0), older)).toBe(now);
});

test('a mail that nobody takes says how often it was tried, and one refused for good says why', () => {
  expect(unsentWords(letter('a@x.example', 1), [])).toMatch(/^Not taken yet after one try; to be tried again .+\.$/);
  expect(unsentWords(letter('a@x.example', 3), [])).toMatch(/^Not taken yet after 3 tries; to be tried again .+\.$/);
  expect(unsentWords(letter('a@x.example', 3, null), [])).toBe(
    'The mail server will not have it: the address may be wrong.',
  );
});
