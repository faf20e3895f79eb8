import { expect, it } from 'vitest';
import { adding, at, copying, place, pointer, resolved, setting, type Json } from './document';

const book: Json = {
  id: 'tide',
  plans: [
    { id: 'slipway', name: 'Slipway', billing: [{ everyMonths: 12, prices: [{ amount: '48.00' }] }] },
    { id: 'slipway-copy', name: 'Other' },
  ],
  'a/b~c': 1,
};

it('finds what stands at a place, and nothing where nothing does', () => {
  expect(at(book, ['plans', 0, 'name'])).toBe('Slipway');
  expect(at(book, ['plans', 7, 'name'])).toBeUndefined();
  expect(at(book, ['id', 'deeper'])).toBeUndefined();
});

it('writes places as changes and as faults have them', () => {
  expect(pointer(['plans', 0, 'a/b~c'])).toBe('/plans/0/a~1b~0c');
  expect(place(['plans', 0, 'billing', 1, 'setupFee'])).toBe('plans[0].billing[1].setupFee');
});

it('sets a value where what holds it is there', () =>
  expect(setting(book, ['plans', 0, 'name'], 'Slip')).toEqual([
    { op: 'add', path: '/plans/0/name', value: 'Slip', from: null },
  ]));

it('makes what has to hold a value first', () => {
  expect(setting(book, ['refund', 'days'], 30)).toEqual([
    { op: 'add', path: '/refund', value: { days: 30 }, from: null },
  ]);
  expect(setting(book, ['plans', 1, 'billing', 0, 'setupFee'], '9')).toEqual([
    { op: 'add', path: '/plans/1/billing', value: [{ setupFee: '9' }], from: null },
  ]);
});

it('takes away what is there, and changes nothing where nothing is', () => {
  expect(setting(book, ['plans', 0, 'name'], undefined)[0]).toMatchObject({ op: 'remove', path: '/plans/0/name' });
  expect(setting(book, ['refund', 'days'], undefined)).toEqual([]);
});

it('gives a price before another an end', () => {
  const edits = adding(book, ['plans', 0, 'billing', 0, 'prices']);
  expect(edits).toMatchObject([
    { op: 'add', path: '/plans/0/billing/0/prices/0/periods', value: 1 },
    { op: 'add', path: '/plans/0/billing/0/prices/-', value: { amount: null } },
  ]);
});

it('adds an item with an id that no other has, also to a list that is not there', () => {
  expect(adding(book, ['plans'])).toMatchObject([{ op: 'add', path: '/plans/-', value: { id: 'new-plan' } }]);
  expect(adding(book, ['addOns'])).toMatchObject([{ op: 'add', path: '/addOns', value: [{ id: 'new-extra' }] }]);
});

it('copies an item under an id and a name of its own', () =>
  expect(copying(book, ['plans', 0])).toMatchObject([
    { op: 'copy', from: '/plans/0', path: '/plans/-' },
    { op: 'replace', path: '/plans/2/id', value: 'slipway-copy-2' },
    { op: 'replace', path: '/plans/2/name', value: 'Slipway, copy' },
  ]));

it('follows a reference, and keeps its name', () => {
  const whole = { $defs: { amount: { type: 'string' } } };
  expect(resolved({ $ref: '#/$defs/amount' }, whole)).toEqual({ shape: { type: 'string' }, name: 'amount' });
  expect(resolved({ type: 'integer' }, whole)).toEqual({ shape: { type: 'integer' }, name: '' });
});
