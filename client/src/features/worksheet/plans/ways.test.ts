import { expect, test } from 'vitest';
import type { Book } from '../../../api/wire/client';
import { chosenWay, inOrder, keyOf, waysToPay, type PlanWay } from './ways';

const way = (plan: string, everyMonths: number, dueToday: string | null, more: Partial<PlanWay> = {}) =>
  ({
    book: plan === 'lintel' ? 'plainstone' : 'tidemarsh',
    plan,
    everyMonths,
    commitMonths: everyMonths,
    isChosen: false,
    outcome: dueToday === null ? null : { dueToday, todayAtLeast: false },
    ...more,
  }) as PlanWay;

const books = [
  { id: 'tidemarsh', provider: 'Tidemarsh Hosting' },
  { id: 'plainstone', provider: 'Plainstone Servers' },
] as Book[];

// The least first, as the server has it.
const ways = [
  way('lintel', 12, '97.20'),
  way('slipway', 36, '167.60'),
  way('slipway', 12, '65.15', { isChosen: true }),
  way('lintel', 1, '9.44'),
  way('slipway', 1, '9.00', { outcome: { dueToday: '9.00', todayAtLeast: true } as PlanWay['outcome'] }),
  way('jetty', 12, null),
];

test('each way to pay once, the one that binds least first, told of the plan chosen where that has it', () => {
  expect(waysToPay(ways).map(({ key, told }) => `${key} ${told.plan}`)).toEqual([
    '1/1 slipway',
    '12/12 slipway',
    '36/36 slipway',
  ]);
  expect(waysToPay(ways.slice(0, 2)).map(({ told }) => told.plan)).toEqual(['lintel', 'slipway']); // None is chosen.
  expect([chosenWay(ways), chosenWay([])]).toEqual(['12/12', '']);
});

test('what is due today puts whole sums before those that are only at least, and what cannot be told last', () => {
  expect(inOrder(ways, 'today', books).map((known) => `${known.plan} ${keyOf(known)}`)).toEqual([
    'lintel 1/1',
    'slipway 12/12',
    'lintel 12/12',
    'slipway 36/36',
    'slipway 1/1',
    'jetty 12/12',
  ]);
});

test('by seller the names stand in their order; by the total the server’s order stays', () => {
  expect(inOrder(ways, 'seller', books)[0]?.book).toBe('plainstone');
  expect(inOrder(ways, 'horizon', books)).toEqual(ways);
});
