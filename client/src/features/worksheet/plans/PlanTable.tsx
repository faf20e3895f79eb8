import type { Book } from '../../../api/wire/client';
import { useSite } from '../../../api/site/site';
import { shortDay } from '../../../format/dates';
import { comesWith, differing, features, featureWords } from '../../../format/features';
import { currencySign, dueNext, figure, money } from '../../../format/money';
import { span, wayToPay } from '../../../format/words';
import { Button } from '../../../ui/Button';
import { NeedFits } from '../../../ui/said/NeedFits';
import { SellerNotes } from '../../../ui/said/SellerNotes';
import { Head, Heads, Table } from '../../../ui/Table';
import { FitCell, FitHead } from './FitCell';
import type { PlanWay } from './ways';

interface Shown {
  way: PlanWay;
  book: Book;
  plan: Book['plans'][number];
}

/** Plans as rows, prices and limits as columns, so that each column is read down at a glance. */
export function PlanTable({
  ways,
  all,
  showsPay,
  choose,
}: {
  ways: readonly PlanWay[];
  /** Whether limits that no need asks about have columns too. */
  all: boolean;
  /** Whether each row says how it is paid. */
  showsPay: boolean;
  choose: (way: PlanWay) => void;
}) {
  const { page, books } = useSite();
  const sign = currencySign(page.settings.currency);
  const rows = ways.flatMap((way): Shown[] => {
    const book = books.find((known) => known.id === way.book);
    const plan = book?.plans.find((known) => known.id === way.plan);
    return book && plan ? [{ way, book, plan }] : [];
  });
  const asked = ways[0]?.fits ?? [];
  const told = new Set(asked.map((fit) => fit.need));
  const more =
    all || asked.length === 0 ? differing(rows.map((row) => row.plan)).filter(([key]) => !told.has(key)) : [];
  const limits = all ? features.filter(([key]) => !told.has(key)) : more.slice(0, 5);
  return (
    <Table className="mt-1 w-full" caption="Plans, with what each costs and how far it does what is needed">
      <Heads>
        <Head>Plan</Head>
        <Head figures>A month, then later</Head>
        <Head figures className="max-md:hidden">
          Today, {sign}
        </Head>
        <Head figures>
          {span(page.settings.horizonMonths)}, {sign}
        </Head>
        {asked.map((fit) => (
          <FitHead key={fit.need + JSON.stringify(fit.wants)} fit={fit} />
        ))}
        {limits.map(([key, label]) => (
          <Head key={key} figures className="max-md:hidden">
            {label}
          </Head>
        ))}
        {all && <Head className="max-md:hidden">Comes with</Head>}
      </Heads>
      <tbody>
        {rows.map(({ way, book, plan }) => (
          <tr
            key={`${way.book} ${way.plan} ${way.everyMonths} ${way.commitMonths}`}
            className="odd:bg-band align-top [&>*]:px-2 [&>*]:py-1.5"
          >
            <th scope="row" className="max-w-60 font-normal">
              <Button look="text" onClick={() => choose(way)}>
                <bdi>
                  {book.provider}, {plan.name}
                </bdi>
              </Button>
              {way.isChosen && <span className="text-soft"> chosen now</span>}
              {showsPay && (
                <span className="block text-[13px]">paid {wayToPay(way.everyMonths, way.commitMonths)}</span>
              )}
              <SellerNotes of={[book.id]} />
              <span className="block text-[13px] md:hidden">
                <NeedFits fits={way.fits} />
              </span>
            </th>
            <PerMonth way={way} book={book} />
            <Sums way={way} />
            {way.fits.map((fit) => (
              <FitCell key={fit.need + JSON.stringify(fit.wants)} {...{ fit, book, plan }} />
            ))}
            {limits.map(([key]) => (
              <td key={key} className="text-right max-md:hidden">
                {featureWords(plan.features[key])}
              </td>
            ))}
            {all && <td className="min-w-44 text-[13px] max-md:hidden">{comesWith(plan)}</td>}
          </tr>
        ))}
      </tbody>
    </Table>
  );
}

function PerMonth({ way, book }: { way: PlanWay; book: Book }) {
  return (
    <td className="text-right whitespace-nowrap">
      {money(way.first, book.currency)}
      {way.later !== way.first && (
        <span className="block text-[13px]">
          {way.later === null ? 'later not stated' : `then ${money(way.later, book.currency)}`}
        </span>
      )}
      {way.freeMonths > 0 && <span className="block text-[12.5px]">{way.freeMonths} months more free</span>}
      {way.setupFee && (
        <span className="text-soft block text-[12.5px]">set-up {money(way.setupFee, book.currency)}</span>
      )}
      {!book.pricesIncludeTax && <span className="text-soft block text-[12.5px]">before tax</span>}
    </td>
  );
}

function Sums({ way: { outcome } }: { way: PlanWay }) {
  if (!outcome) {
    return (
      <td colSpan={2} className="text-soft text-right text-[13px]">
        cannot be worked out with the domain chosen
      </td>
    );
  }

  const next = dueNext(outcome.nextDue);
  return (
    <>
      <td className="text-right whitespace-nowrap max-md:hidden">
        {outcome.todayAtLeast && <AtLeast />}
        {figure(outcome.dueToday)}
      </td>
      <td className="text-right md:whitespace-nowrap">
        {outcome.atLeast && <AtLeast />}
        <b>{figure(outcome.horizon)}</b>
        {next && (
          <span className="text-soft block text-[12.5px] max-md:max-w-24">
            then {next.atLeast && 'at least '}
            {figure(next.total)} on {shortDay(next.date)}
          </span>
        )}
      </td>
    </>
  );
}

const AtLeast = () => <span className="text-[12.5px]">at least </span>;
