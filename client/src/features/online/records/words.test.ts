import { expect, test } from 'vitest';
import { ttlWords } from './words';

test('how long a record is remembered is said in the largest unit that fits', () => {
  expect(ttlWords(3600)).toBe('1 hour');
  expect(ttlWords(7200)).toBe('2 hours');
  expect(ttlWords(86_400)).toBe('1 day');
  expect(ttlWords(300)).toBe('5 minutes');
  expect(ttlWords(90)).toBe('90 seconds');
  expect(ttlWords(1)).toBe('1 second');
});
