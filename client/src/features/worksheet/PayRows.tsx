import { usePendingChange } from '../../api/site/commands';
import type { Costing, Schemas } from '../../api/wire/client';
import { shortDay } from '../../format/dates';
import { dueNext, isZero, money, moreOrLess } from '../../format/money';
import { span, theseMonths, wayToPay } from '../../format/words';
import { cx } from '../../ui/cx';
import { Note } from '../../ui/said/Note';
import { useSite } from '../../api/site/site';
import { Choice, Figures, LedgerRow } from './LedgerTable';

/** The ways to pay, each with all its columns, so that choosing is reading. */
export function PayRows() {
  const { page, change } = useSite();
  const pending = usePendingChange(page.id);
  const { letter, waysToPay, costing } = page.worksheet;
  const isChosen = (way: Schemas['WayToPayWire']) =>
    pending?.kind === 'choose-billing'
      ? pending.everyMonths === way.everyMonths && pending.commitMonths === way.commitMonths
      : way.isChosen;

  const noteOf = (way: Schemas['WayToPayWire']) => (
    <WayNote
      key={`${way.everyMonths}-${way.commitMonths}`}
      way={way}
      costing={costing}
      horizon={page.settings.horizonMonths}
    />
  );

  return (
    <tbody>
      {waysToPay.map((way, index) => {
        const chosen = isChosen(way);
        return (
          <LedgerRow
            key={`${way.everyMonths}-${way.commitMonths}`}
            kind={index === 0 ? 'Paid' : undefined}
            look={chosen ? 'strong' : 'quiet'}
            notes={noteOf(way)}
            margin={index === 0 ? { notes: waysToPay.map(noteOf), rows: waysToPay.length } : null}
          >
            <Choice names={false}>
              <label className="flex items-center gap-2">
                <input
                  type="radio"
                  name="way-to-pay"
                  checked={chosen}
                  onChange={() =>
                    change({
                      kind: 'choose-billing',
                      letter,
                      everyMonths: way.everyMonths,
                      commitMonths: way.commitMonths,
                    })
                  }
                />
                <span>
                  {wayToPay(way.everyMonths, way.commitMonths)}
                  {way.freeMonths > 0 && `, ${way.freeMonths} more free`}
                  {way.setupFee && ', with a set-up fee'}
                  <span className="text-soft block text-[13px] font-normal">
                    <PriceAMonth way={way} />
                  </span>
                </span>
              </label>
            </Choice>
            <Figures of={way.cells && way.total ? { cells: way.cells, folded: way.folded, total: way.total } : null} />
          </LedgerRow>
        );
      })}
    </tbody>
  );
}

/** "£2.99 a month, then £8.99; £45.00 less than paying monthly, over 3 years". */
function PriceAMonth({ way }: { way: Schemas['WayToPayWire'] }) {
  const { page, books } = useSite();
  const { horizonMonths, currency } = page.settings;
  const book = books.find((known) => known.id === page.worksheet.candidate.hosting?.book);
  const { saving } = way;
  const later =
    way.later === null
      ? ', later not stated'
      : way.later === way.first
        ? ''
        : `, then ${money(way.later, way.currency)}`;
  const against = saving && moreOrLess(saving.change, currency);
  return (
    <>
      {money(way.first, way.currency)} a month{later}
      {book?.pricesIncludeTax === false && ', before tax'}
      {saving && against && (
        <span className={cx('block', against.word === 'less' && 'text-green')}>
          {isZero(saving.change)
            ? `the same as paying ${wayToPay(saving.againstEveryMonths, saving.againstCommitMonths)}`
            : `${against.sum} ${against.word} than paying ${wayToPay(saving.againstEveryMonths, saving.againstCommitMonths)}`}
          , over {span(horizonMonths)}
        </span>
      )}
    </>
  );
}

/** What people misread about a way to pay, as the server found it. */
function WayNote({
  way,
  costing,
  horizon,
}: {
  way: Schemas['WayToPayWire'];
  costing: Costing | null;
  horizon: number;
}) {
  const { note } = way;
  const next = dueNext(way.nextDue);
  if (!next || !note || !costing) {
    return null;
  }

  const sum = `${next.atLeast ? 'at least ' : ''}${money(next.total, costing.totals.currency)}`;
  return note.kind === 'falls-due-next' ? (
    <Note ink="red">
      The next bill {note.isDayAfter && `after ${theseMonths(horizon)} `}is <b>{sum}</b> on {shortDay(next.date)}.
    </Note>
  ) : (
    <Note ink="soft">
      Paying {wayToPay(way.everyMonths, way.everyMonths)} looks cheapest, but the next bill is <b>{sum}</b> on{' '}
      {shortDay(next.date)}.
    </Note>
  );
}
