// @vitest-environment jsdom
import { cleanup, render } from '@testing-library/react';
import { afterEach, expect, it, vi } from 'vitest';
import { inSite } from '../../api/site/inSite';
import { useWayTitle, WayWords } from './WayWords';

vi.mock('../../ui/said/SellerNotes', () => ({ SellerNotes: () => null }));

afterEach(cleanup);

const books = [
  {
    id: 'plain',
    provider: 'Plainstone',
    currency: 'GBP',
    plans: [{ id: 'lintel', name: 'Lintel' }],
    addOns: [{ id: 'mail', name: 'Mailboxes' }],
    dataCentres: [{ id: 'north', name: 'Northby' }],
  },
  {
    id: 'yarrow',
    provider: 'Nameyarrow',
    currency: 'USD',
    plans: [],
    addOns: [{ id: 'mail', name: 'Name mail' }],
    dataCentres: [],
  },
];
const hosting = { book: 'plain', plan: 'lintel', everyMonths: 12, commitMonths: null, dataCentre: null };
const domain = { book: 'yarrow', name: 'wren', ending: 'org', addOns: [], codes: [] };
const page = { settings: { currency: 'GBP' } };

const Title = ({ of }: { of: object }) => <>{useWayTitle()(of as never)}</>;
const said = (row: object) =>
  render(inSite(<WayWords row={{ priceStep: null, ...row } as never} />, page, { books }).whole).container.textContent;

it.each([
  [{ hosting, domains: [domain] }, 'Plainstone, Lintel, yearly, .org from Nameyarrow'],
  [{ hosting, domains: [{ ...domain, book: 'plain' }] }, 'Plainstone, Lintel, yearly'],
  [
    { hosting: { ...hosting, everyMonths: 1, commitMonths: 24 }, domains: [] },
    'Plainstone, Lintel, monthly, committed for 2 years',
  ],
])('a way to buy in a sentence: %#', (candidate, words) => {
  expect(render(inSite(<Title of={candidate} />, page, { books }).whole).container.textContent).toBe(words);
});

it('two sellers, each with its own extras, codes and currency', () => {
  const words = said({
    candidate: {
      hosting: { ...hosting, dataCentre: 'north', addOns: [{ id: 'mail', quantity: 3 }], codes: ['REED'] },
      domains: [{ ...domain, addOns: [{ id: 'mail', quantity: 1 }], codes: ['LARK'] }],
    },
  });
  expect(words).toBe(
    'Plainstone, Lintel, yearlywren.org from Nameyarrow; data centre Northby; 3 × Mailboxes, Name mail; ' +
      'code REED, code LARKpriced in USD, converted at your rate; ' +
      'two sellers: you connect the name to the host yourself, about ten minutes',
  );
});

it('one seller in the owner’s currency needs no note', () => {
  expect(said({ candidate: { hosting, domains: [{ ...domain, book: 'plain' }] } })).toBe(
    'Plainstone, Lintel, yearlywren.org from Plainstone',
  );
});

it.each([
  ['8.99', 'from 1 Dec 2027 £8.99 a month instead of £2.99'],
  [null, 'later price not stated'],
])('a price step to %s', (to, words) => {
  const step = { date: '2027-12-01', from: '2.99', to, currency: 'GBP' };
  expect(said({ candidate: { hosting, domains: [] }, priceStep: step })).toBe(`Plainstone, Lintel, yearly${words}`);
});
