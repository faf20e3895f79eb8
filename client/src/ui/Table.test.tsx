// @vitest-environment jsdom
import { cleanup, render, screen, within } from '@testing-library/react';
import { afterEach, expect, it } from 'vitest';
import { Cell, Head, Heads, InNarrow, Row, Table } from './Table';

afterEach(cleanup);

it('a table has its name, its heads and rows named by their first cell', () => {
  render(
    <Table caption="What is due" stacks>
      <Heads>
        <Head>For</Head>
        <Head figures>Sum</Head>
      </Heads>
      <tbody>
        <Row label="Slipway">
          <Cell figures>
            <InNarrow>costs</InNarrow>£107.88
          </Cell>
        </Row>
      </tbody>
    </Table>,
  );
  const table = screen.getByRole('table', { name: 'What is due' });
  expect(
    within(table)
      .getAllByRole('columnheader')
      .map((head) => head.textContent),
  ).toEqual(['For', 'Sum']);
  expect(within(table).getByRole('rowheader').textContent).toBe('Slipway');
  // A cell says what it is only where the heads cannot be seen.
  expect(screen.getByText('costs').className).toContain('sm:hidden');
  expect(screen.getByText(/£107.88/).className).toContain('text-right');
});
