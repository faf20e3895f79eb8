// @vitest-environment jsdom
import { cleanup, fireEvent, render, screen, within } from '@testing-library/react';
import { afterEach, expect, it, vi } from 'vitest';
import { inSite } from '../../api/site/inSite';
import { keys } from '../../api/wire/keys';
import { Endings } from './Endings';

const answers = vi.hoisted(() => ({ known: {} }));
const ask = vi.hoisted(() => vi.fn());

vi.mock('@tanstack/react-router', () => ({ Link: ({ children }: { children: string }) => <a href="/">{children}</a> }));
vi.mock('./Ideas', () => ({ Ideas: () => null }));
vi.mock('../../api/names/names', async (original) => ({
  ...(await original<object>()),
  useAnswers: () => answers.known,
  useAsking: () => ({ ask, isAsking: false, error: null, pause: null }),
}));

afterEach(() => {
  cleanup();
  ask.mockReset();
});

const free = { state: 'free', buyable: 'anywhere', askedAt: '2026-12-01T09:00:00Z', isOld: false };
const chosen = { route: 'owned', name: 'wren', ending: 'org' };
const hads = [
  { domain: 'lark.com', seller: 'Nameyarrow', reference: 'HS-0000-0001', choice: { name: 'lark', ending: 'com' } },
  { domain: 'wren.com', seller: 'Flatstone', reference: 'HS-7K2Q-M4D8', choice: { ...chosen, ending: 'com' } },
];
const page = (more: object = {}) => ({
  id: 's',
  revision: 7,
  held: [{ name: 'wren', ending: 'org' }],
  settings: { horizonMonths: 36, currency: 'GBP', countTax: true },
  worksheet: {
    letter: 'B',
    endings: [{ ending: 'com' }, { ending: 'org' }],
    candidate: { hosting: null, domains: [] },
    ...more,
  },
});

function shown(of: object = page(), first: string | null = null) {
  const { whole, change } = inSite(<Endings label="wren" first={first} />, of, {
    answers: [
      [keys.namesHad(), hads],
      [keys.nameCosts('s', 'B', 7), []],
      [keys.session(), { hasCounterparts: true }],
    ],
  });
  render(whole);
  const row = (domain: string) => within(screen.getByRole('rowheader', { name: new RegExp(`^${domain}`) }));
  return { change, row };
}

it('a name one has is said to be theirs, with its own order, and can be used for the candidate', () => {
  answers.known = { 'wren.com': free, 'wren.org': free };
  const { change, row } = shown();
  expect(row('wren.com').getByText(/Yours already/).textContent).toContain('at Flatstone: order HS-7K2Q-M4D8.');
  expect(row('wren.com').queryByText('Available.')).toBeNull();
  expect(row('wren.org').queryByText(/Yours already/)).toBeNull();
  expect(row('wren.org').getByText('Available.')).toBeTruthy();
  fireEvent.click(row('wren.com').getByRole('button', { name: 'Use the one I have: wren.com' }));
  expect(change).toHaveBeenCalledWith({ kind: 'choose-domain', letter: 'B', domain: { ...chosen, ending: 'com' } });
});

it('one that is chosen already is not offered again; the same name under another ending is no choice of it', () => {
  const of = (ending: string) => page({ candidate: { hosting: null, domains: [{ name: 'wren', ending }] } });
  expect(
    shown(of('com'))
      .row('wren.com')
      .queryByRole('button', { name: /Use the one/ }),
  ).toBeNull();
  cleanup();
  expect(
    shown(of('org'))
      .row('wren.com')
      .queryByRole('button', { name: /Use the one/ }),
  ).not.toBeNull();
});

it('a name is saved for later or taken from what is saved, each under its own ending', () => {
  answers.known = { 'wren.org': free, 'wren.com': free };
  const { change, row } = shown();
  fireEvent.click(row('wren.org').getByRole('button', { name: /^Remove/ }));
  expect(change).toHaveBeenCalledWith({ kind: 'drop-names', names: [{ name: 'wren', ending: 'org' }] });
  expect(row('wren.com').queryByRole('button', { name: /Save for later/ })).toBeNull(); // It is theirs.
});

it.each([
  ['taken', {}, false],
  ['reserved', {}, false],
  ['unchecked', {}, true],
  ['free', { isOld: true }, true],
  ['free', { isContradicted: true }, true],
  ['free', {}, false],
])('an answer "%s" %j is asked for again: %s', (state, more, isAsked) => {
  answers.known = { 'wren.org': { ...free, ...more, state } };
  const { row } = shown();
  const again = row('wren.org').queryByRole('button', { name: /^Ask again/ });
  expect(again !== null).toBe(isAsked);
  if (again) {
    fireEvent.click(again);
    expect(ask).toHaveBeenLastCalledWith({ names: ['wren'], endings: ['org'], again: true, withRecord: true });
  }

  const keeps = row('wren.org').queryByRole('button', { name: /Remove|Save for later/ });
  expect(keeps !== null).toBe(state !== 'taken' && state !== 'reserved');
});

it('all endings are asked about with their record, the one typed is first, and one nobody sells is said so', () => {
  answers.known = {};
  shown(page(), 'org');
  expect(ask).toHaveBeenCalledWith({ names: ['wren'], endings: ['com', 'org'], withRecord: true });
  expect(screen.getAllByRole('rowheader').map((head) => head.textContent.slice(0, 8))).toEqual([
    'wren.org',
    'wren.com',
  ]);
  expect(screen.queryByText(/Nobody here sells/)).toBeNull();
  cleanup();
  shown(page(), 'studio');
  expect(screen.getByText(/Nobody here sells “.studio”/)).toBeTruthy();
});
