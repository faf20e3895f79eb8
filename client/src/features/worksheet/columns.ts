import type { Schemas } from '../../api/client';
import { shortSpan } from '../../format/words';
import { currencySign } from '../../format/money';

/** A money column of the ledger: a part of the horizon, the later years folded into one, or the whole. */
export interface Column {
  key: string;
  head: string;
  at: number | 'folded' | 'total';
  /** Whether the first term ends behind it. */
  endsTerm: boolean;
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
    { key: 'total', head: `${shortSpan(horizonMonths)}, ${currencySign(currency)}`, at: 'total', endsTerm: false },
  ];
}

/** What a row says in each column. */
export interface Figures {
  cells: readonly string[];
  folded: string | null;
  total: string;
  /** Which cells hold a part that is not stated; absent: none. */
  atLeast?: readonly boolean[];
  totalAtLeast?: boolean;
  /** The row of the ledger they are from, where their origin can be asked for. */
  row?: Schemas['LedgerRowWire'];
}

export function figureAt(figures: Figures, column: Column): { amount: string; atLeast: boolean } {
  const marks = figures.atLeast ?? [];
  switch (column.at) {
    case 'total':
      return { amount: figures.total, atLeast: figures.totalAtLeast ?? marks.some(Boolean) };
    case 'folded':
      return { amount: figures.folded ?? '0', atLeast: marks.slice(4).some(Boolean) };
    default:
      return { amount: figures.cells[column.at] ?? '0', atLeast: marks[column.at] ?? false };
  }
}
