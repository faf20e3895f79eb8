import { expect, it } from 'vitest';
import { asksOf, atLeast, purposeOf, purposes, type Needs } from './requirements';

const needs = (more: object) =>
  ({ websites: 0, storageGB: 0, mailboxes: 0, databases: 0, installer: false, ...more }) as unknown as Needs;

it('a purpose is known again by what it asks, whatever else is needed', () => {
  purposes.forEach(({ asks }, at) => {
    expect(purposeOf(needs({ ...asks, mailboxes: 3 }))).toBe(String(at));
    expect(asksOf(String(at))).toEqual(asks);
  });
});

it('nothing asked is no purpose, and anything else is the owner’s own', () => {
  expect(purposeOf(needs({}))).toBe('');
  expect(purposeOf(needs({ storageGB: 7 }))).toBe('own');
  expect(purposeOf(needs({ storageGB: 5, installer: true }))).toBe('own');
  expect(asksOf('')).toEqual({ storageGB: 0, databases: 0, installer: false });
});

it('says what is needed at least, and nothing where nothing is', () => {
  expect(atLeast(needs({ storageGB: 5, websites: 0, mailboxes: 2 }), 'storageGB', 'websites', 'mailboxes')).toMatch(
    /^at least 5 GB.*, at least 2 /,
  );
  expect(atLeast(needs({}), 'storageGB')).toBe('');
});
