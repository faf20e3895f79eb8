import { expect, test, vi } from 'vitest';
import { Refused } from './client';
import { faultAt, faultElsewhere, lastPart, pathOf, showAtFields } from './faults';

const refused = new Refused(422, {
  title: 'This cannot be done as it is.',
  errors: [
    { code: 'bad-type', where: 'records[2].data', message: 'No address.' },
    { code: 'out-of-range', where: 'records[12].owner', message: 'Too long.' },
  ],
});

test('a fault is found at its place and under it, and at no place that only begins alike', () => {
  expect(faultAt(refused, 'records[2].data')).toBe('No address.');
  expect(faultAt(refused, 'records[2]')).toBe('No address.');
  expect(faultAt(refused, 'records[1]')).toBeUndefined();
  expect(faultAt(new Error('lost'), 'records[2]')).toBeUndefined();
});

test('what belongs to no field shown stands by the button', () => {
  expect(faultElsewhere(refused, ['records[2].data'])).toBe('Too long.');
  expect(faultElsewhere(refused, ['records[2].data', 'records[12].owner'])).toBeUndefined();
  expect(faultElsewhere(new Refused(503, { detail: 'The host does not answer.' }), ['name'])).toBe(
    'The host does not answer.',
  );
  expect(faultElsewhere(new Error('The connection was lost.'), ['name'])).toBe('The connection was lost.');
  expect(faultElsewhere(null, ['name'])).toBeUndefined();
});

test('each fault is shown at its field, and those of no field are given back', () => {
  const setError = vi.fn();
  const left = showAtFields({ setError }, refused.faults, (where) => (where.startsWith('records[2]') ? 'data' : null));
  expect(setError.mock.calls).toEqual([['data', { message: 'No address.' }, { shouldFocus: true }]]);
  expect(left.map(({ message }) => message)).toEqual(['Too long.']);
});

test('places are written as forms name their fields', () => {
  expect(pathOf('receipts[0].lines[12].amount')).toBe('receipts.0.lines.12.amount');
  expect(lastPart('domain.expires')).toBe('expires');
  expect(lastPart('name')).toBe('name');
});
