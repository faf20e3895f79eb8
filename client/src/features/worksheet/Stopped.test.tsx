// @vitest-environment jsdom
import { cleanup, fireEvent, render, screen } from '@testing-library/react';
import { afterEach, expect, it, vi } from 'vitest';
import { inSite } from '../../api/site/inSite';
import { stoppingQuery } from '../../api/wire/queries';
import Stopped from './Stopped';

afterEach(cleanup);
vi.stubGlobal(
  'ResizeObserver',
  class {
    observe() {}
    disconnect() {}
  },
);

const sums = (each: number) =>
  Array.from({ length: 36 }, (_, at) => ({ amount: `${each * (at + 1)}.00`, atLeast: false }));
const page = {
  id: 's',
  revision: 1,
  worksheet: { letter: 'A', candidate: { hosting: { everyMonths: 12, commitMonths: 12 } } },
};

const said = (more: object, on: object = page) => {
  const stopping = {
    chosen: sums(2),
    byShortest: sums(3),
    shortestEveryMonths: 1,
    shortestCommitMonths: 1,
    winsFrom: 27,
    currency: 'GBP',
    ...more,
  };
  const { whole } = inSite(<Stopped />, on, { answers: [[stoppingQuery('s', 1, 'A').queryKey, stopping]] });
  return render(whole).container.textContent;
};

it.each([
  [{}, 'Paid yearly it is cheaper, for good, if you run the site 27 months or longer.'],
  [{ winsFrom: 1 }, 'Paid yearly it is cheaper from the first month on.'],
  [{ winsFrom: null }, 'Within 3 years, paying yearly never becomes cheaper for good.'],
])('of %j it says: %s', (more, words) => expect(said(more)).toContain(words));

it('tells what is gone by the month one stops, moved month by month', () => {
  expect(said({})).toContain('£12.00 is gone, paid yearly; £18.00 paid monthly');
  fireEvent.change(screen.getByRole('slider'), { target: { value: '36' } });
  expect(document.body.textContent).toContain('£72.00 is gone, paid yearly; £108.00 paid monthly');
});

it('stops no later than is counted, and compares with nothing where nothing is shorter', () => {
  const words = said({ chosen: sums(2).slice(0, 3), byShortest: [], shortestEveryMonths: null });
  expect(words).toContain('£6.00 is gone, paid yearly. What is still owed');
  expect(words).not.toContain('cheaper');
  expect(screen.getAllByRole('columnheader', { hidden: true })).toHaveLength(2);
});

it('without hosting it is paid by the month', () => {
  expect(said({}, { ...page, worksheet: { letter: 'A', candidate: {} } })).toContain('is gone, paid monthly');
});
