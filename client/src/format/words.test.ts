import { expect, it } from 'vitest';
import durations from '../../../tests/Core.Tests/fixtures/words/durations.json';
import { count, perWord, span, theseMonths, wayToPay } from './words';

// The server is held to the same table (DurationWordsTests).
it.each(durations)('$months months are $span, paid $way', ({ months, span: words, way, these }) => {
  expect(span(months)).toBe(words);
  expect(theseMonths(months)).toBe(these);
  expect(wayToPay(months, months)).toBe(way);
});

it('ways to pay say what binds longer than a bill', () => {
  expect(wayToPay(1, 12)).toBe('monthly, committed for 1 year');
  expect(perWord('year')).toBe('a year');
  expect(count(5000)).toBe('5,000');
});
