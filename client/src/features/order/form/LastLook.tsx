import type { Book, Costing, Worksheet } from '../../../api/wire/client';
import { longDay, shortDay } from '../../../format/dates';
import { figure, isZero, money, dueNext } from '../../../format/money';
import { span } from '../../../format/words';
import { useSite } from '../../../api/site/site';
import { Head, Heads, Row, Table } from '../../../ui/Table';

/** One last look: only what I wanted? Every line of today's bills, the name spelt out, and what falls due next. */
export function LastLook({ costing }: { costing: Costing }) {
  const { page, books } = useSite();
  const today = costing.bills.filter((bill) => bill.date === page.settings.startDate);
  const domain = page.worksheet.candidate.domains.find((chosen) => chosen.route === 'register');
  const seller = (id: string | null) => books.find((book) => book.id === id)?.provider ?? 'your own registrar';
  return (
    <section className="mt-4">
      {today.map((bill) => (
        <Table
          key={`${bill.book}${bill.currency}`}
          className="mt-1 mb-4 w-full"
          caption={
            <>
              From <bdi>{seller(bill.book)}</bdi>, today
            </>
          }
          shown
        >
          <Heads className="sr-only">
            <Head>What</Head>
            <Head>Paid until</Head>
            <Head>{bill.currency}</Head>
          </Heads>
          <tbody>
            {bill.lines.map((line) => (
              <Row
                key={`${line.kind} ${line.ref} ${line.forDomain ?? ''} ${line.included ?? ''}`}
                label={
                  <>
                    <bdi>
                      {line.kind === 'addOn' && line.quantity > 1 && `${line.quantity} × `}
                      {lineWords(line, bill.book, books, page.worksheet.extras)}
                    </bdi>
                    {line.discounts.map((discount) => (
                      <span key={discount.source} className="text-green block text-[13px]">
                        {discount.source === 'included' ? 'included with the plan' : discount.source}: −
                        {figure(discount.amount)}
                      </span>
                    ))}
                  </>
                }
              >
                <td className="text-soft text-right">
                  {line.included ? 'included' : line.coversUntil ? `paid until ${shortDay(line.coversUntil)}` : 'once'}
                </td>
                <td className="w-24 text-right">{figure(line.afterDiscounts)}</td>
              </Row>
            ))}
            {!isZero(bill.tax) && bill.net !== bill.total && (
              <tr className="odd:bg-band [&>*]:px-2.5 [&>*]:py-1">
                <th scope="row" className="font-normal" colSpan={2}>
                  {books.find((book) => book.id === bill.book)?.pricesIncludeTax ? 'of which tax' : 'Tax'}
                </th>
                <td className="text-right">{figure(bill.tax)}</td>
              </tr>
            )}
            <tr className="[&>*]:double-rule font-bold [&>*]:border-t [&>*]:px-2.5 [&>*]:py-1.5">
              <th scope="row" colSpan={2} className="double-rule">
                Due today
              </th>
              <td className="double-rule text-right">{money(bill.total, bill.currency)}</td>
            </tr>
          </tbody>
        </Table>
      ))}
      {books
        .filter((book) => book.isOld && today.some((bill) => bill.book === book.id))
        .map((book) => (
          <p key={book.id} className="text-red mt-2">
            The prices of <bdi>{book.provider}</bdi> were read on {shortDay(book.asOf)}, over 60 days ago: they may have
            changed since.
          </p>
        ))}
      {domain && (
        <p className="mt-2">
          Read the name once more, it cannot be changed afterwards:{' '}
          <bdi className="font-display block text-2xl tracking-[0.12em]">
            {domain.name}.{domain.ending}
          </bdi>
          <span className="text-soft text-sm">registered for {span(12 * domain.years)}</span>
        </p>
      )}
      <SeveralSellers count={new Set(today.map((bill) => bill.book)).size} />
      <Later costing={costing} />
    </section>
  );
}

/** What more than one seller means for the owner. */
function SeveralSellers({ count }: { count: number }) {
  const { candidate } = useSite().page.worksheet;
  return count < 2 ? null : (
    <p className="mt-2">
      {count === 2 ? 'Two' : count} sellers: a log-in and a bill at each, and each renews on its own.{' '}
      {candidate.hosting &&
        'The name is pointed at the hosting with this order, so that there is nothing to connect by hand.'}
    </p>
  );
}

function Later({ costing }: { costing: Costing }) {
  const { page } = useSite();
  const { timeline } = page.worksheet;
  const bars = timeline?.bars.flatMap((bar) => (bar.within.length > 0 ? bar.within : [bar])) ?? [];
  const following = bars.find((bar) => bar.date !== page.settings.startDate) ?? dueNext(costing.totals.next);
  return following ? (
    <p className="border-red text-red mt-3 border-l-2 pl-3">
      The next {following.atLeast && 'at least '}
      {money(following.total, costing.totals.currency)} is due on {longDay(following.date)}.
      {costing.priceStep && ` From ${longDay(costing.priceStep.date)} the plan’s first price is over.`}
    </p>
  ) : null;
}

function lineWords(
  line: Costing['bills'][number]['lines'][number],
  bookId: string | null,
  books: Book[],
  extras: Worksheet['extras'],
): string {
  const book = books.find((known) => known.id === bookId);
  const plan = book?.plans.find((known) => known.id === line.ref)?.name ?? line.ref;
  switch (line.kind) {
    case 'plan':
      return `${plan}, hosting`;
    case 'setup':
      return `Setting ${plan} up`;
    case 'dataCentre':
      return `Data centre ${line.ref}`;
    case 'domain':
      return line.ref;
    default:
      return extras.find((extra) => extra.id === line.ref && extra.seller === book?.provider)?.name ?? line.ref;
  }
}
