import { expect, it } from 'vitest';
import { cardAnswerOf, lineOf } from './shapes';

it('a line of progress and a line of result are told apart', () => {
  expect(lineOf('{"progress":{"done":1,"of":4}}').progress).toEqual({ done: 1, of: 4 });
  expect(lineOf('{"result":{"rows":[]}}').result).toEqual({ rows: [] });
  expect(() => lineOf('{"progress":{"done":"1"}}')).toThrow();
  expect(() => lineOf('half a li')).toThrow();
});

it('a processor that makes no sense gives no card', () => {
  expect(cardAnswerOf({ token: 'card_1', ending: '0004' })).toEqual({ token: 'card_1', ending: '0004' });
  expect(cardAnswerOf({ faults: [{ field: 'number', message: 'Too short.' }] })).toHaveProperty('faults');
  expect(cardAnswerOf({ token: 7 })).toBeNull();
  expect(cardAnswerOf({ faults: [{ field: 'owner', message: '?' }] })).toBeNull();
});
