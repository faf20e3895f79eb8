import { expect, test } from 'vitest';
import { chainWords } from './words';

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
