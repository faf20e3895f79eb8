// @vitest-environment jsdom
import { cleanup, fireEvent, render, screen } from '@testing-library/react';
import { afterEach, expect, it, vi } from 'vitest';
import { inSite } from '../../../api/site/inSite';
import Plans from './Plans';

vi.mock('@tanstack/react-router', () => ({ Link: ({ children }: { children: string }) => <a href="/">{children}</a> }));
vi.mock('../../../ui/fields/CodeField', () => ({ CodeField: () => null, CodesEntered: () => null }));
vi.mock('./PlanTable', () => ({
  PlanTable: ({ ways }: { ways: { plan: string; everyMonths: number }[] }) => (
    <output>{ways.map(({ plan, everyMonths }) => `${plan} ${everyMonths}`).join(', ')}</output>
  ),
}));
vi.mock('./HowToPay', () => ({
  HowToPay: ({ paid, setPaid }: { paid: string; setPaid: (paid: string) => void }) => (
    <>
      <button onClick={() => setPaid('')}>each least</button>
      <button onClick={() => setPaid('36/36')}>3 years</button>
      <p>paid {paid}</p>
    </>
  ),
}));
vi.mock('../../../ui/said/MadeUpSellers', () => ({ MadeUpSellers: () => null }));

afterEach(cleanup);

const way = (book: string, plan: string, months: number, more: object = {}) => ({
  book,
  plan,
  everyMonths: months,
  commitMonths: months,
  isChosen: false,
  isLeast: false,
  does: true,
  fits: [{}],
  outcome: { dueToday: '9.00', todayAtLeast: false },
  ...more,
});
const ways = [
  way('tidemarsh', 'Slipway', 12, { isChosen: true }),
  way('tidemarsh', 'Slipway', 36, { isLeast: true }),
  way('plainstone', 'Lintel', 12, { isLeast: true, does: false, outcome: { dueToday: '3.00', todayAtLeast: false } }),
];
const books = [
  { id: 'tidemarsh', provider: 'Tidemarsh' },
  { id: 'plainstone', provider: 'Plainstone' },
  { id: 'flatstone', provider: 'Flatstone' },
];

const shown = (of: object[] = ways) => {
  const page = { worksheet: { candidate: { hosting: null, domains: [] }, costing: null } };
  render(inSite(<Plans ways={of as never} choose={vi.fn()} />, page, { books }).whole);
};
const listed = () => screen.queryByRole('status')?.textContent;
const press = (name: string) => fireEvent.click(screen.getByRole('button', { name }));

it('begins with the way to pay that is chosen, and says how many plans are not sold so', () => {
  shown();
  expect(listed()).toBe('Slipway 12, Lintel 12');
  press('3 years');
  expect(listed()).toBe('Slipway 36');
  expect(screen.getByText(/^One more plan is not sold every 3 years\.$/)).toBeTruthy();
});

it('shows each plan’s least, however it is paid', () => {
  shown();
  press('each least');
  expect(listed()).toBe('Slipway 36, Lintel 12');
  expect(screen.queryByText(/not sold/)).toBeNull();
});

it('leaves out what does not fit, and other sellers', () => {
  shown();
  fireEvent.click(screen.getByLabelText('only plans that do what I need'));
  expect(listed()).toBe('Slipway 12');
  fireEvent.change(screen.getByLabelText('Plans of'), { target: { value: 'plainstone' } });
  expect(screen.getByText('None of these plans does what you need.')).toBeTruthy();
  fireEvent.click(screen.getByLabelText('only plans that do what I need'));
  expect(listed()).toBe('Lintel 12');
  press('3 years');
  expect(screen.getByText('None of these plans is sold every 3 years. Choose another way to pay above.')).toBeTruthy();
});

it('lists the sellers of plans alone, and asks for no needs where none are said', () => {
  shown(ways.map((one) => ({ ...one, fits: [] })));
  expect([...screen.getByLabelText<HTMLSelectElement>('Plans of').options].map(({ text }) => text)).toEqual([
    'every seller',
    'Tidemarsh',
    'Plainstone',
  ]);
  expect(screen.queryByLabelText('only plans that do what I need')).toBeNull();
});

it('puts them in the order that is asked for', () => {
  shown();
  fireEvent.change(screen.getByLabelText('Sorted by'), { target: { value: 'today' } });
  expect(listed()).toBe('Lintel 12, Slipway 12');
});
