// @vitest-environment jsdom
import { beforeEach, expect, it } from 'vitest';
import { draftField, emptyDraft, faultAt, forgetDraft, keepDraft, keptDraft } from './draft';

beforeEach(() => sessionStorage.clear());

it('a field that was read is the form’s own', () => {
  expect(draftField('price-per')).toBe('pricePer');
  expect(draftField('domain-from-months')).toBe('domainFromMonths');
  expect(draftField('plan')).toBe('plan');
});

it('what is wrong is said at once, what is missing when the owner wants to go on', () => {
  const faults = [
    { code: 'required', where: 'plan', message: 'The plan is missing.' },
    { code: 'bad-amount', where: 'price', message: 'No amount.' },
  ];
  expect(faultAt(faults, 'plan', false)).toBeUndefined();
  expect(faultAt(faults, 'plan', true)).toBe('The plan is missing.');
  expect(faultAt(faults, 'price', false)).toBe('No amount.');
  expect(faultAt(faults, 'months', true)).toBeUndefined();
});

it('what was typed is kept by site until it is taken', () => {
  keepDraft('one', { ...emptyDraft('GBP'), plan: 'Lantern' });
  expect(keptDraft('one', 'EUR')).toMatchObject({ plan: 'Lantern', currency: 'GBP' });
  expect(keptDraft('two', 'EUR')).toEqual(emptyDraft('EUR'));
  forgetDraft('one');
  expect(keptDraft('one', 'EUR')).toEqual(emptyDraft('EUR'));
});

it('what cannot be read back is a form to begin with', () => {
  sessionStorage.setItem('advertisement-one', '{ broken');
  expect(keptDraft('one', 'GBP')).toEqual(emptyDraft('GBP'));
});
