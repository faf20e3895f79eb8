import type { Costing, Schemas } from '../../api/wire/client';
import { shortDay } from '../../format/dates';
import { figure, isZero, money } from '../../format/money';
import { wayToPay } from '../../format/words';
import { Head, Heads, Row, Table } from '../../ui/Table';
import { ScrollRegion } from '../../ui/ScrollRegion';
import { useSite } from '../../api/site/site';
import type { Asked } from './columns';

type Bill = Schemas['BillWire'];
type Line = Schemas['LineWire'];

/** The lines a figure is made of, the rule in words, the book, and the day that was read. */
export default function Origin({ asked, costing }: { asked: Asked; costing: Costing }) {
  const { books } = useSite();
  const { row, column } = asked;
  const book = books.find((known) => known.id === row.book);
  const bills = costing.bills.filter(
    (bill) =>
      (row.kind === 'tax' || bill.book === row.book) &&
      (column.at === 'total' || (column.at === 'folded' ? bill.column >= 4 : bill.column === column.at)),
  );
  const found = bills.flatMap((bill) => linesOf(row, bill).map((line) => ({ bill, line })));
  const foreign = found.find(({ bill }) => bill.currency !== costing.totals.currency)?.bill.currency;
  return (
    <>
      <p className="mb-2 max-w-prose">
        <Rule row={row} book={book} />
      </p>
      {found.length === 0 ? (
        <p>There is no bill for it in this period.</p>
      ) : (
        <ScrollRegion label="Lines">
          <Table className="mt-1 w-full" caption="The lines this figure is made of">
            <Heads>
              <Head>Due on</Head>
              <Head>Covers</Head>
              <Head figures>Price</Head>
              <Head>Taken off it</Head>
              <Head figures>In this row</Head>
            </Heads>
            <tbody>
              {found.map(({ bill, line }, index) => (
                <LineRow key={index} bill={bill} line={line} />
              ))}
            </tbody>
          </Table>
        </ScrollRegion>
      )}
      <Printed row={row} book={book} />
      <Sources book={book} foreign={foreign} />
    </>
  );
}

interface Shown {
  covers: string;
  price: string;
  off: string;
  net: string;
}

// A code's row is what it took off each line; tax is the bill's; anything else its own lines, before codes.
function linesOf(row: Schemas['LedgerRowWire'], bill: Bill): Shown[] {
  if (row.kind === 'tax') {
    return isZero(bill.tax) ? [] : [{ covers: '', price: bill.net, off: '', net: bill.tax }];
  }

  if (row.kind === 'code') {
    return bill.lines.flatMap((line) =>
      line.discounts
        .filter((discount) => discount.source === row.ref)
        .map((discount) => ({ covers: line.ref, price: line.amount, off: '', net: `-${discount.amount}` })),
    );
  }

  return bill.lines.filter((line) => line.kind === row.kind && line.ref === row.ref).map(shown);
}

function shown(line: Line): Shown {
  const covers =
    line.coversFrom && line.coversUntil ? `${shortDay(line.coversFrom)} to ${shortDay(line.coversUntil)}` : 'once';
  return {
    covers: line.included ? 'included' : covers,
    price: line.atLeast && isZero(line.amount) ? 'not stated' : line.amount,
    off: line.discounts
      .map(
        (discount) =>
          `${discount.source === 'included' ? 'included with the plan' : `in its own row: ${discount.source}`} −${figure(discount.amount)}`,
      )
      .join(', '),
    net: line.inRow,
  };
}

function LineRow({ bill, line }: { bill: Bill; line: Shown }) {
  const written = (amount: string) => (/^-?[0-9.]+$/.test(amount) ? figure(amount) : amount);
  return (
    <Row label={shortDay(bill.date)}>
      <td className="text-soft">{line.covers}</td>
      <td className="text-right">{written(line.price)}</td>
      <td className="text-green">{line.off}</td>
      <td className="text-right font-semibold">
        {/^-?[0-9.]+$/.test(line.net) ? money(line.net, bill.currency) : line.net}
      </td>
    </Row>
  );
}

function Rule({ row, book }: { row: Schemas['LedgerRowWire']; book?: Schemas['BookWire'] }) {
  const { page } = useSite();
  const { extras, candidate } = page.worksheet;
  const every = candidate.hosting?.everyMonths ?? 1;
  switch (row.kind) {
    case 'plan':
      return (
        <>
          The plan’s price of each bill, {wayToPay(every, every)} from the start on; the first steps of the price list
          first.
        </>
      );
    case 'dataCentre':
      return <>The data centre’s surcharge a month, times the months of each bill of the plan.</>;
    case 'setup':
      return <>Charged once, on the first day.</>;
    case 'domain':
      return (
        <>
          The first year at the price for registering, each later year at that for renewing; what the plan includes is
          taken off.
        </>
      );
    case 'addOn': {
      const charged = extras.find((extra) => extra.id === row.ref)?.every;
      const words: Record<string, string> = {
        once: 'Charged once, on the first day.',
        month: 'Its price a month, for the months of each bill.',
        year: 'Its price a year, on each year’s day.',
        cycle: 'Its price with each bill of the plan.',
      };
      return <>{words[charged ?? ''] ?? 'Its price as the seller charges it.'}</>;
    }
    case 'code':
      return (
        <>What this takes off each line it is for. On each line, every code works on what the ones before it left.</>
      );
    case 'tax':
      return (
        <>
          {page.settings.taxPercent}% of what each bill comes to, rounded once a bill, where the seller’s prices don’t
          include tax.
        </>
      );
    default:
      return <>{book?.provider}</>;
  }
}

/** The words of the seller's page that the price was read from, where it was read from one. */
function Printed({ row, book }: { row: Schemas['LedgerRowWire']; book?: Schemas['BookWire'] }) {
  const { page } = useSite();
  const { hosting } = page.worksheet.candidate;
  const commit = hosting?.commitMonths ?? hosting?.everyMonths;
  const words = wordsOf(row, book).filter(({ commitMonths }) => commitMonths === null || commitMonths === commit);
  return words.length === 0 ? null : (
    <>
      <p className="mt-3 text-[14px]">Their page said, read on {shortDay(words[0]!.on)}:</p>
      <ul className="text-[14px]">
        {[...new Set(words.map((known) => known.words))].map((said) => (
          <li key={said}>
            <q>{said}</q>
          </li>
        ))}
      </ul>
    </>
  );
}

function wordsOf(row: Schemas['LedgerRowWire'], book?: Schemas['BookWire']) {
  switch (row.kind) {
    case 'plan':
    case 'setup': {
      const parts = row.kind === 'plan' ? ['price', 'later', 'months'] : ['setup'];
      return book?.plans.find(({ id }) => id === row.ref)?.readFrom.filter(({ of }) => parts.includes(of)) ?? [];
    }
    case 'addOn':
      return book?.addOns.find(({ id }) => id === row.ref)?.readFrom ?? [];
    case 'domain':
      return book?.domains.find(({ ending }) => ending === endingOf(row.ref))?.readFrom ?? [];
    default:
      return [];
  }
}

// A name has no dot, an ending may have one.
const endingOf = (domain: string | null) => domain?.slice(domain.indexOf('.') + 1);

function Sources({ book, foreign }: { book?: Schemas['BookWire']; foreign?: string }) {
  const { page } = useSite();
  const { currency, rates, rateDates } = page.settings;
  return (
    <p className="text-soft mt-3 text-[13px]">
      {book && (
        <>
          From the price list of <bdi>{book.provider}</bdi>, read on {shortDay(book.asOf)}
          {book.isOld && <span className="text-red">, over 60 days ago</span>}
          {book.pricesIncludeTax
            ? page.settings.countTax
              ? '; its prices include tax'
              : '; its prices include tax, which the worksheet leaves out'
            : ''}
          .{' '}
        </>
      )}
      {foreign &&
        `One ${foreign} is counted as ${rates[foreign]} ${currency}${rateDates[foreign] ? `, as you typed it on ${shortDay(rateDates[foreign])}` : ''}; each bill is converted whole and shared over its rows.`}
    </p>
  );
}
