import { usePendingChange } from '../../api/commands';
import type { Costing, Schemas } from '../../api/client';
import { shortDay } from '../../format/dates';
import { money, dueNext } from '../../format/money';
import { span, wayToPay } from '../../format/words';
import { Note } from '../../ui/Note';
import { useSite } from '../../api/site';
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
      The next bill {note.isDayAfter && `after these ${span(horizon)} `}is <b>{sum}</b> on {shortDay(next.date)}.
    </Note>
  ) : (
    <Note ink="red">
      Paying {wayToPay(way.everyMonths, way.everyMonths)} looks cheapest, but the next bill is <b>{sum}</b> on{' '}
      {shortDay(next.date)}.
    </Note>
  );
}
