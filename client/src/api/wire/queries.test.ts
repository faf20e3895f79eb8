import { expect, test } from 'vitest';
import { nameCostsQuery, nearQuery } from '../names/names';
import { comparisonQuery, orderQuery, siteQuery, stoppingQuery } from './queries';
import { scanQuery, settlingQuery } from '../site/scan';
import { bookFileQuery, historyQuery, priceListQuery } from '../books/shelf';
import { slipQuery } from '../site/slip';

const key = ({ queryKey }: { queryKey: readonly unknown[] }) => JSON.stringify(queryKey);

// Two questions that may have different answers must never share an answer that was kept.
test.each([
  ['site', key(siteQuery('s', 'A')), [siteQuery('t', 'A'), siteQuery('s', 'B'), siteQuery('s', undefined)].map(key)],
  ['order', key(orderQuery('o')), [key(orderQuery('p'))]],
  [
    'comparison',
    key(comparisonQuery('s', 3, 'A', 'B')),
    [
      comparisonQuery('t', 3, 'A', 'B'),
      comparisonQuery('s', 4, 'A', 'B'),
      comparisonQuery('s', 3, 'B', 'A'),
      comparisonQuery('s', 3, 'A', undefined),
    ].map(key),
  ],
  [
    'stopping',
    key(stoppingQuery('s', 3, 'A')),
    [stoppingQuery('t', 3, 'A'), stoppingQuery('s', 4, 'A'), stoppingQuery('s', 3, 'B')].map(key),
  ],
  [
    'slip',
    key(slipQuery('s', 'A', 3)),
    [slipQuery('t', 'A', 3), slipQuery('s', 'B', 3), slipQuery('s', 'A', 4)].map(key),
  ],
  [
    'name costs',
    key(nameCostsQuery('s', 'A', 3)),
    [nameCostsQuery('t', 'A', 3), nameCostsQuery('s', 'B', 3), nameCostsQuery('s', 'A', 4)].map(key),
  ],
  [
    'near names',
    key(nearQuery('s', 'A', 'wren', 'com')),
    [nearQuery('t', 'A', 'wren', 'com'), nearQuery('s', 'A', 'ostler', 'com'), nearQuery('s', 'A', 'wren', 'org')].map(
      key,
    ),
  ],
  [
    'settling',
    key(settlingQuery('s', 3, 'horizon', false)),
    [
      settlingQuery('t', 3, 'horizon', false),
      settlingQuery('s', 4, 'horizon', false),
      settlingQuery('s', 3, 'dueToday', false),
      settlingQuery('s', 3, 'horizon', true),
    ].map(key),
  ],
  ['price list', key(priceListQuery('a')), [key(priceListQuery('b'))]],
  ['file', key(bookFileQuery('a')), [key(bookFileQuery('b'))]],
  ['history', key(historyQuery('a')), [key(historyQuery('b'))]],
])('%s: another question has another key', (_, one, others) => {
  expect(others).not.toContain(one);
  expect(new Set(others).size).toBe(others.length);
});

test('a scan by another measure, or by plan, is another scan', () => {
  const scan = (objective: string, byPlan: boolean, revision = 3, oneSeller = false) =>
    key(scanQuery('s', revision, objective, byPlan, oneSeller, () => undefined));
  expect(
    new Set([
      scan('horizon', false),
      scan('dueToday', false),
      scan('horizon', true),
      scan('horizon', false, 4),
      scan('horizon', false, 3, true),
    ]).size,
  ).toBe(5);
});
