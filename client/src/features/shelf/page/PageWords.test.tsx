// @vitest-environment jsdom
import { cleanup, fireEvent, render, screen } from '@testing-library/react';
import { afterEach, expect, it, vi } from 'vitest';
import { PageWords } from './PageWords';
import { ReviewContext, type Review } from './review';

afterEach(cleanup);
Element.prototype.scrollIntoView = vi.fn();

const page = {
  text: 'Oak – £3 a month. Save £2, worth £9.',
  sources: [
    { at: '/currency', words: '£3', from: 6, to: 8 },
    { at: '/plans/0/ways/0/later/price', words: '£3', from: 6, to: 8 },
    { at: '/plans/0/name', words: 'Oak', from: 0, to: 3 },
  ],
  notPlaced: [
    { words: '£2', from: 23, to: 25, why: 'saving' },
    { words: '£9', from: 33, to: 35, why: 'worth' },
  ],
  plans: [{ name: 'Oak' }, { name: null }],
};

function shown(selected: string | null, notPlaced = page.notPlaced) {
  const review = { select: vi.fn(), change: vi.fn() };
  const value = { read: { page: { ...page, notPlaced } }, selected, ...review } as unknown as Review;
  render(
    <ReviewContext value={value}>
      <PageWords />
    </ReviewContext>,
  );
  return review;
}

const lit = () => screen.getAllByRole('button', { pressed: true }).map((mark) => mark.textContent);

it('lights the words of the value that is looked at, also where others were read from them', () => {
  shown('/plans/0/ways/0/later');
  expect(lit()).toEqual(['£3']);
});

it('lights nothing while nothing is looked at', () => {
  shown(null);
  expect(screen.queryAllByRole('button', { pressed: true })).toEqual([]);
});

it('opens the value of a plan that words were read from, and closes it again', () => {
  const { select } = shown('/plans/0/name');
  fireEvent.click(screen.getByRole('button', { name: '£3' }));
  expect(select).toHaveBeenLastCalledWith('/plans/0/ways/0/later');
  fireEvent.click(screen.getByRole('button', { name: 'Oak' }));
  expect(select).toHaveBeenLastCalledWith(null);
});

it('lists what was left out with the reason, and places it by hand', () => {
  const { change, select } = shown(null);
  expect(screen.getAllByRole('listitem').map((item) => item.textContent)).toEqual([
    '£2 a saving Place it',
    '£9 what something is said to be worth Place it',
  ]);
  fireEvent.click(screen.getAllByRole('button', { name: 'Place it' })[1]!);
  fireEvent.change(screen.getByLabelText('It is'), { target: { value: 'setupFee' } });
  fireEvent.change(screen.getByLabelText('of'), { target: { value: '1' } });
  expect(screen.getByRole('option', { name: 'plan 2' })).toBeTruthy();
  fireEvent.click(screen.getByRole('button', { name: 'Place it there' }));
  expect(change).toHaveBeenCalledWith({ at: '/plans/1/setupFee', from: 33 });
  expect(select).toHaveBeenCalledWith('/plans/1/setupFee');
  fireEvent.click(screen.getByRole('button', { name: 'Leave it out' }));
  expect(screen.queryByLabelText('It is')).toBeNull();
});

it('says how many more were left out than it lists', () => {
  const many = Array.from({ length: 32 }, (_, at) => ({ words: `£${at}`, from: at, to: at + 1, why: 'total' }));
  shown(null, many);
  expect(screen.getAllByRole('listitem')).toHaveLength(31);
  expect(screen.getByText('and 2 more')).toBeTruthy();
});
