import { expect, it, test } from 'vitest';
import type { NameAnswer, NameCost } from '../../api/wire/client';
import { leastOf, nearest, rankOf } from './costs';

const cost = { ending: 'com', book: 'one', rank: 2 } as NameCost;
const answer = { ending: 'com', buyable: 'anywhere' } as NameAnswer;

test.each([
  ['me.uk', ['co.uk', 'com', 'net', 'shop']],
  ['me', ['com', 'net', 'shop', 'co.uk']],
  [null, ['com', 'net', 'shop', 'co.uk']],
])('nearest to .%s that are sold', (wanted, endings) =>
  expect(nearest(['net', 'com', 'shop', 'co.uk', 'org'], wanted)).toEqual(endings),
);

it('goes by the server’s ranks, names that cannot be had last', () => {
  const costs = [cost, { ...cost, book: 'two', rank: 1 }, { ...cost, book: 'three', rank: null }];
  expect(leastOf(costs, 'com')?.book).toBe('two');
  expect(leastOf(costs, 'org')).toBeUndefined();
  const taken = { ...answer, buyable: 'nowhere' as const };
  expect(rankOf([taken, answer], costs)).toBe(1);
  expect(rankOf([taken, undefined], costs)).toBeGreaterThan(
    rankOf([{ ...answer, buyable: 'where-asked', premiumCost: cost }], costs),
  );
});
