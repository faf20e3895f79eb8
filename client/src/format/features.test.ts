import { expect, it } from 'vitest';
import type { Schemas } from '../api/wire/client';
import { comesWith, differing, featureWords } from './features';

type Plan = Schemas['PlanWire'];

const plan = (features: object, more: object = {}) =>
  ({ features, includes: [], includedDomain: null, ...more }) as unknown as Plan;

it.each([
  [true, 'yes'],
  [false, 'no'],
  [10, '10'],
  ['shared', 'shared'],
  [['php', 'node'], 'php, node'],
  [undefined, 'not stated'],
  [null, 'not stated'],
])('%o is %s', (value, words) => expect(featureWords(value)).toBe(words));

it('only what differs among plans is shown, and what one does not say differs', () =>
  expect(
    differing([plan({ websites: 1, storageGB: 10, ownIp: true }), plan({ websites: 1, storageGB: 20 })]).map(
      ([key]) => key,
    ),
  ).toEqual(['storageGB', 'ownIp']));

it('says what comes with a plan, and on what condition', () => {
  const domain = { everyYear: false, endings: ['com', 'org'], minCommitMonths: 12 };
  expect(comesWith(plan({}))).toBe('nothing more');
  expect(comesWith(plan({}, { includes: ['Backup'], includedDomain: domain }))).toBe(
    'Backup, a domain-year once (.com, .org) if you commit to 1 year or more',
  );
  expect(comesWith(plan({}, { includedDomain: { ...domain, everyYear: true, minCommitMonths: 0 } }))).toBe(
    'a domain-year every year (.com, .org)',
  );
});
