import { expect, it } from 'vitest';
import type { Change } from '../../api/site/commands';
import { changeWords } from './changeWords';

const keep = { name: 'wren', ending: 'com', route: 'register', years: 2 };

it.each([
  [{ kind: 'undo' }, 'undo'],
  [{ kind: 'rename-site', name: 'Hexworth' }, 'name the site Hexworth'],
  [{ kind: 'set-horizon', months: 36 }, 'count over 3 years'],
  [{ kind: 'set-start', date: '2027-01-02' }, 'count from 2 January 2027'],
  [{ kind: 'set-start', date: null }, 'count from today'],
  [{ kind: 'set-tax', percent: '20', counted: true }, 'count with 20% tax'],
  [{ kind: 'set-tax', percent: '20', counted: false }, 'leave the tax out'],
  [{ kind: 'set-display', currency: 'EUR', rates: {} }, 'show sums in EUR'],
  [{ kind: 'set-new-customer', isNew: true }, 'count as a new customer'],
  [{ kind: 'set-new-customer', isNew: false }, 'count as an existing customer'],
  [{ kind: 'add-candidate', copyOf: 'B' }, 'copy B'],
  [{ kind: 'add-candidate', copyOf: null }, 'add a candidate'],
  [{ kind: 'hold-names', names: [{ name: 'wren', ending: 'com' }] }, 'hold wren.com'],
  [
    {
      kind: 'drop-names',
      names: [
        { name: 'wren', ending: 'com' },
        { name: 'wren', ending: 'org' },
      ],
    },
    'drop 2 names',
  ],
  [{ kind: 'choose-billing', letter: 'A', everyMonths: 1, commitMonths: 1 }, 'A: monthly'],
  [{ kind: 'choose-domain', letter: 'B', domain: keep }, 'B: the domain wren.com for 2 years'],
  [{ kind: 'choose-domain', letter: 'B', domain: { ...keep, years: null } }, 'B: the domain wren.com'],
  [{ kind: 'choose-domain', letter: 'B', domain: null }, 'B: no domain'],
  [{ kind: 'add-domain', letter: 'A', domain: keep }, 'A: add wren.com'],
  [{ kind: 'drop-domain', letter: 'A', domain: 'wren.com' }, 'A: take off wren.com'],
  [{ kind: 'set-extra', letter: 'A', extra: 'backup', quantity: 1 }, 'A: take backup'],
  [{ kind: 'set-extra', letter: 'A', extra: 'backup', quantity: 0 }, 'A: leave backup off'],
  [{ kind: 'enter-code', letter: 'A', code: 'NEAP' }, 'A: try the code NEAP'],
  [{ kind: 'drop-code', letter: 'A', code: 'NEAP' }, 'A: take off the code NEAP'],
  [{ kind: 'use-codes', letter: 'A', codes: ['NEAP', 'TIDE'] }, 'A: use the codes NEAP, TIDE'],
])('%o in a few words', (change, words) => expect(changeWords(change as unknown as Change)).toBe(words));
