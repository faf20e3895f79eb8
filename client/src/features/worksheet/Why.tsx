import { lazy, Suspense } from 'react';
import type { Book, Costing, Schemas } from '../../api/wire/client';
import { figure } from '../../format/money';
import { Dialog } from '../../ui/sheets/Dialog';
import { Waiting } from '../../ui/said/Waiting';
import { useSite } from '../../api/site/site';
import type { Asked, Column } from './columns';
import { useSheet } from './sheet';

const Origin = lazy(() => import('./Origin'));

/** Where one figure comes from: its lines, the rule in words, the book, and the day that was read. */
export function Why({ columns }: { columns: readonly Column[] }) {
  const { page, books } = useSite();
  const { sheet, close } = useSheet();
  const { costing } = page.worksheet;
  const asked = sheet && costing ? askedBy(sheet, costing, columns) : null;
  return (
    <Dialog
      open={asked !== null}
      onOpenChange={close}
      wide
      title={asked ? `Why ${figure(amountOf(asked))}?` : ''}
      about={
        asked
          ? `${nameOf(asked.row, books)}, ${asked.column.at === 'total' ? 'all of it' : asked.column.head.toLowerCase()}`
          : ''
      }
    >
      {asked && costing && (
        <Suspense fallback={<Waiting for="Looking up where it comes from" />}>
          <Origin asked={asked} costing={costing} />
        </Suspense>
      )}
    </Dialog>
  );
}

/** The address of a figure's origin. */
export function whySheet({ row, column }: Asked): string {
  return ['why', row.kind, row.book ?? '', row.ref ?? '', column.key].join('~');
}

function askedBy(sheet: string, costing: Costing, columns: readonly Column[]): Asked | null {
  for (const row of costing.ledger.rows) {
    const column = columns.find((known) => whySheet({ row, column: known }) === sheet);
    if (column) {
      return { row, column };
    }
  }

  return null;
}

function amountOf({ row, column }: Asked): string {
  return column.at === 'total'
    ? row.total
    : column.at === 'folded'
      ? (row.folded?.amount ?? '0')
      : (row.cells[column.at] ?? '0');
}

function nameOf({ kind, book: id, ref }: Schemas['LedgerRowWire'], books: readonly Book[]): string {
  const book = books.find((known) => known.id === id);
  switch (kind) {
    case 'plan':
      return `Plan ${book?.plans.find((plan) => plan.id === ref)?.name ?? ref}`;
    case 'dataCentre':
      return `Data centre ${book?.dataCentres.find((centre) => centre.id === ref)?.name ?? ref}`;
    case 'setup':
      return 'Setting it up';
    case 'addOn':
      return book?.addOns.find((addOn) => addOn.id === ref)?.name ?? ref ?? '';
    case 'code':
      return `Taken off by ${ref}`;
    case 'tax':
      return 'Tax';
    default:
      return `Domain ${ref}`;
  }
}
