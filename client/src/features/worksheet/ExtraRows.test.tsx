// @vitest-environment jsdom
import { cleanup, fireEvent, render, screen } from '@testing-library/react';
import { afterEach, expect, it, vi } from 'vitest';
import { inSite } from '../../api/site/inSite';
import { ExtraRows } from './ExtraRows';

vi.mock('./LedgerTable', () => import('./plainLedger'));

afterEach(cleanup);

const outcome = (horizonChange: string, todayChange = '0.00') => ({ currency: 'GBP', horizonChange, todayChange });
const extra = {
  id: 'mail',
  name: 'Mailboxes',
  forDomain: null as string | null,
  quantity: 0,
  isHad: false,
  isAsked: false,
  preselected: false,
  sameAs: [] as string[],
  outcome: outcome('43.20', '14.40') as object | null,
  unit: null as string | null,
  about: 'Mail at your name.',
  currency: 'GBP',
  first: '12.00',
  later: '12.00' as string | null,
  every: 'year',
  ifBoughtLater: null as string | null,
  includedBy: null as object | null,
  provides: 'mail',
};

function shown(extras: object[], more: object = {}) {
  const page = {
    id: 's',
    settings: { horizonMonths: 36 },
    worksheet: {
      letter: 'A',
      candidate: { hosting: { book: 'tide' }, domains: [{ book: 'yarrow' }] },
      costing: null,
      extras: extras.map((one, index) => ({ ...extra, id: `e${index}`, ...one })),
      publicRecord: null,
      ...more,
    },
  };
  const { whole, change } = inSite(
    <table>
      <ExtraRows />
    </table>,
    page,
  );
  render(whole);
  return { change, rows: screen.queryAllByRole('row').map((row) => row.textContent) };
}

it.each([
  [{}, 'adds £43.20; today adds £14.40'],
  [{ outcome: outcome('43.20') }, 'adds £43.20about'],
  [{ outcome: outcome('-3.00', '-1.00') }, 'saves £3.00; today saves £1.00'],
  [{ outcome: null }, '£12.00 a yearabout'],
  [{ quantity: 1 }, '£12.00 a yearabout'],
  [{ quantity: 1, later: '15.00' }, '£12.00 a year, later £15.00about'],
  [{ quantity: 1, later: null }, '£12.00 a year, later not statedabout'],
  [{ isHad: true }, '✓Mailboxesincludedabout'],
])('beside an extra, %j: %s', (more, words) => expect(shown([more]).rows[0]).toContain(words));

it.each([
  [{ preselected: true }, 'This seller pre-selects “Mailboxes”. Leaving it out saves £43.20.'],
  [{ preselected: true, quantity: 1 }, null],
  [{ preselected: true, isHad: true }, null],
  [{ preselected: true, outcome: outcome('0.00') }, null],
  [{ quantity: 1, sameAs: ['Post'] }, 'Mailboxes and Post do the same: one of them is enough.'],
  [{ quantity: 0, sameAs: ['Post'] }, null],
  [{ isHad: true, quantity: 1, sameAs: ['Post'] }, null],
  [{ isAsked: true }, 'Your needs ask for mailboxes, or something that does the same.'],
  [{ isAsked: true, quantity: 1 }, null],
  [{ isAsked: true, isHad: true }, null],
  [{ isAsked: true, sameAs: ['Post'] }, null],
])('what is noted of an extra, %j: %s', (more, words) => {
  shown([more]);
  expect(screen.getByRole('row').lastElementChild!.textContent).toBe(words ?? '');
});

it('an extra is taken and left by its box; of one in pieces it is asked how many', () => {
  const { change } = shown([{}, { name: 'Sites', forDomain: 'wren.org', quantity: 12, unit: 'site' }]);
  const [mail, sites] = screen.getAllByRole('checkbox');
  fireEvent.click(mail!);
  fireEvent.click(sites!);
  fireEvent.change(screen.getByRole('combobox', { name: 'How many of Sites' }), { target: { value: '3' } });
  const set = { kind: 'set-extra', letter: 'A' };
  expect(change.mock.calls.map(([command]: unknown[]) => command)).toEqual([
    { ...set, extra: 'e0', forDomain: null, quantity: 1 },
    { ...set, extra: 'e1', forDomain: 'wren.org', quantity: 0 },
    { ...set, extra: 'e1', forDomain: 'wren.org', quantity: 3 },
  ]);
  const counts = screen.getAllByRole('option').map((option) => option.textContent);
  expect(counts).toHaveLength(11);
  expect(counts.at(-1)).toBe('12 × site');
});

it('with more than six, those that matter stay and the others are behind a button', () => {
  const many = [{ quantity: 1 }, { isHad: true }, { isAsked: true }, { preselected: true }, {}, {}, {}];
  expect(shown(many.slice(0, 6)).rows).toHaveLength(6);
  cleanup();
  expect(shown(many).rows).toHaveLength(5);
  fireEvent.click(screen.getByRole('button', { name: 'Show 3 more extras' }));
  expect(screen.getAllByRole('row')).toHaveLength(7);
  expect(screen.queryByRole('button', { name: /more extras/ })).toBeNull();
});

it('the figures are those of its own seller: the host’s, or that of the name it is for', () => {
  const row = (book: string, total: string) => ({
    kind: 'addOn',
    ref: 'e0',
    book,
    cells: [total],
    atLeast: [false],
    folded: null,
    total,
    totalAtLeast: false,
  });
  const costing = { ledger: { rows: [row('yarrow', '1.00'), row('tide', '2.00')] } };
  expect(shown([{}], { costing }).rows[0]).toContain('2.00');
  cleanup();
  expect(shown([{ forDomain: 'wren.org' }], { costing }).rows[0]).toContain('1.00');
});

it('about an extra: its price in full, and of contact privacy what would be read without it', () => {
  const privacy = {
    provides: 'privacy',
    name: 'Contact privacy',
    ifBoughtLater: '15.00',
    unit: 'name',
    isAsked: true,
    sameAs: ['Veil'],
    includedBy: { name: 'Keel', outcome: outcome('-4.00') },
  };
  shown([privacy], { publicRecord: { shownWithout: ['name', 'street'] } });
  fireEvent.click(screen.getByRole('button', { name: /^do I need it\?/ }));
  const words = screen.getByRole('row').textContent;
  expect(words).toContain('Without it anybody can read your ');
  expect(words).toContain(
    'Price: £12.00 a year, for each name; £15.00 if you take it later. Your needs ask for it. Veil does the same. ' +
      'The plan Keel includes it',
  );
  cleanup();
  shown([privacy], { publicRecord: { shownWithout: [] } });
  expect(screen.getByRole('button', { name: /^about/ })).toBeTruthy();
});
