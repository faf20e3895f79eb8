// @vitest-environment jsdom
import { cleanup, render, screen } from '@testing-library/react';
import { afterEach, expect, it } from 'vitest';
import { inSite } from '../../../api/site/inSite';
import { LastLook } from './LastLook';

afterEach(cleanup);

const books = [
  {
    id: 'tide',
    provider: 'Tidemarsh',
    plans: [{ id: 'slip', name: 'Slipway' }],
    pricesIncludeTax: false,
    isOld: false,
    asOf: '2026-11-20',
  },
  { id: 'yarrow', provider: 'Nameyarrow', plans: [], pricesIncludeTax: true, isOld: true, asOf: '2026-09-01' },
  { id: 'fern', provider: 'Fernhollow', plans: [], pricesIncludeTax: true, isOld: true, asOf: '2026-09-01' },
];
const line = (kind: string, ref: string, more: object = {}) => ({
  kind,
  ref,
  quantity: 1,
  forDomain: null,
  included: null,
  coversUntil: null,
  discounts: [],
  afterDiscounts: '9.50',
  ...more,
});
const bill = (book: string | null, lines: object[], more: object = {}) => ({
  book,
  currency: 'GBP',
  date: '2026-12-01',
  lines,
  tax: '0.00',
  net: '9.50',
  total: '9.50',
  ...more,
});
const worksheet = {
  candidate: { hosting: { book: 'tide' }, domains: [{ route: 'register', name: 'wren', ending: 'org', years: 2 }] },
  extras: [
    { id: 'mail', seller: 'Nameyarrow', name: 'Name mail' },
    { id: 'mail', seller: 'Tidemarsh', name: 'Mailboxes' },
  ],
  timeline: null as object | null,
};

function shown(bills: object[], more: object = {}, ofCosting: object = {}) {
  const page = { settings: { startDate: '2026-12-01' }, worksheet: { ...worksheet, ...more } };
  const costing = { bills, totals: { currency: 'GBP', next: null }, priceStep: null, ...ofCosting };
  const { whole } = inSite(<LastLook costing={costing as never} />, page, { books });
  return render(whole).container.textContent;
}

const rows = () => screen.getAllByRole('row').map((row) => row.textContent);

it('each line of today’s bills is named as what it is, with what was taken off, and how long it is paid', () => {
  shown([
    bill('tide', [
      line('plan', 'slip', { coversUntil: '2027-12-01', discounts: [{ source: 'REED', amount: '3.00' }] }),
      line('dataCentre', 'north'),
      line('setup', 'slip', { afterDiscounts: '4.00' }),
      line('domain', 'wren.org', { quantity: 2, discounts: [{ source: 'included', amount: '11.50' }] }),
      line('addOn', 'mail', { quantity: 3 }),
      line('addOn', 'other', { included: 'with the plan' }),
    ]),
    bill('tide', [line('plan', 'slip')], { date: '2027-01-01', total: '77.00' }),
  ]);
  expect(rows().slice(1)).toEqual([
    'Slipway, hostingREED: −3.00paid until 1 Dec 20279.50',
    'Data centre northonce9.50',
    'Setting Slipway uponce4.00',
    'wren.orgincluded with the plan: −11.50once9.50',
    '3 × Mailboxesonce9.50',
    'otherincluded9.50',
    'Due today£9.50',
  ]);
});

it.each([
  ['tide', { tax: '1.90', total: '11.40' }, 'Tax1.90'],
  ['yarrow', { tax: '1.58', net: '7.92' }, 'of which tax1.58'],
  ['yarrow', { tax: '1.58' }, null], // Nothing is paid beyond what is shown.
  ['tide', { net: '9.00' }, null],
])('tax on a bill of %s %j: %s', (book, more, words) => {
  shown([bill(book, [line('domain', 'wren.org')], more)]);
  expect(rows().find((row) => /tax/i.test(row)) ?? null).toBe(words);
});

it('prices read long ago are said of those who are paid today', () => {
  const words = shown([bill('tide', []), bill('yarrow', [])]);
  expect(words).toContain('The prices of Nameyarrow were read on 1 Sept 2026');
  expect(words).not.toContain('The prices of Tidemarsh');
  expect(words).not.toContain('The prices of Fernhollow');
});

it.each([
  [[bill('tide', [])], { domains: [] }, null],
  [[bill('tide', []), bill('yarrow', [])], { hosting: {}, domains: [] }, /Two sellers: .* The name is pointed/],
  [[bill('tide', []), bill('yarrow', []), bill(null, [])], { domains: [] }, /3 sellers: (?!.*The name is pointed)/],
])('%#: more than one seller is more than one log-in', (bills, candidate, words) => {
  const said = shown(bills, { candidate });
  expect(words ? words.test(said) : !said.includes('sellers:')).toBe(true);
});

it('the name that is registered is spelt out, and no other', () => {
  expect(shown([bill('tide', [])])).toContain('afterwards: wren.orgregistered for 2 years');
  cleanup();
  const kept = { domains: [{ route: 'keep', name: 'wren', ending: 'org', years: 1 }] };
  expect(shown([bill('tide', [])], { candidate: kept })).not.toContain('Read the name once more');
});

const bar = (date: string, total: string, more: object = {}) => ({ date, total, atLeast: false, within: [], ...more });

it('what falls due next is the first bill after today, also within a year that is drawn as one', () => {
  const year = bar('2026-12-01', '99.00', {
    within: [bar('2026-12-01', '9.50'), bar('2027-01-01', '8.50', { atLeast: true })],
  });
  const words = shown([bill('tide', [])], { timeline: { bars: [year, bar('2027-12-01', '7.00')] } });
  expect(words).toContain('The next at least £8.50 is due on 1 January 2027.');
  expect(words).not.toContain('first price is over');
});

it('the end of the first price is said with it', () => {
  const timeline = { bars: [bar('2026-12-01', '9.50'), bar('2027-12-01', '7.00')] };
  expect(shown([bill('tide', [])], { timeline }, { priceStep: { date: '2027-12-01' } })).toContain(
    'The next £7.00 is due on 1 December 2027. From 1 December 2027 the plan’s first price is over.',
  );
});
