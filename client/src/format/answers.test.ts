import { expect, it } from 'vitest';
import type { NameAnswer, NameCost } from '../api/wire/client';
import { answerSentence, answerWord, askedWords, includedWords, privacyWords } from './answers';

const answer: NameAnswer = {
  domain: 'wrenclocks.com',
  label: 'wrenclocks',
  ending: 'com',
  state: 'free',
  buyable: 'anywhere',
  isContradicted: false,
  why: null,
  book: 'one',
  premium: null,
  currency: null,
  registration: null,
  askedAt: '2026-12-01T10:00:00Z',
  isOld: false,
  premiumCost: null,
};

const cost = { ending: 'com', book: 'one', provider: 'One', currency: 'GBP', rank: 2 } as NameCost;

it('says each of the six answers in words of its own', () => {
  const states = ['free', 'taken', 'premium', 'reserved', 'unchecked', 'not-asked'] as const;
  expect(new Set(states.map((state) => answerWord({ ...answer, state }))).size).toBe(6);
  expect(new Set(states.map((state) => answerSentence({ ...answer, state }))).size).toBe(6);
});

it('says since when a name is taken, and that what contradicts itself is not to be relied on', () => {
  const registration = {
    registered: '2004-03-01',
    expires: '2027-03-01',
    status: ['client transfer prohibited'],
    registrar: null,
  };
  const taken = { ...answer, state: 'taken' as const, registration };
  expect(answerWord(taken)).toBe('taken since 2004');
  expect(answerSentence(taken)).toBe('Taken since 1 Mar 2004, paid until 1 Mar 2027, locked against moving.');
  expect(answerSentence({ ...answer, registration, isContradicted: true })).toContain(
    'the registry says it is taken since 1 Mar 2004',
  );
});

it('says that an answer is old', () => {
  expect(askedWords(answer)).not.toContain('too long ago');
  expect(askedWords({ ...answer, isOld: true })).toContain('too long ago to rely on');
});

it.each([
  ['spent', 'first year included'],
  ['elsewhere', 'bought elsewhere'],
  ['ending', 'includes no .com'],
  ['term', 'if you pay for 2 years or more'],
  ['premium', 'never included'],
  ['off', 'turned the included year off'],
] as const)('says why the plan’s year is %s', (included, words) =>
  expect(includedWords({ ...cost, included, includedFromMonths: 24 })).toContain(words),
);

it('says what privacy costs, once where it never changes', () => {
  const sold = { ...cost, privacy: 'sold' as const, privacyFirstYear: '3.50', privacyLaterYear: '8.90' };
  expect(privacyWords(sold)).toBe('£3.50, then £8.90');
  expect(privacyWords({ ...sold, privacyLaterYear: '3.50' })).toBe('£3.50 a year');
  expect(privacyWords({ ...sold, privacyLaterYear: null })).toBe('£3.50, then not stated');
  expect(includedWords({ ...cost, included: 'none-given' })).toBeNull();
});
