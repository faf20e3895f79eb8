import type { Schemas } from '../../api/wire/client';
import { span } from '../../format/words';
import { currencySign, type Sum } from '../../format/money';

/** A money column of the ledger: a part of the horizon, the later years folded into one, or the whole. */
export interface Column {
  key: string;
  head: string;
  at: number | 'folded' | 'total';
  /** Whether the first term ends behind it. */
  endsTerm: boolean;
}

/** A figure whose origin is asked for. */
export interface Asked {
  row: Schemas['LedgerRowWire'];
  column: Column;
}

/** The columns over a horizon; the years after the third are one while they are folded. */
export function columnsOf(
  ledger: Schemas['LedgerWire'] | null,
  horizonMonths: number,
  currency: string,
  folded: boolean,
): Column[] {
  const years = Math.ceil(horizonMonths / 12);
  const last = folded ? 3 : years;
  const endsAfter = ledger?.firstTermEndsAfter ?? null;
  const column = (at: number, head: string): Column => ({ key: `at-${at}`, head, at, endsTerm: endsAfter === at });
  return [
    column(0, 'Today'),
    column(1, 'Rest of year 1'),
    ...Array.from({ length: last - 1 }, (_, index) => column(index + 2, `Year ${index + 2}`)),
    ...(folded
      ? [
          {
            key: 'folded',
            head: `Years 4–${years}`,
            at: 'folded' as const,
            endsTerm: endsAfter !== null && endsAfter > 3 && endsAfter <= years,
          },
        ]
      : []),
    { key: 'total', head: `${span(horizonMonths)}, ${currencySign(currency)}`, at: 'total', endsTerm: false },
  ];
}

/** What a row says in each column. */
export interface Figures {
  cells: readonly Sum[];
  folded: Sum | null;
  total: Sum;
  /** The row of the ledger they are from, where their origin can be asked for. */
  row?: Schemas['LedgerRowWire'];
}

const nothing: Sum = { amount: '0', atLeast: false };

export function figureAt(figures: Figures, column: Column): Sum {
  switch (column.at) {
    case 'total':
      return figures.total;
    case 'folded':
      return figures.folded ?? nothing;
    default:
      return figures.cells[column.at] ?? nothing;
  }
}

/** Cells of the ledger with their marks. */
export function sumsOf(cells: readonly string[], atLeast: readonly boolean[]): Sum[] {
  return cells.map((amount, at) => ({ amount, atLeast: atLeast[at] ?? false }));
}

/** The figures of a row of the costing's ledger, if it is there. */
export function figuresOf(
  rows: readonly Schemas['LedgerRowWire'][],
  is: (row: Schemas['LedgerRowWire']) => boolean,
): Figures | null {
  const row = rows.find(is);
  return row
    ? {
        cells: sumsOf(row.cells, row.atLeast),
        folded: row.folded,
        total: { amount: row.total, atLeast: row.totalAtLeast },
        row,
      }
    : null;
}
