import { useQuery } from '@tanstack/react-query';
import type { Schemas } from '../../api/wire/client';
import { changingQuery } from '../../api/wire/queries';
import { useSite } from '../../api/site/site';
import { shortDay } from '../../format/dates';
import { isZero, money, moreOrLess, sumMoney } from '../../format/money';
import { span, wayToPay } from '../../format/words';
import { Cell, Head, Heads, Row, Table } from '../../ui/Table';
import { Awaited } from '../../ui/said/Waiting';

type Changing = Schemas['ChangingLaterWire'];

/** When one can change, what is paid then, what it costs over all, and what is lost. */
export default function Changed() {
  const { page } = useSite();
  const changing = useQuery(changingQuery(page.id, page.revision, page.worksheet.letter));
  return changing.data ? <Answer changing={changing.data} /> : <Awaited query={changing} for="Working it out" />;
}

function Answer({ changing }: { changing: Changing }) {
  const { page } = useSite();
  const to = wayToPay(changing.toEveryMonths, changing.toCommitMonths);
  const over = span(page.settings.horizonMonths);
  return (
    <div className="mt-2 max-w-3xl">
      <p>
        Yes, on any day: you tell {changing.provider} to change to paying {to}. The best day is the day of a bill, so
        that nothing you paid for is cut short.
      </p>
      {changing.changes.length > 0 && (
        <Table className="mt-2" caption={`Changing to paying ${to}, by when`}>
          <Heads>
            <Head>You change after</Head>
            <Head figures>You pay that day</Head>
            <Head figures>Over {over}, against starting so today</Head>
          </Heads>
          <tbody>
            {changing.changes.map((change) => (
              <Row
                key={change.on}
                label={
                  <>
                    {span(change.months)} <span className="text-soft">({shortDay(change.on)})</span>
                  </>
                }
              >
                <Cell figures>{sumMoney(change.dueThen, changing.currency)}</Cell>
                <Cell figures>{moreWords(change.more, changing.currency)}</Cell>
              </Row>
            ))}
          </tbody>
        </Table>
      )}
      <Lost changing={changing} to={to} />
      {changing.changes.some((change) => change.isAssumed) && (
        <p className="text-soft text-[13.5px]">
          {changing.provider} doesn’t say what a change does. This assumes that nothing is given back and that the later
          price counts at once. Ask before you rely on it.
        </p>
      )}
    </div>
  );
}

function moreWords(more: string | null, currency: string): string {
  if (more === null) {
    return 'not known: a price is not stated';
  }

  const { sum, word } = moreOrLess(more, currency);
  return isZero(more) ? 'the same' : `${sum} ${word}`;
}

function Lost({ changing, to }: { changing: Changing; to: string }) {
  const { firstPerMonth, laterPerMonth, domainYear, codes, losesRefund, bookCurrency } = changing;
  const lost = [
    firstPerMonth &&
      `The first price of ${money(firstPerMonth, bookCurrency)} a month: it is for new orders only. After a change you pay ${laterPerMonth ? `${money(laterPerMonth, bookCurrency)} a month` : 'a price that is not stated'}.`,
    domainYear && `The plan’s free domain-year, worth ${money(domainYear, bookCurrency)}.`,
    codes.length > 0 &&
      `What ${codes.join(' and ')} takes off: ${codes.length === 1 ? 'it does' : 'they do'} not count for the shorter way.`,
    losesRefund && 'The days in which you can ask for your money back.',
  ].filter(Boolean);
  return lost.length === 0 ? (
    <p className="mt-2">Nothing else is lost by starting with the shorter way.</p>
  ) : (
    <>
      <p className="mt-2">What you lose against paying {to} from the start:</p>
      <ul className="list-disc pl-5">
        {lost.map((words) => (
          <li key={String(words)}>{words}</li>
        ))}
      </ul>
    </>
  );
}
