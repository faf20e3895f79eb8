import { expect, it } from 'vitest';
import { bodyOf, fieldOf, startOf } from './form';

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

it.each([
  ['receipts[1].paid', 'receipts.1.paid'],
  ['receipts[0].lines[2].amount', 'receipts.0.lines.2.amount'],
  ['keys.nameServers[1]', 'keys.nameServers'],
  ['mail', 'mail'],
  ['letter', null],
  ['receipts', null],
])('finds the field of %s', (where, field) => expect(fieldOf(where)).toBe(field));
