import { expect, test } from 'vitest';
import { chainWords, mailWords } from './words';

const link = (state: 'right' | 'waiting' | 'wrong' | 'unknown') => ({
  kind: 'address' as const,
  state,
  found: [],
  wanted: [],
});

test('what is to be set comes before what is to be waited for', () => {
  expect(chainWords({ isJoined: true, links: [link('right')] })).toContain('It is joined');
  expect(chainWords({ isJoined: false, links: [link('waiting'), link('wrong')] })).toContain('is to be set');
  expect(chainWords({ isJoined: false, links: [link('right'), link('waiting')] })).toContain('on its way');
  expect(chainWords({ isJoined: false, links: [link('right'), link('unknown')] })).toContain('asks again by itself');
});

test.each([
  [null, ''],
  [[], 'No mail for the domain is taken in anywhere yet.'],
  [['mx1.example.net', 'mx2.example.net'], 'Mail for the domain goes to mx1.example.net, mx2.example.net.'],
])('mail servers %j', (servers, words) => expect(mailWords(servers)).toBe(words));
