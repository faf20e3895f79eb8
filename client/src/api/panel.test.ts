import { expect, test } from 'vitest';
import { Refused } from './client';
import { faultAt, otherwise } from './panel';

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
  expect(otherwise(refused, ['records[2].data'])).toBe('Too long.');
  expect(otherwise(refused, ['records[2].data', 'records[12].owner'])).toBeUndefined();
  expect(otherwise(new Refused(503, { detail: 'The host does not answer.' }), ['name'])).toBe(
    'The host does not answer.',
  );
  expect(otherwise(new Error('The connection was lost.'), ['name'])).toBe('The connection was lost.');
  expect(otherwise(null, ['name'])).toBeUndefined();
});
