import { expect, it } from 'vitest';
import { bodyOf, fieldOf, receiptOf, startOf } from './form';

it('sends what was typed, and nothing for what was left empty', () => {
  const form = startOf('2026-12-01', ['tidemarsh'], null);
  form.receipts[0]!.paid = '£65.15';
  form.keys.nameServers = 'ns1.example.net, ns2.example.net';
  const body = bodyOf(form);
  expect(body.receipts).toEqual([{ book: 'tidemarsh', paid: '£65.15', reference: null, lines: [] }]);
  expect(body.keys.nameServers).toEqual(['ns1.example.net', 'ns2.example.net']);
  expect(body.keys.logIn).toBeNull();
  expect(body.cardExpires).toBeNull();
});

it('takes the lines of a receipt that was read, none below zero, and what was paid', () => {
  const line = { kind: 'plan', months: 12, quantity: 1, struck: null };
  const read = {
    lines: [
      { ...line, name: 'Kern hosting', domain: null, amount: '60.00' },
      { ...line, name: 'Domain privacy', domain: 'lark.com', amount: '5.00' },
    ],
    discounts: [{ name: 'SPRING', amount: '6.00' }],
    total: '59.00',
  };
  expect(receiptOf(read as never)).toEqual({
    paid: '59.00',
    lines: [
      { what: 'Kern hosting', amount: '60.00' },
      { what: 'Domain privacy for lark.com', amount: '5.00' },
    ],
  });
});

it.each([
  ['receipts[1].paid', 'receipts.1.paid'],
  ['receipts[0].lines[2].amount', 'receipts.0.lines.2.amount'],
  ['keys.nameServers[1]', 'keys.nameServers'],
  ['mail', 'mail'],
  ['letter', null],
  ['receipts', null],
])('finds the field of %s', (where, field) => expect(fieldOf(where)).toBe(field));
