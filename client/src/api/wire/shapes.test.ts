import { expect, it } from 'vitest';
import { cardAnswerOf, isSitePage, lineOf, problemOf } from './shapes';

it.each([null, undefined, 'text', 42, [], { errors: 'no list' }, { errors: [{ code: 1 }] }])(
  'a refusal of %o says nothing, and breaks nothing',
  (answer) => expect(problemOf(answer)).toEqual({ words: undefined, faults: [] }),
);

it('a refusal with faults keeps their places', () =>
  expect(problemOf({ title: 'One thing', errors: [{ code: 'required', where: 'name', message: 'Say it.' }] })).toEqual({
    words: 'One thing',
    faults: [{ code: 'required', where: 'name', message: 'Say it.' }],
  }));

it('a line of progress and a line of result are told apart', () => {
  expect(lineOf('{"progress":{"done":1,"of":4}}').progress).toEqual({ done: 1, of: 4 });
  expect(lineOf('{"result":{"rows":[]}}').result).toEqual({ rows: [] });
  expect(() => lineOf('{"progress":{"done":"1"}}')).toThrow();
  expect(() => lineOf('half a li')).toThrow();
});

it('only what has the shape of a site’s page is taken for one', () => {
  expect(isSitePage({ id: 'a', revision: 3, worksheet: { letter: 'A' } })).toBe(true);
  expect(isSitePage({ title: 'Not found', status: 404 })).toBe(false);
});

it('a processor that makes no sense gives no card', () => {
  expect(cardAnswerOf({ token: 'card_1', ending: '0004' })).toEqual({ token: 'card_1', ending: '0004' });
  expect(cardAnswerOf({ faults: [{ field: 'number', message: 'Too short.' }] })).toHaveProperty('faults');
  expect(cardAnswerOf({ token: 7 })).toBeNull();
  expect(cardAnswerOf({ faults: [{ field: 'owner', message: '?' }] })).toBeNull();
});
