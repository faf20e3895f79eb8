import { expect, test } from 'vitest';
import { fieldOf } from './form';

test('faults find the field they are about, by seller and by domain', () => {
  const find = (where: string) => fieldOf(where, ['tidemarsh', 'nameyarrow'], ['wren.com']);
  expect(find('contact.name')).toBe('contact.name');
  expect(find('holder.mail')).toBe('holder.mail');
  expect(find('logIn.user')).toBe('logIn.user');
  expect(find('payments.nameyarrow')).toBe('pay.1.way');
  expect(find('transfers.wren.com')).toBe('transfers.0');
  expect(find('card')).toBe('card.number');
  expect(find('transfers.other.com')).toBeNull();
  expect(find('domain')).toBeNull();
});
