// @vitest-environment jsdom
import { cleanup, render, screen } from '@testing-library/react';
import { afterEach, expect, it } from 'vitest';
import { inSite } from '../../api/site/inSite';
import Origin from './Origin';

afterEach(cleanup);

const read = (of: string, words: string, commitMonths: number | null = null) => ({
  of,
  words,
  commitMonths,
  on: '2026-11-20',
});
const book = {
  id: 'tide',
  provider: 'Tidemarsh',
  asOf: '2026-11-20',
  isOld: false,
  pricesIncludeTax: false,
  plans: [
    {
      id: 'slip',
      readFrom: [read('price', '£2.99', 12), read('later', '£8.99', 36), read('setup', '£4'), read('price', '£2.99')],
    },
  ],
  addOns: [{ id: 'mail', readFrom: [read('price', 'mail £1')] }],
  domains: [
    { ending: 'uk', readFrom: [read('register', 'uk £5')] },
    { ending: 'co.uk', readFrom: [read('register', 'co.uk £6')] },
  ],
};
const line = (kind: string, ref: string, more: object = {}) => ({
  kind,
  ref,
  coversFrom: null,
  coversUntil: null,
  included: null,
  atLeast: false,
  amount: '12.00',
  inRow: '12.00',
  discounts: [],
  ...more,
});
const bill = (column: number, lines: object[], more: object = {}) => ({
  book: 'tide',
  currency: 'GBP',
  date: `2027-0${column + 1}-01`,
  column,
  tax: '0.00',
  net: '12.00',
  lines,
  ...more,
});

interface Given {
  at: number | 'folded' | 'total';
  books: object[];
  more: object;
  settings: object;
}

function shown(
  row: object,
  bills: object[] = [],
  { at = 'total', books = [book], more = {}, settings = {} }: Partial<Given> = {},
) {
  const page = {
    settings: { currency: 'GBP', taxPercent: '20', countTax: true, rates: { USD: '0.8' }, rateDates: {}, ...settings },
    worksheet: {
      candidate: { hosting: { everyMonths: 1, commitMonths: 12 } },
      extras: [{ id: 'mail', every: 'cycle' }],
      ...more,
    },
  };
  const asked = { row: { book: 'tide', ref: null, ...row }, column: { at } };
  const costing = { bills, totals: { currency: 'GBP' } };
  render(inSite(<Origin asked={asked as never} costing={costing as never} />, page, { books }).whole);
  return document.body.textContent;
}

const rows = () =>
  screen
    .getAllByRole('row')
    .slice(1)
    .map((row) => [...row.children].map((cell) => cell.textContent));

it('a figure is made of the lines of its own row, seller and time', () => {
  const plan = { kind: 'plan', ref: 'slip' };
  const bills = [
    bill(0, [
      line('plan', 'slip', { coversFrom: '2027-01-01', coversUntil: '2028-01-01' }),
      line('plan', 'other'),
      line('addOn', 'slip'),
    ]),
    bill(0, [line('plan', 'slip')], { book: 'other' }),
    bill(4, [line('plan', 'slip', { included: 'with it' })]),
    bill(5, [line('plan', 'slip', { atLeast: true, amount: '0.00' })]),
  ];
  shown(plan, bills, { at: 0 });
  expect(rows()).toEqual([['1 Jan 2027', '1 Jan 2027 to 1 Jan 2028', '12.00', '', '£12.00']]);
  cleanup();
  shown(plan, bills, { at: 'folded' });
  expect(rows().map((row) => row.slice(1, 3))).toEqual([
    ['included', '12.00'],
    ['once', 'not stated'],
  ]);
  cleanup();
  shown(plan, bills);
  expect(rows()).toHaveLength(3);
  cleanup();
  expect(shown(plan, bills, { at: 2 })).toContain('There is no bill for it in this period.');
});

it('a code’s row is what it took off each line; a line says what is in rows of their own', () => {
  const discounts = [
    { source: 'REED', amount: '3.00' },
    { source: 'included', amount: '1.00' },
  ];
  const bills = [bill(0, [line('plan', 'slip', { discounts }), line('addOn', 'mail')])];
  shown({ kind: 'code', ref: 'REED' }, bills);
  expect(rows()).toEqual([['1 Jan 2027', 'slip', '12.00', '', '−£3.00']]);
  cleanup();
  shown({ kind: 'plan', ref: 'slip' }, bills);
  expect(rows()[0]![3]).toBe('in its own row: REED −3.00, included with the plan −1.00');
});

it('tax is each bill’s, of every seller; a bill without any is left out', () => {
  const bills = [bill(0, [], { tax: '2.40' }), bill(1, []), bill(2, [], { book: 'other', tax: '1.20' })];
  expect(shown({ kind: 'tax', book: null }, bills)).toContain('20% of what each bill comes to');
  expect(rows().map((row) => row.at(-1))).toEqual(['£2.40', '£1.20']);
});

it.each([
  ['wren.co.uk', ['co.uk £6']],
  ['wren.uk', ['uk £5']],
  ['wren.org', []],
])('of %s the words of its own ending are quoted', (ref, words) => {
  shown({ kind: 'domain', ref });
  expect(screen.queryAllByRole('listitem').map((item) => item.textContent)).toEqual(words);
});

it.each([
  ['plan', 'slip', ['£2.99']],
  ['setup', 'slip', ['£4']],
  ['addOn', 'mail', ['mail £1']],
  ['dataCentre', 'slip', []],
])('of a row of kind %s the words that were read for it are quoted, once', (kind, ref, words) => {
  shown({ kind, ref });
  expect(screen.queryAllByRole('listitem').map((item) => item.textContent)).toEqual(words);
});

it.each([
  [1, 'The plan’s price of each bill, monthly from the start on'],
  [12, 'The plan’s price of each bill, yearly from the start on'],
  [36, 'The plan’s price of each bill, every 3 years from the start on'],
])('paid every %i months, the rule says: %s', (everyMonths, words) => {
  const more = { candidate: { hosting: { everyMonths, commitMonths: null } } };
  expect(shown({ kind: 'plan', ref: 'slip' }, [], { more })).toContain(words);
});

it('of an extra it is said how it is charged', () => {
  expect(shown({ kind: 'addOn', ref: 'mail' })).toContain('Its price with each bill of the plan.');
  cleanup();
  expect(shown({ kind: 'addOn', ref: 'gone' })).toContain('Its price as the seller charges it.');
});

it('whence a price is, how old it is, and what its tax and its rate are', () => {
  const plan = { kind: 'plan', ref: 'slip' };
  expect(shown(plan)).toContain('From the price list of Tidemarsh, read on 20 Nov 2026.');
  cleanup();
  const old = { ...book, isOld: true, pricesIncludeTax: true };
  expect(shown(plan, [], { books: [old] })).toContain('read on 20 Nov 2026, over 60 days ago; its prices include tax.');
  cleanup();
  expect(shown(plan, [], { books: [old], settings: { countTax: false } })).toContain(
    'its prices include tax, which the worksheet leaves out.',
  );
  cleanup();
  const abroad = [bill(0, [line('plan', 'slip')], { currency: 'USD' })];
  expect(shown(plan, abroad)).toContain('One USD is counted as 0.8 GBP; each bill is converted whole');
  cleanup();
  expect(shown(plan, abroad, { settings: { rateDates: { USD: '2026-11-01' } } })).toContain(
    'One USD is counted as 0.8 GBP, as you typed it on 1 Nov 2026; each',
  );
});
