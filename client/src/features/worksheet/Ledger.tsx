import { useState } from 'react';
import { isZero, money } from '../../format/money';
import { shortDay } from '../../format/dates';
import { span, theseMonths } from '../../format/words';
import { Button } from '../../ui/Button';
import { Note } from '../../ui/said/Note';
import { useSite } from '../../api/site/site';
import { CodeRows } from './CodeRows';
import { columnsOf, figuresOf, sumsOf } from './columns';
import { DomainRows } from './DomainRows';
import { ExtraRows } from './ExtraRows';
import { Choice, Figures, LedgerRow, LedgerTable } from './LedgerTable';
import { PayRows } from './PayRows';
import { PlanRows } from './PlanRows';

/** Each choice is a row, its costs stand in columns, and the columns add up to the double-ruled total. */
export function Ledger() {
  const { page } = useSite();
  const [open, setOpen] = useState(false);
  const { costing } = page.worksheet;
  const horizon = page.settings.horizonMonths;
  const canFold = Boolean(costing?.ledger.folded);
  const currency = costing?.totals.currency ?? 'GBP';
  const columns = columnsOf(costing?.ledger ?? null, horizon, currency, canFold && !open);
  return (
    <LedgerTable
      columns={columns}
      caption={`What candidate ${page.worksheet.letter} costs, choice by choice, over ${span(horizon)}, in ${currency}`}
      unfold={
        canFold && (
          <p className="hidden text-right md:block xl:pr-[286px]">
            <Button look="text" onClick={() => setOpen(!open)}>
              {open ? 'Fold the later years' : 'Show each year'}
            </Button>
          </p>
        )
      }
    >
      <PlanRows />
      <PayRows />
      <DomainRows />
      <ExtraRows />
      <CodeRows />
      <Tax />
      <Total />
    </LedgerTable>
  );
}

function Tax() {
  const { page } = useSite();
  const { costing } = page.worksheet;
  const figures = costing && figuresOf(costing.ledger.rows, (row) => row.kind === 'tax');
  return figures ? (
    <tbody>
      <LedgerRow kind="Tax">
        <Choice>{`${page.settings.taxPercent}% on each bill before tax`}</Choice>
        <Figures of={figures} />
      </LedgerRow>
    </tbody>
  ) : null;
}

function Total() {
  const { page, books } = useSite();
  const { costing } = page.worksheet;
  if (!costing) {
    return null;
  }

  const { totals, ledger, refund } = costing;
  const host = books.find((book) => book.id === page.worksheet.candidate.hosting?.book);
  const taxWords = host?.pricesIncludeTax ? 'with tax' : 'before tax';
  return (
    <tbody>
      <LedgerRow
        look="total"
        notes={
          <>
            {!isZero(totals.refundable) && refund.lastDay ? (
              <Note ink="green">
                Leave by {shortDay(refund.lastDay)} and {money(totals.refundable, totals.currency)} comes back.
              </Note>
            ) : refund.reason === 'commit-too-short' ? (
              <Note ink="soft">
                Nothing comes back if you leave early: that starts from a commitment of {refund.minCommitMonths} months.
              </Note>
            ) : refund.reason === 'not-offered' ? (
              <Note ink="soft">The host states no refund for leaving early.</Note>
            ) : null}
            {!isZero(totals.owedAfterHorizon) && (
              <Note ink="red">
                You would still owe {money(totals.owedAfterHorizon, totals.currency)} of the first term after{' '}
                {theseMonths(page.settings.horizonMonths)}.
              </Note>
            )}
            {!isZero(totals.unusedAtEnd) && (
              <Note ink="soft">
                {money(totals.unusedAtEnd, totals.currency)} of this is paid for days after{' '}
                {shortDay(costing.dates.end)}.
              </Note>
            )}
          </>
        }
      >
        <Choice>
          <>
            {totals.atLeast.includes('horizon') && 'at least '}
            {money(totals.perMonth, totals.currency)} a month {page.settings.countTax ? 'with tax and' : 'with'} all of
            this
            {totals.advertised && (
              <span className="text-soft block text-[13px] font-normal">
                advertised: {money(totals.advertised.perMonth, totals.advertised.currency)} a month for the plan alone,{' '}
                {taxWords}
              </span>
            )}
          </>
        </Choice>
        <Figures
          of={{
            cells: sumsOf(ledger.totals, ledger.atLeast),
            folded: ledger.folded,
            total: { amount: totals.horizon, atLeast: totals.atLeast.includes('horizon') },
          }}
        />
      </LedgerRow>
    </tbody>
  );
}
