// @vitest-environment jsdom
import { cleanup, fireEvent, render, screen } from '@testing-library/react';
import { afterEach, expect, it } from 'vitest';
import { inSite } from '../../api/site/inSite';
import { keys } from '../../api/wire/keys';
import { Charges } from './Charges';

afterEach(cleanup);

const movement = {
  line: 1,
  on: '2027-12-01',
  seller: 'Tidemarsh',
  what: 'Slipway, 1 year',
  due: '189.07',
  currency: 'GBP',
  cameBack: false,
  seen: null as string | null,
  over: null as string | null,
  statement: null as number | null,
};

function shown(movements: object[], more: object = {}) {
  const tenure = { orderId: 'o', version: 3, movements, overcharged: [], ...more };
  const { whole } = inSite(
    <Charges tenure={tenure as never} />,
    {},
    {
      answers: [
        [
          keys.why('o', 1, '200.00'),
          { explanations: [['One.', 'Two.'], ['Three.'], ['Four.'], ['Five.']].map((words) => ({ words })) },
        ],
        [keys.why('o', 1, '180.00'), null],
        [keys.letter('o', 'tide', 3), { text: 'Dear Tidemarsh, …' }],
      ],
    },
  );
  return render(whole).container.textContent;
}

const row = (more: object) => shown([{ ...movement, ...more }]);

it.each([
  [{}, 'was due', 'not compared'],
  [{ cameBack: true }, 'was to come', 'not compared'],
  [{ seen: '189.07' }, 'was due', 'that is what was taken'],
  [{ seen: '189.07', statement: 4 }, 'was due', 'that is what was taken, by your statement'],
  [{ seen: '189.07', cameBack: true }, 'was to come', 'that is what came'],
  [{ seen: '200.00', over: '10.93' }, 'was due', '£200.00 was taken: £10.93 more'],
  [{ seen: '180.00', over: '-9.07' }, 'was due', '£180.00 was taken: £9.07 less'],
  [{ seen: '180.00', over: '9.07', cameBack: true }, 'was to come', '£180.00 came: £9.07 less'],
  [{ seen: '200.00', over: '-10.93', cameBack: true }, 'was to come', '£200.00 came: £10.93 more'],
])('a charge compared, %j: %s, %s', (more, due, words) => {
  const said = row(more);
  expect(said).toContain(`£189.07${due}`);
  expect(said).toMatch(new RegExp(`${due}${words.replace('.', '\\.')}(Why|Type the sum|Change it)`));
});

it('a sum that is not what was due is asked why; what came back and what agrees is not', () => {
  row({ seen: '200.00', over: '10.93' });
  fireEvent.click(screen.getByRole('button', { name: /^Why/ }));
  expect(
    screen
      .getAllByRole('listitem')
      .map((item) => item.textContent)
      .slice(1),
  ).toEqual(['One. And: Two.', 'Three.', 'Four.']);
  cleanup();
  row({ seen: '180.00', over: '-9.07' });
  fireEvent.click(screen.getByRole('button', { name: /^Why/ }));
  expect(screen.getByText(/Nothing that we know of/).textContent).toContain('with Slipway, 1 year, one by one.');
  for (const more of [{}, { seen: '189.07' }, { seen: '180.00', over: '9.07', cameBack: true }]) {
    cleanup();
    row(more);
    expect(screen.queryByRole('button', { name: /^Why/ })).toBeNull();
  }
});

it('the newest six are shown, and all of them when asked', () => {
  const many = (count: number) => Array.from({ length: count }, (_, line) => ({ ...movement, line }));
  shown(many(6));
  expect(screen.queryByRole('button', { name: /^All/ })).toBeNull();
  cleanup();
  shown(many(8));
  expect(screen.getAllByRole('listitem')).toHaveLength(6);
  fireEvent.click(screen.getByRole('button', { name: 'All 8' }));
  expect(screen.getAllByRole('listitem')).toHaveLength(8);
  fireEvent.click(screen.getByRole('button', { name: 'Only the newest' }));
  expect(screen.getAllByRole('listitem')).toHaveLength(6);
});

it('who took too much is named with the sum', () => {
  const overcharged = [{ book: 'tide', seller: 'Tidemarsh', amount: '10.93', currency: 'GBP' }];
  const said = shown([movement], { overcharged });
  expect(said).toContain('Tidemarsh took £10.93 beyond what was due.');
  cleanup();
  expect(shown([])).toBe('');
});
