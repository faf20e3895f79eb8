import { describe, expect, it } from 'vitest';
import type { Book, Schemas } from '../api/wire/client';
import { promotionWords, verdictWords } from './codes';

const book = {
  provider: 'Tidemarsh Hosting',
  plans: [{ id: 'slipway', name: 'Slipway' }],
  addOns: [{ id: 'backup', name: 'Nightly copies' }],
} as unknown as Book;

const refused = (verdict: Schemas['Verdict'], wants: Partial<Schemas['CodeConditionWire']> = {}) =>
  verdictWords(
    {
      book: 'tidemarsh',
      code: 'X',
      verdict,
      saves: null,
      makesItCount: { onOrAfter: null, onOrBefore: null, plans: null, everyMonths: null, without: null, ...wants },
    },
    book,
  );

describe('a refused code', () => {
  it.each([
    [refused('unknown'), 'Tidemarsh Hosting does not know this code. Check how it is spelt.'],
    [refused('not-yet', { onOrAfter: '2026-12-24' }), 'It counts from 24 December 2026 on.'],
    [refused('expired', { onOrBefore: '2026-11-30' }), 'It expired on 30 Nov 2026.'],
    [refused('new-customers-only'), 'It is for new customers only.'],
    [refused('other-plans-only', { plans: ['slipway'] }), 'It counts with Slipway only.'],
    [refused('cycle-too-short', { everyMonths: 12 }), 'It counts when you pay for 12 months or more at a time.'],
    [refused('cannot-combine', { without: 'Y' }), 'It cannot stand beside Y: keep one of them.'],
    [refused('nothing-to-discount'), 'There is nothing here that it takes anything off.'],
  ])('%s', (said, wanted) => expect(said).toBe(wanted));
});

const known: Schemas['KnownCodeWire'] = {
  code: 'X',
  book: 'tidemarsh',
  percent: '25',
  amount: null,
  currency: 'GBP',
  appliesTo: ['plan'],
  bills: 1,
  plans: [],
  minEveryMonths: null,
  from: null,
  until: null,
  newCustomersOnly: false,
  combinable: true,
};

describe('what a code is for', () => {
  it('is one sentence with the seller’s name', () =>
    expect(promotionWords(known, book)).toBe('Tidemarsh Hosting: 25% off the plan, on the first bill.'));

  it('names every condition', () =>
    expect(
      promotionWords(
        {
          ...known,
          percent: null,
          amount: '10.00',
          appliesTo: ['addOn:backup', 'domain:com'],
          bills: null,
          plans: ['slipway'],
          minEveryMonths: 12,
          until: '2026-12-24',
          newCustomersOnly: true,
          combinable: false,
        },
        book,
      ),
    ).toBe(
      'Tidemarsh Hosting: £10.00 off Nightly copies and .com domains, on every bill, with Slipway, if you pay for 1 year or more at a time, for new customers, until 24 Dec 2026, not beside another code.',
    ));
});
