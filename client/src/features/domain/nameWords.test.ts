import { expect, it } from 'vitest';
import { adviceWords, mendWords, problemWords, type Name } from './nameWords';

const name: Name = {
  label: 'ostlerandwren',
  ascii: 'ostlerandwren',
  ending: 'com',
  mended: [],
  problems: [],
  advice: [],
  others: [],
};

it('says what was mended, and nothing where nothing was', () => {
  expect(mendWords(name)).toBeNull();
  expect(mendWords({ ...name, mended: ['joined', 'and'] })).toBe(
    'Read as ostlerandwren: parts run together, “&” written as “and”.',
  );
});

it.each([
  'empty',
  'is-an-ending',
  'ending-unknown',
  'hyphen-edge',
  'hyphen-34',
  'not-allowed',
  'too-long',
  'mixed-scripts',
])('has a sentence of its own for %s', (problem) => expect(problemWords(problem, name)).not.toContain('cannot be had'));

it.each([
  ['long', '13', '13 letters are many'],
  ['hyphen', '1', 'The hyphen has to be said'],
  ['hyphen', '2', 'Hyphens have to be said'],
  ['digit', '24', 'hear “24”'],
  ['doubled', 'ss 5', '“ss” is easily typed as one letter'],
  ['reads-otherwise', 'the rapist', 'read it as “the rapist”'],
  ['idn', 'xn--mller-kva', 'looks like xn--mller-kva'],
  ['ending-abroad', 'de', '“.de” is another country’s'],
  ['not-com-nor-home', 'org', '“.org” is neither'],
])('advises on %s %s', (code, detail, words) => expect(adviceWords({ code, detail })).toContain(words));
