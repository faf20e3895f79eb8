// @vitest-environment jsdom
import { cleanup, fireEvent, render, screen } from '@testing-library/react';
import { afterEach, expect, it, vi } from 'vitest';
import { inSite } from '../../api/site/inSite';
import { CodeRows } from './CodeRows';

vi.mock('./TellCode', () => ({ TellCode: ({ code }: { code: string }) => <p>Tell us of {code}</p> }));
vi.mock('../../ui/fields/CodeField', () => ({ CodeField: () => <input aria-label="A code to try" /> }));
vi.mock('../../format/codes', () => ({
  promotionWords: (place: { book: string }) => `known at ${place.book}.`,
  verdictWords: (verdict: { verdict: string }) => `it is ${verdict.verdict}`,
}));
vi.mock('./LedgerTable', () => import('./plainLedger'));

afterEach(cleanup);

const row = (ref: string, total: string) => ({
  kind: 'code',
  ref,
  cells: [total],
  atLeast: [false],
  folded: null,
  total,
  totalAtLeast: false,
});
const books = [
  { id: 'tidemarsh', plans: [{ id: 'keel', name: 'Keel' }] },
  { id: 'fernhollow', plans: [] },
];

function shown(worksheet: object) {
  const page = {
    worksheet: {
      letter: 'A',
      candidate: { hosting: { codes: [] }, domains: [] },
      knownCodes: [],
      codeCures: [],
      bestCodes: null,
      costing: null,
      ...worksheet,
    },
  };
  const { whole, change } = inSite(
    <table>
      <CodeRows />
    </table>,
    page,
    { books },
  );
  render(whole);
  return { change, rows: screen.getAllByRole('row').map((one) => one.textContent) };
}

const costing = (rows: object[], codes: object[] = []) => ({ ledger: { rows }, codes, totals: { currency: 'GBP' } });
const refused = { code: 'REED', book: 'tidemarsh', verdict: 'other-plan', saves: null };

it('a discount nobody typed has a row of its own; a code that was typed, in whatever letters, is none', () => {
  const { rows } = shown({
    candidate: { hosting: { codes: ['reed10'] }, domains: [{ codes: ['Lark'] }] },
    costing: costing(
      [row('REED10', '-3.00'), row('WELCOME', '-5.00'), row('LARK', '-1.00'), { ...row('x', '9.00'), kind: 'tax' }],
      [{ ...refused, code: 'reed10', verdict: 'counts', saves: '3.00' }],
    ),
  });
  expect(rows).toEqual([
    'Discounttaken off by the seller: WELCOME-5.00',
    expect.stringContaining('Codereed10saves £3.00 in totaltake off-3.00'),
    expect.stringContaining('Lark'),
    expect.any(String),
  ]);
});

it('a code is taken off by its own button', () => {
  const { change } = shown({ candidate: { hosting: { codes: ['ONE', 'TWO'] }, domains: [] } });
  fireEvent.click(screen.getByRole('button', { name: 'take off the code TWO' }));
  expect(change).toHaveBeenCalledWith({ kind: 'drop-code', letter: 'A', code: 'TWO' });
});

it('before a plan is chosen it says where a code counts, or that nobody has it', () => {
  const known = { candidate: { hosting: { codes: ['REED'] }, domains: [] } };
  const { rows } = shown({
    ...known,
    knownCodes: [
      { code: 'REED', book: 'fernhollow' },
      { code: 'X', book: 'tidemarsh' },
    ],
  });
  expect(rows[0]).toContain('waits for a plan');
  expect(rows[0]).toContain('known at fernhollow');
  expect(rows[0]).not.toContain('tidemarsh');
  cleanup();
  expect(shown(known).rows[0]).toContain('No price list here has this code. Check the spelling.Tell us of REED');
});

it.each([
  [{ plan: 'keel' }, 'with Keel', { kind: 'choose-plan', letter: 'A', book: 'tidemarsh', plan: 'keel' }],
  [{ without: 'LARK' }, 'without LARK', { kind: 'drop-code', letter: 'A', code: 'LARK' }],
  [{ start: '2027-01-05' }, 'from 5 Jan 2027 on', { kind: 'set-start', date: '2027-01-05' }],
  [
    { everyMonths: 12, commitMonths: 24 },
    'paid yearly',
    { kind: 'choose-billing', letter: 'A', everyMonths: 12, commitMonths: 24 },
  ],
])('a code that does not count: what would make it, %j, is done by its button', (more, words, command) => {
  const cure = { code: 'REED', book: 'tidemarsh', saves: '-4.00', horizonChange: '2.00', ...more };
  const { change, rows } = shown({
    candidate: { hosting: { codes: ['REED'] }, domains: [] },
    costing: costing([], [refused]),
    codeCures: [{ ...cure, code: 'OTHER', plan: 'no' }, cure],
    knownCodes: [{ code: 'REED', book: 'fernhollow' }],
  });
  expect(rows[0]).toContain('does not count');
  expect(rows[0]).toContain('it is other-plan');
  expect(rows[0]).not.toContain('known at'); // Known elsewhere is said where this seller does not know it.
  expect(rows[0]).toContain(`It counts ${words}`);
  fireEvent.click(screen.getByRole('button', { name: 'Do that' }));
  expect(change).toHaveBeenCalledWith(command);
});

it('a code this seller does not know is known at another, not at itself', () => {
  const { rows } = shown({
    candidate: { hosting: { codes: ['REED'] }, domains: [] },
    costing: costing([], [{ ...refused, verdict: 'unknown' }]),
    knownCodes: [
      { code: 'REED', book: 'fernhollow' },
      { code: 'REED', book: 'tidemarsh' },
      { code: 'LARK', book: 'fernhollow' },
    ],
  });
  expect(rows[0]!.match(/known at \w+/g)).toEqual(['known at fernhollow']);
  expect(rows[0]).toContain('Tell us of REED');
});

it.each([
  [['REED'], [], 'The code REED would save £4.00. Use it'],
  [['REED', 'LARK'], [{ ...refused, saves: '1.00' }], 'The codes REED and LARK would save £4.00 more. Use them'],
])('codes %j that would take more off are offered', (codes, entered, words) => {
  const { change, rows } = shown({
    costing: costing([], entered),
    bestCodes: { codes, outcome: { horizonChange: '-4.00', currency: 'GBP' } },
  });
  expect(rows.at(-1)).toContain(words);
  fireEvent.click(screen.getByRole('button', { name: /^Use/ }));
  expect(change).toHaveBeenCalledWith({ kind: 'use-codes', letter: 'A', codes });
});
