import { expect, it } from 'vitest';
import { needWords, reasonWords } from './needs';

it.each([
  [{ need: 'websites', has: 1, wants: 3 }, '3 sites asked, 1 allowed'],
  [{ need: 'websites', has: null, wants: 1 }, '1 site asked, not stated'],
  [{ need: 'monthlyVisits', has: 1000, wants: 5000 }, '5,000 visits a month asked, 1,000 allowed'],
  [{ need: 'extras', has: null, wants: 'backup' }, 'nothing here provides copies of the site'],
  [{ need: 'domain', has: null, wants: 'com' }, 'nobody here sells .com'],
  [{ need: 'minRefundDays', has: 14, wants: 30 }, '30 refund days asked, 14 given'],
  [{ need: 'support', has: ['mail'], wants: ['phone'] }, 'help by telephone asked, by mail given'],
])('%o: %s', (reason, words) => expect(reasonWords(reason)).toBe(words));

it('a tag that nobody wrote words for is shown as it is', () =>
  expect(needWords({ need: 'extras', wants: 'carrier-pigeon' })).toBe('carrier-pigeon'));
