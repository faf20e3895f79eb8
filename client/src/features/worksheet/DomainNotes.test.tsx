// @vitest-environment jsdom
import { cleanup, fireEvent, render, screen } from '@testing-library/react';
import { afterEach, expect, it, vi } from 'vitest';
import { inSite } from '../../api/site/inSite';
import { DifferentDays, DomainNote, DomainYearWaits } from './DomainNotes';

vi.mock('@tanstack/react-router', () => ({ Link: ({ children }: { children: string }) => <a href="/">{children}</a> }));

afterEach(cleanup);

const outcome = { currency: 'GBP', horizonChange: '-6.00', todayChange: '0.00' };
const way = (everyMonths: number, commitMonths: number) => ({ everyMonths, commitMonths, ...outcome });
const domain = { route: 'register', book: 'flatstone', name: 'wren', ending: 'com', years: 1 };
const worksheet = {
  letter: 'A',
  candidate: { hosting: { book: 'tidemarsh' }, domains: [domain] },
  domainSellers: [
    { book: 'flatstone', provider: 'Flatstone', outcome },
    { book: 'tidemarsh', provider: 'Tidemarsh', outcome },
  ],
  waysToPay: [way(1, 1), way(36, 36), way(1, 24), way(12, 12), way(1, 12)],
  domainWays: [
    { domain: { ...domain, years: 2, useIncluded: true }, outcome },
    { domain: { ...domain, useIncluded: false }, outcome },
    { domain: { ...domain, useIncluded: true }, outcome },
  ],
  claim: null as object | null,
  differentDays: null as object | null,
};
const site = (more: object = {}) => ({
  id: 's',
  settings: { horizonMonths: 36, currency: 'GBP' },
  worksheet: { ...worksheet, ...more },
});

function noted(inclusion: object | null) {
  const costing = { inclusions: inclusion ? [inclusion] : [] } as never;
  const { whole, change } = inSite(<DomainNote costing={costing} />, site());
  return { words: render(whole).container.textContent, change };
}

it.each([
  [null, ''],
  [{ result: 'used', minCommitMonths: 12 }, 'A domain-year comes with the plan if you commit to 1 year or more.'],
  [{ result: 'used', minCommitMonths: null }, 'A domain-year comes with the plan.'],
  [{ result: 'premium' }, 'A premium name is never included'],
  [{ result: 'used-up' }, 'will have lapsed by the day this is registered'],
  [{ result: 'other-route' }, 'does not count for this way of having a domain'],
  [{ result: 'other-ending' }, 'but not for this ending. See the other endings'],
])('of %j it says: %s', (inclusion, words) => expect(noted(inclusion).words).toContain(words));

it('offers the shortest commitment that brings the domain-year back, paid as often as can be', () => {
  const { change } = noted({ result: 'commit-too-short', minCommitMonths: 12 });
  fireEvent.click(screen.getByRole('button', { name: /^Pay monthly, committed for 1 year/ }));
  expect(change).toHaveBeenCalledWith({ kind: 'choose-billing', letter: 'A', everyMonths: 1, commitMonths: 12 });
});

it('offers to bring the name to the host', () => {
  const { change } = noted({ result: 'other-book' });
  fireEvent.click(screen.getByRole('button', { name: /^Bring it to Tidemarsh/ }));
  expect(change.mock.lastCall![0]).toMatchObject({
    kind: 'choose-domain',
    domain: { book: 'tidemarsh', name: 'wren' },
  });
});

it('offers to use the year that is left unused, for as long as the name is registered', () => {
  const { change } = noted({ result: 'turned-off' });
  fireEvent.click(screen.getByRole('button', { name: /^Use it/ }));
  expect(change.mock.lastCall![0]).toMatchObject({ domain: { useIncluded: true, years: 1 } });
});

it.each([
  [
    { ending: 'com', missed: '11.50', currency: 'GBP', before: '2027-12-01', everyYear: false },
    'a .com, worth £11.50.',
  ],
  [
    { ending: 'com', missed: null, before: '2027-12-01', everyYear: true },
    'Choose the name before 1 Dec 2027; there is a',
  ],
  [null, ''],
])('a domain-year that waits (%j): %s', (claim, words) =>
  expect(render(inSite(<DomainYearWaits />, site({ claim })).whole).container.textContent).toContain(words),
);

it('says when renewals fall on different days, and only then', () => {
  const words = (differentDays: object | null) =>
    render(inSite(<DifferentDays />, site({ differentDays })).whole).container.textContent;
  expect(words({ domain: '2027-12-01', hosting: '2029-12-01' })).toContain(
    'until 1 Dec 2027, the hosting until 1 Dec 2029',
  );
  expect(words(null)).toBe('');
});
