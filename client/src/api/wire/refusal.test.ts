import { expect, it } from 'vitest';
import { isSitePage, problemOf } from './refusal';

it.each([null, undefined, 'text', 42, [], { errors: 'no list' }, { errors: [{ code: 1 }] }, { title: 7 }])(
  'a refusal of %o says nothing, and breaks nothing',
  (answer) => expect(problemOf(answer)).toEqual({ words: undefined, faults: [] }),
);

it('a refusal with faults keeps their places', () =>
  expect(problemOf({ title: 'One thing', errors: [{ code: 'required', where: 'name', message: 'Say it.' }] })).toEqual({
    words: 'One thing',
    faults: [{ code: 'required', where: 'name', message: 'Say it.' }],
  }));

it('only what has the shape of a site’s page is taken for one', () => {
  expect(isSitePage({ id: 'a', revision: 3, worksheet: { letter: 'A' } })).toBe(true);
  expect(isSitePage({ title: 'Not found', status: 404 })).toBe(false);
  expect(isSitePage({ id: 'a', revision: 3, worksheet: null })).toBe(false);
  expect(isSitePage({ id: 'a', revision: '3', worksheet: { letter: 'A' } })).toBe(false);
  expect(isSitePage(null)).toBe(false);
});

it('what a refusal says at length goes before its title', () =>
  expect(problemOf({ title: 'Conflict', detail: 'It went on meanwhile.', errors: null }).words).toBe(
    'It went on meanwhile.',
  ));
