// @vitest-environment jsdom
import { beforeEach, expect, test } from 'vitest';
import { placingId } from './placing';
import { quotesQuery } from './quotes';

beforeEach(() => localStorage.clear());

test('a second press orders under the same id, and the next order under a new one', () => {
  const first = placingId.make('site', 'A');
  expect(placingId.make('site', 'A')).toBe(first);
  expect(placingId.kept('site', 'A')).toBe(first);
  expect(placingId.make('site', 'B')).not.toBe(first);
  expect(placingId.make('other', 'A')).not.toBe(first);
  placingId.drop('site', 'A');
  expect(placingId.kept('site', 'A')).toBeNull();
  expect(placingId.make('site', 'A')).not.toBe(first);
});

test('a quote for another site, revision, candidate or country is another quote', () => {
  const keys = [
    quotesQuery('s', 1, 'A', 'GB'),
    quotesQuery('t', 1, 'A', 'GB'),
    quotesQuery('s', 2, 'A', 'GB'),
    quotesQuery('s', 1, 'B', 'GB'),
    quotesQuery('s', 1, 'A', 'IE'),
  ].map(({ queryKey }) => JSON.stringify(queryKey));
  expect(new Set(keys).size).toBe(keys.length);
});
