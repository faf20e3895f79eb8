import { expect, it } from 'vitest';
import { isNameAlone, shownOnline } from './shown';

const order = (id: string, more: object = {}) =>
  ({
    id,
    state: 'completed',
    claimOf: null,
    there: null,
    keySheet: { domain: null, provider: 'Tidemarsh' },
    ...more,
  }) as never;
const named = (domain: string, provider: string | null = null) => ({ keySheet: { domain, provider } });
const shown = (...orders: ReturnType<typeof order>[]) => shownOnline(orders).map(({ id }) => id);

it('shows what is delivered, each hosting once with the first name claimed for it', () => {
  const first = order('first', { claimOf: 'hosting', ...named('wren.com') });
  const second = order('second', { claimOf: 'hosting', ...named('wren.co.uk') });
  expect(shown(order('placed', { state: 'running' }), order('hosting'))).toEqual(['hosting']);
  expect(shown(first, order('hosting'))).toEqual(['hosting']);
  expect(shown(second, first, order('hosting'))).toEqual(['second', 'hosting']);
  expect(shown(first, order('hosting', named('ostler.com', 'Tidemarsh')))).toEqual(['first', 'hosting']);
  expect(shown(first, order('other'))).toEqual(['first', 'other']);
});

it('tells a name that was bought alone', () => {
  expect(isNameAlone(order('a', named('wren.com')))).toBe(true);
  expect(isNameAlone(order('a', named('wren.com', 'Tidemarsh')))).toBe(false);
  expect(isNameAlone(order('a', { ...named('wren.com'), claimOf: 'b' }))).toBe(false);
  expect(isNameAlone(order('a', { ...named('wren.com'), there: {} }))).toBe(false);
  expect(isNameAlone(order('a', { keySheet: null }))).toBe(false);
});
