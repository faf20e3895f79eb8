import type { Costing, Schemas } from '../../api/wire/client';
import { longDay, monthOf } from '../../format/dates';
import { isZero, money, sumMoney, type Sum, dueNext } from '../../format/money';
import { span } from '../../format/words';
import { useSite } from '../../api/site/site';
import { Announced } from '../../ui/said/Announced';

/** The whole candidate in one sentence; a price step follows in red. Announced politely when it changes. */
export function Sentence() {
  const { page } = useSite();
  const { costing, summary } = page.worksheet;
  if (!costing || !summary) {
    return null;
  }

  return (
    <Announced onlyChanges className="font-display my-3 max-w-[1080px] text-[19px] leading-snug font-medium">
      <Paid summary={summary} horizon={page.settings.horizonMonths} /> <Step costing={costing} summary={summary} />
    </Announced>
  );
}

const isNothing = (sum: Sum) => isZero(sum.amount) && !sum.atLeast;

function Paid({ summary, horizon }: { summary: Schemas['SummaryWire']; horizon: number }) {
  const { currency, today, restOfFirstYear, eachLaterYear } = summary;
  const rest = isNothing(restOfFirstYear)
    ? ''
    : `, ${sumMoney(restOfFirstYear, currency)} in the rest of the first year`;
  const later =
    eachLaterYear === null
      ? ''
      : isNothing(eachLaterYear)
        ? ', then nothing'
        : `, ${sumMoney(eachLaterYear, currency)} a year ${rest ? 'after that' : 'from then on'}`;
  return (
    <>
      You pay <b className="font-bold">{sumMoney(today, currency)} today</b>
      {rest}
      {later}:{' '}
      <b className="font-bold">
        {sumMoney(summary.horizon, currency)} over {span(horizon)}
      </b>
      .
    </>
  );
}

function Step({ costing, summary }: { costing: Costing; summary: Schemas['SummaryWire'] }) {
  const { priceStep, totals, dates } = costing;
  if (priceStep) {
    return (
      <span className="text-red">
        {priceStep.to === null
          ? `What the plan costs from ${monthOf(priceStep.date)} on is not stated.`
          : `From ${monthOf(priceStep.date)} the plan costs ${summary.stepTimes} times its first price.`}
      </span>
    );
  }

  // Nothing changes while it is counted: then the day after is what people misread.
  const next = dueNext(totals.next);
  return next?.date === dates.end ? (
    <span className="text-red">
      The next bill is {next.atLeast && 'at least '}
      {money(next.total, totals.currency)} on {longDay(next.date)}, the day after.
    </span>
  ) : null;
}
