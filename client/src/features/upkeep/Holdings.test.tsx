// @vitest-environment jsdom
import { cleanup, fireEvent, render, screen } from '@testing-library/react';
import { afterEach, expect, it, vi } from 'vitest';
import { inSite } from '../../api/site/inSite';
import { api } from '../../api/wire/client';
import { Holdings } from './Holdings';

vi.mock('./PayMissed', () => ({ PayMissed: () => <button>Pay it</button> }));
vi.mock('./Lapse', () => ({ Lapse: ({ held }: { held: { name: string } }) => <p>{held.name} would lapse</p> }));

afterEach(() => {
  cleanup();
  vi.restoreAllMocks();
});

const held = {
  holding: 'hosting',
  name: 'Slipway',
  seller: 'Tidemarsh',
  state: 'live',
  stateWords: 'live',
  paidUntil: '2027-12-01',
  first: { amount: '26.91', currency: 'GBP', months: 12 },
  next: { amount: '189.07', currency: 'GBP', months: 12, on: '2027-12-01', atLeast: false } as object | null,
  isDearer: true,
  renews: true,
  renewsFrom: null as string | null,
  committedUntil: null as string | null,
  owed: null as object | null,
};

function shown(more: object, balances: object[] = []) {
  const tenure = { orderId: 'o', version: 3, decidingOn: '2027-02-01', holdings: [{ ...held, ...more }], balances };
  render(inSite(<Holdings tenure={tenure as never} />, {}).whole);
  return screen.getAllByRole('row')[1]!.textContent;
}

it.each([
  [{}, '£189.07, up from £26.91on 1 Dec 2027, for 1 year'],
  [{ isDearer: false }, 'next £189.07on 1 Dec 2027'],
  [{ first: { ...held.first, months: 36 } }, 'up from £26.91 for 3 yearson'],
  [{ first: null }, 'next £189.07on'],
  [{ next: { ...held.next, atLeast: true } }, 'next at least £189.07'],
  [{ next: null, isDearer: false }, 'for 1 yearnothing'],
  [{ paidUntil: null }, 'not paid'],
  [{ renewsFrom: '2028-01-01' }, 'decided, from 1 Jan 2028 on'],
  [{ committedUntil: '2029-12-01' }, 'whatever you say until 1 December 2029'],
])('of what one has, %j, it says: %s', (more, words) => expect(shown(more)).toContain(words));

it('what is over says its state and offers nothing; what only stopped may say that nothing comes', () => {
  for (const state of ['left', 'gone']) {
    const words = shown({ state, stateWords: 'it is over', next: null });
    expect(words).toContain('it is over');
    expect(words).not.toContain('nothing');
    expect(screen.queryByRole('switch')).toBeNull();
    expect(screen.queryByRole('button', { name: /If it lapses/ })).toBeNull();
    cleanup();
  }

  expect(shown({ state: 'grace', stateWords: 'not paid in time', next: null })).toContain('nothing');
});

it('what is owed is paid first', () => {
  shown({ owed: {} });
  expect(screen.getByRole('button', { name: 'Pay it' })).toBeTruthy();
  expect(screen.queryByRole('button', { name: /If it lapses/ })).toBeNull();
  cleanup();
  shown({});
  expect(screen.queryByRole('button', { name: 'Pay it' })).toBeNull();
  fireEvent.click(screen.getByRole('button', { name: /If it lapses/ }));
  expect(screen.getByText('Slipway would lapse')).toBeTruthy();
});

it('what a seller owes is said', () => {
  shown({}, [{ seller: 'Tidemarsh', amount: '4.20', currency: 'GBP' }]);
  expect(screen.getByText(/owes you/).textContent).toBe('Tidemarsh owes you £4.20: it is taken off its next bill.');
});

it('a switch shows at once what it is turned to, and sends the decision with the version seen', () => {
  const post = vi.spyOn(api, 'POST').mockReturnValue(new Promise(() => undefined));
  shown({});
  const toggle = screen.getByRole('switch', { name: 'Slipway renews by itself' });
  expect(toggle).toHaveProperty('checked', true);
  fireEvent.click(toggle);
  return vi.waitFor(() => {
    expect(screen.getByRole('switch')).toHaveProperty('checked', false);
    expect(screen.getByText('Changing …')).toBeTruthy();
    expect(post.mock.calls[0]![1]).toMatchObject({
      params: { path: { orderId: 'o' } },
      body: { version: 3, decision: { on: '2027-02-01', do: 'renewing', holding: 'hosting', value: false } },
    });
  });
});
