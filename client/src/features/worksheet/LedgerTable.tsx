import { createContext, useContext, useState, type ReactNode } from 'react';
import type { Book, Schemas } from '../../api/wire/client';
import { useSite } from '../../api/site/site';
import { figure, isZero, sumFigure } from '../../format/money';
import { cx } from '../../ui/cx';
import { useSheet } from './sheet';
import { Why, whySheet } from './Why';
import { figureAt, type Asked, type Column, type Figures as RowFigures } from './columns';

interface Shape {
  columns: Column[];
  /** On a narrow screen one column stands beside the total: this one. */
  narrow: string;
  ask: (asked: Asked) => void;
}

/** Quiet: not chosen. Strong: chosen. Included: its zero is a gift, in green. */
type Look = 'plain' | 'quiet' | 'strong' | 'included' | 'total';

const ShapeContext = createContext<Shape>({
  columns: [],
  narrow: '',
  ask: () => undefined,
});

/** The ruled table of the ledger: choices on the left, money columns that add up, notes in the margin. */
export function LedgerTable({
  columns,
  caption,
  unfold,
  children,
}: {
  columns: Column[];
  caption: string;
  unfold: ReactNode;
  children: ReactNode;
}) {
  const [narrow, setNarrow] = useState('at-0');
  const { open } = useSheet();
  const shown = columns.some((column) => column.key === narrow) ? narrow : 'at-0';
  return (
    <ShapeContext value={{ columns, narrow: shown, ask: (asked) => open(whySheet(asked)) }}>
      <Why columns={columns} />
      {unfold}
      <table className="w-full border-separate border-spacing-0 text-[14px]">
        <caption className="sr-only">{caption}</caption>
        <thead>
          <tr className="text-soft [&>*]:border-ink text-right text-[13px] [&>*]:border-b [&>*]:px-1.5 [&>*]:py-1.5 [&>*]:font-semibold md:[&>*]:px-2.5">
            <td className="hidden w-[78px] lg:table-cell" />
            <th scope="col" className="text-left">
              Your choice
            </th>
            {columns.map((column) => (
              <th key={column.key} scope="col" className={cx('md:whitespace-nowrap', cellShape(column, shown))}>
                {column.at === 'total' ? (
                  column.head
                ) : (
                  <>
                    <span className="hidden md:inline">{column.head}</span>
                    <select
                      aria-label="Column shown beside the total"
                      className="text-blue bg-sheet border-blue w-[4.5rem] border-b border-dotted font-semibold md:hidden"
                      value={shown}
                      onChange={(event) => setNarrow(event.target.value)}
                    >
                      {columns
                        .filter((choice) => choice.at !== 'total')
                        .map((choice) => (
                          <option key={choice.key} value={choice.key}>
                            {choice.head}
                          </option>
                        ))}
                    </select>
                  </>
                )}
              </th>
            ))}
            <th scope="col" className="hidden w-[286px] border-b-transparent! xl:table-cell">
              <span className="sr-only">Notes</span>
            </th>
          </tr>
        </thead>
        {children}
      </table>
    </ShapeContext>
  );
}

function cellShape(column: Column, narrow: string) {
  return cx(column.endsTerm && 'term-ends', column.at !== 'total' && column.key !== narrow && 'max-md:hidden');
}

/** What the parts of a row need to know of it. */
const RowContext = createContext<{ kind?: string; look: Look }>({ look: 'plain' });

const edge = (look: Look) => look === 'total' && 'border-t border-ink double-rule pt-2.5';

/** One row, made of a <Choice> and, where it costs or brings something, a <Figures>; its notes stand in the margin. */
export function LedgerRow({
  kind,
  band,
  look = 'plain',
  notes,
  margin = { notes, rows: 1 },
  children,
}: {
  /** What the row is about; said once for several rows. */
  kind?: string;
  band?: boolean;
  look?: Look;
  notes?: ReactNode;
  /** Where several rows share the margin: what stands in it, over how many rows; null: beside an earlier row. */
  margin?: { notes: ReactNode; rows: number } | null;
  children: ReactNode;
}) {
  return (
    <RowContext value={{ kind, look }}>
      <tr
        className={cx(
          'align-top [&>*]:px-1.5 [&>*]:py-1 md:[&>*]:px-2.5',
          band && '[&>*:not(.notes)]:bg-band',
          look === 'total' && 'font-bold',
        )}
      >
        <td className={cx('text-soft hidden lg:table-cell', edge(look))}>{kind}</td>
        {children}
        {margin && (
          <td rowSpan={margin.rows} className="notes hidden xl:table-cell xl:pl-6!">
            {margin.notes && <span className="flex flex-col gap-2">{margin.notes}</span>}
          </td>
        )}
      </tr>
      <NarrowNotes notes={notes} band={band} />
    </RowContext>
  );
}

/** What is chosen, or can be; it names the row unless a control in it does. */
export function Choice({ names = true, children }: { names?: boolean; children: ReactNode }) {
  const { kind, look } = useContext(RowContext);
  const Cell = names ? 'th' : 'td';
  return (
    <Cell scope={names ? 'row' : undefined} className={cx('text-left font-normal', edge(look))}>
      {kind && <span className="text-soft block text-[12.5px] lg:hidden">{kind}</span>}
      {children}
    </Cell>
  );
}

/** The money columns of a row; without figures nothing is taken, and they stay blank. */
export function Figures({ of: figures = null }: { of?: RowFigures | null }) {
  const { columns, narrow } = useContext(ShapeContext);
  const { look } = useContext(RowContext);
  return columns.map((column) => (
    <td
      key={column.key}
      className={cx(
        'text-right whitespace-nowrap',
        cellShape(column, narrow),
        edge(look),
        look === 'total' && 'text-[17px]',
      )}
    >
      {figures && (
        <Asking figures={figures} column={column}>
          <Figure {...figureAt(figures, column)} look={look} />
        </Asking>
      )}
    </td>
  ));
}

/** Where there is no margin, the notes of a row take the whole width under it. */
function NarrowNotes({ notes, band }: { notes: ReactNode; band?: boolean }) {
  const { columns } = useContext(ShapeContext);
  return notes ? (
    <tr className={cx('xl:hidden', band && 'bg-band', '[&:not(:has(.note))]:hidden')}>
      <td className="hidden lg:table-cell" />
      <td colSpan={columns.length + 1} className="px-1.5 pb-2 md:px-2.5">
        <span className="flex flex-col gap-2">{notes}</span>
      </td>
    </tr>
  ) : null;
}

/** A figure that opens its origin. One in each row is on the way of the Tab key: the dialog leads on from there. */
function Asking({ figures, column, children }: { figures: RowFigures; column: Column; children: ReactNode }) {
  const { ask } = useContext(ShapeContext);
  const { books } = useSite();
  const { row } = figures;
  const { amount, atLeast } = figureAt(figures, column);
  return row ? (
    <button
      type="button"
      className="hover:decoration-blue hover:underline hover:decoration-dotted hover:underline-offset-4"
      tabIndex={column.at === 'total' ? 0 : -1}
      title="Why?"
      aria-label={`${sumFigure({ amount, atLeast })}, ${rowWords(row, books)}, ${column.head}: why?`}
      onClick={() => ask({ row, column })}
    >
      {children}
    </button>
  ) : (
    children
  );
}

/** What a row of the ledger is about, for who hears its figures one by one. */
function rowWords({ kind, book, ref }: Schemas['LedgerRowWire'], books: readonly Book[]): string {
  const seller = books.find((known) => known.id === book);
  switch (kind) {
    case 'plan':
      return `the plan ${seller?.plans.find((plan) => plan.id === ref)?.name ?? ''}`.trim();
    case 'dataCentre':
      return 'the data centre';
    case 'setup':
      return 'setting it up';
    case 'addOn':
      return seller?.addOns.find((addOn) => addOn.id === ref)?.name ?? 'an extra';
    case 'code':
      return `taken off by ${ref ?? 'the seller'}`;
    case 'tax':
      return 'tax';
    default:
      return ref ?? 'the domain';
  }
}

/** A sum, tinted for a moment when it changed; zero is quiet, what is not stated is said. */
function Figure({ amount, atLeast, look }: { amount: string; atLeast: boolean; look: Look }) {
  const [first] = useState(amount);
  const zero = isZero(amount);
  if (atLeast && zero) {
    return <span className="text-red text-[13px] whitespace-normal">not stated</span>;
  }

  return (
    <span
      key={amount}
      className={cx(
        zero && (look === 'plain' || look === 'quiet') && 'text-soft',
        zero && look === 'included' && 'text-green font-semibold',
        look === 'quiet' && 'text-soft',
        look === 'strong' && 'font-bold',
        amount.startsWith('-') && 'text-green font-semibold',
        amount !== first && 'changed',
      )}
    >
      {atLeast && <span className="text-red text-[13px] font-normal">at least </span>}
      {figure(amount)}
    </span>
  );
}
