import { expect, it } from 'vitest';
import { changeWords, partWords } from './words';

it.each([
  [
    { part: 'later-price', ref: 'slipway 12/12', kind: 'dearer', from: '107.88', to: '131.88', currency: 'GBP' },
    'the later price of slipway, every 12 months: dearer, £107.88 became £131.88',
  ],
  [
    { part: 'way-to-pay', ref: 'jetty 1/12', kind: 'gone', from: null, to: null, currency: null },
    'the way to pay jetty, monthly, committed for 12 months is gone',
  ],
  [
    { part: 'renewing', ref: 'co.uk', kind: 'no-longer-stated', from: '9.00', to: null, currency: 'GBP' },
    'each later year of .co.uk is not stated any more; it was £9.00',
  ],
  [
    { part: 'refund', ref: '', kind: 'changed', from: null, to: null, currency: null },
    'what leaving early gives back changed',
  ],
] as const)('%o: %s', (change, words) => expect(changeWords(change)).toBe(words));

it('a plan with figures in its id is not taken for a way to pay', () =>
  expect(partWords('plan', 'plan-24')).toBe('the plan plan-24'));
