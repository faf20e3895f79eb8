// @vitest-environment jsdom
import { cleanup, fireEvent, render, screen } from '@testing-library/react';
import { afterEach, expect, it } from 'vitest';
import { DayBook } from './DayBook';
import type { Tenure } from './upkeep';

afterEach(cleanup);

const line = (day: number, kind = 'charged') => ({
  on: `2027-01-${String(day).padStart(2, '0')}`,
  kind,
  words: `£${day}`,
});
const book = (lines: ReturnType<typeof line>[], differsFrom: string | null = null) =>
  ({ dayBook: lines, differsFrom }) as unknown as Tenure;

it('shows the newest lines, and all of them when asked', () => {
  render(<DayBook tenure={book(Array.from({ length: 10 }, (_, day) => line(20 - day)))} />);
  expect(screen.getAllByRole('listitem')).toHaveLength(8);
  fireEvent.click(screen.getByRole('button', { name: 'All 10 lines' }));
  expect(screen.getAllByRole('listitem').at(-1)?.textContent).toContain('£11');
  fireEvent.click(screen.getByRole('button', { name: 'Only the newest' }));
  expect(screen.getAllByRole('listitem')).toHaveLength(8);
});

it('tells what was decided from what happened', () => {
  render(<DayBook tenure={book([line(3, 'decided'), line(2, 'card'), line(1)])} />);
  expect(screen.getAllByRole('listitem').map((item) => item.textContent?.includes('Decided:'))).toEqual([
    true,
    true,
    false,
  ]);
});

it('says from when on an earlier version worked things out differently, and only then', () => {
  const { rerender } = render(<DayBook tenure={book([line(1)])} />);
  expect(screen.queryByText(/earlier version/)).toBeNull();
  rerender(<DayBook tenure={book([line(1)], '2027-12-01')} />);
  expect(screen.getByText(/From 1 December 2027 on, an earlier version/)).toBeTruthy();
});
