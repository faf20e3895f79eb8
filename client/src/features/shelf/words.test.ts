import { expect, it } from 'vitest';
import { changeRuleWords, changeWords, lapses, partWords } from './words';

it.each([
  [
    {
      part: 'later-price',
      ref: 'slipway 12/12',
      name: 'Slipway',
      kind: 'dearer',
      from: '107.88',
      to: '131.88',
      currency: 'GBP',
    },
    'the later price of Slipway, yearly: dearer, £107.88 became £131.88',
  ],
  [
    { part: 'way-to-pay', ref: 'jetty 1/12', name: null, kind: 'gone', from: null, to: null, currency: null },
    'the way to pay jetty, monthly, committed for 1 year is gone',
  ],
  [
    { part: 'renewing', ref: 'co.uk', name: null, kind: 'no-longer-stated', from: '9.00', to: null, currency: 'GBP' },
    'each later year of .co.uk is not stated any more; it was £9.00',
  ],
  [
    { part: 'refund', ref: '', name: null, kind: 'changed', from: null, to: null, currency: null },
    'what leaving early gives back changed',
  ],
] as const)('%o: %s', (change, words) => expect(changeWords(change)).toBe(words));

it('a plan with figures in its id is not taken for a way to pay', () =>
  expect(partWords('plan', 'plan-24', null)).toBe('the plan plan-24'));

it('a rule that is only half stated says what is not', () => {
  expect(changeRuleWords({ creditsDays: true, firstPrice: null })).toBe(
    'The days that are left are credited; whether the first price counts again is not stated.',
  );
  expect(changeRuleWords(null)).toContain('is not stated');
});

it('endings that lapse alike are said together', () => {
  const lapse = { graceDays: 30, redemptionDays: 30, redemptionFee: '96.00', pendingDays: 5 };
  const ending = (name: string, rule: typeof lapse | null) => ({ ending: name, lapse: rule });
  const list = { book: { currency: 'GBP' }, endings: [ending('com', lapse), ending('uk', null), ending('org', lapse)] };
  expect(lapses(list as unknown as Parameters<typeof lapses>[0])).toEqual([
    [
      'for 30 days it can be renewed as usual, then for 30 days at a fee of £96.00; 5 days later it is gone',
      '.com .org',
    ],
    ['not stated', '.uk'],
  ]);
});
