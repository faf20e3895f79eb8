import { expect, it } from 'vitest';
import { outcomeWords } from './outcome';

const outcome = (horizonChange: string | null, todayChange: string | null) => ({
  currency: 'GBP',
  horizonChange,
  todayChange,
});

it.each([
  [outcome('12.00', '4.00'), ': adds £12.00 over 3 years; today adds £4.00'],
  [outcome('-12.00', '0.00'), ': saves £12.00 over 3 years'],
  [outcome('0.00', '4.00'), ': changes nothing; today adds £4.00'],
  [outcome(null, '4.00'), ''],
  [outcome('12.00', null), ''],
  [null, ''],
])('%o', (what, words) => expect(outcomeWords(what, 36)).toBe(words));
