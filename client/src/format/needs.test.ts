import { expect, it } from 'vitest';
import { limitWords, needTitle, needWords, reasonWords, wantedWords } from './needs';

it.each([
  [{ need: 'websites', has: 1, wants: 3 }, 'You need 3 sites; this plan allows 1'],
  [{ need: 'websites', has: null, wants: 1 }, 'You need 1 site; the seller doesn’t say'],
  [{ need: 'monthlyVisits', has: 1000, wants: 5000 }, 'You need 5,000 visits a month; this plan allows 1,000'],
  [{ need: 'extras', has: null, wants: 'backup' }, 'You need copies of the site; this seller doesn’t offer it'],
  [{ need: 'domain', has: null, wants: 'com' }, 'No seller here has .com'],
  [{ need: 'minRefundDays', has: 14, wants: 30 }, 'You need 30 days to ask for your money back; you get 14'],
  [{ need: 'support', has: ['mail'], wants: ['phone'] }, 'You need help by telephone; they help by mail'],
])('%o: %s', (reason, words) => expect(reasonWords(reason)).toBe(words));

it('a tag that nobody wrote words for is shown as it is', () =>
  expect(needWords({ need: 'extras', wants: 'carrier-pigeon' })).toBe('carrier-pigeon'));

it.each([
  [{ need: 'websites', has: 1, wants: 3 }, 'Sites', '3', '1'],
  [{ need: 'monthlyVisits', has: 25000, wants: 5000 }, 'Visits a month', '5,000', '25,000'],
  [{ need: 'storageGB', has: 'unlimited', wants: 5 }, 'Storage, GB', '5', 'unlimited'],
  [{ need: 'certificate', has: 'shared', wants: 'own' }, 'Certificate', 'own or better', 'shared'],
  [{ need: 'extras', has: null, wants: 'backup' }, 'Copies of the site', '', ''],
  [{ need: 'ownIp', has: false, wants: true }, 'Own IP address', '', ''],
  [{ need: 'support', has: ['phone', 'mail'], wants: ['callback'] }, 'Help by a call back', '', 'telephone and mail'],
  [{ need: 'samePrice', has: null, wants: true }, 'Price stays the same', '', ''],
  [{ need: 'minRefundDays', has: 14, wants: 30 }, 'Money back, days', '30', '14'],
])('a need heads a column: %o', (fit, title, wanted, has) => {
  expect([needTitle(fit), wantedWords(fit), limitWords(fit)]).toEqual([title, wanted, has]);
});
