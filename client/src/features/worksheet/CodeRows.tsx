import type { Schemas } from '../../api/wire/client';
import type { Command } from '../../api/site/commands';
import { shortDay } from '../../format/dates';
import { change as changeAmount, money } from '../../format/money';
import { wayToPay } from '../../format/words';
import { Button } from '../../ui/Button';
import { Note } from '../../ui/said/Note';
import { useSite } from '../../api/site/site';
import { figuresOf } from './columns';
import { CodeField } from '../../ui/fields/CodeField';
import { Choice, Figures, LedgerRow } from './LedgerTable';
import { TellCode } from './TellCode';
import { promotionWords, verdictWords } from '../../format/codes';

/** The codes entered, each with its verdict in words, and the place to enter one. */
export function CodeRows() {
  const { page, change } = useSite();
  const { candidate, costing, letter } = page.worksheet;
  const rows = costing?.ledger.rows ?? [];
  const entered = [...(candidate.hosting?.codes ?? []), ...candidate.domains.flatMap((domain) => domain.codes)];
  const automatic = rows.filter(
    (row) => row.kind === 'code' && !entered.some((code) => code.toUpperCase() === row.ref?.toUpperCase()),
  );
  return (
    <tbody>
      {automatic.map((row) => (
        <LedgerRow key={row.ref} kind="Discount">
          <Choice>
            <bdi>taken off by the seller: {row.ref}</bdi>
          </Choice>
          <Figures of={figuresOf(rows, (found) => found === row)} />
        </LedgerRow>
      ))}
      {entered.map((code, index) => {
        const verdict = costing?.codes.find((known) => known.code === code);
        return (
          <LedgerRow
            key={code}
            kind={index === 0 ? 'Code' : undefined}
            notes={verdict ? !verdict.saves && <Refusal verdict={verdict} /> : <WhereItCounts code={code} />}
          >
            <Choice>
              <span className="flex flex-wrap items-baseline gap-x-2">
                <bdi className="text-blue font-semibold">{code}</bdi>
                {verdict?.saves && costing && (
                  <span className="text-green">saves {money(verdict.saves, costing.totals.currency)} in total</span>
                )}
                {verdict && !verdict.saves && <span className="text-red">does not count</span>}
                {!verdict && <span className="text-soft">waits for a plan</span>}
                <Button
                  look="text"
                  className="no-print text-[13px] font-normal"
                  aria-label={`take off the code ${code}`}
                  onClick={() => change({ kind: 'drop-code', letter, code })}
                >
                  take off
                </Button>
              </span>
            </Choice>
            <Figures
              of={figuresOf(rows, (row) => row.kind === 'code' && row.ref?.toUpperCase() === code.toUpperCase())}
            />
          </LedgerRow>
        );
      })}
      <LedgerRow kind={entered.length === 0 ? 'Code' : undefined} notes={<BestCodes />}>
        <Choice names={false}>
          <CodeField id="code" />
        </Choice>
        <Figures />
      </LedgerRow>
    </tbody>
  );
}

/** Codes that would take more off than those entered: offered, never put in silently. */
function BestCodes() {
  const { page, change } = useSite();
  const { bestCodes, letter } = page.worksheet;
  const saved = bestCodes?.outcome.horizonChange;
  return bestCodes && saved ? (
    <Note ink="green">
      {bestCodes.codes.length === 1 ? 'The code ' : 'The codes '}
      <bdi>{bestCodes.codes.join(' and ')}</bdi> would save {money(saved.replace('-', ''), bestCodes.outcome.currency)}
      {page.worksheet.costing?.codes.some((code) => code.saves) && ' more'}.{' '}
      <Button
        look="text"
        className="text-[13px]"
        onClick={() => change({ kind: 'use-codes', letter, codes: bestCodes.codes })}
      >
        Use {bestCodes.codes.length === 1 ? 'it' : 'them'}
      </Button>
    </Note>
  ) : null;
}

/** A code before anything is chosen: who knows it, and when it counts there. */
function WhereItCounts({ code }: { code: string }) {
  const { page, books } = useSite();
  const known = page.worksheet.knownCodes.filter((place) => place.code === code);
  return known.length === 0 ? (
    <>
      <Note ink="red">No price list here has this code. Check the spelling.</Note>
      <TellCode code={code} />
    </>
  ) : (
    known.map((place) => (
      <Note key={place.book} ink="green">
        {promotionWords(
          place,
          books.find((book) => book.id === place.book)!,
        )}
      </Note>
    ))
  );
}

/** Why a code does not count, what would make it, and what it would save then. */
function Refusal({ verdict }: { verdict: Schemas['CodeWire'] }) {
  const { page, books } = useSite();
  const elsewhere =
    verdict.verdict === 'unknown'
      ? page.worksheet.knownCodes.filter((place) => place.code === verdict.code && place.book !== verdict.book)
      : [];
  return (
    <>
      <Note ink="red">
        {verdictWords(
          verdict,
          books.find((known) => known.id === verdict.book)!,
        )}
      </Note>
      {elsewhere.map((place) => (
        <Note key={place.book} ink="soft">
          {promotionWords(
            place,
            books.find((book) => book.id === place.book)!,
          )}
        </Note>
      ))}
      <Cure verdict={verdict} />
      {verdict.verdict === 'unknown' && <TellCode code={verdict.code} />}
    </>
  );
}

function Cure({ verdict }: { verdict: Schemas['CodeWire'] }) {
  const { page, books, change } = useSite();
  const { codeCures, letter, costing } = page.worksheet;
  const cure = codeCures.find((known) => known.code === verdict.code && known.book === verdict.book);
  if (!cure || !costing) {
    return null;
  }

  const { currency } = costing.totals;
  const plan = books.find((book) => book.id === cure.book)?.plans.find((known) => known.id === cure.plan);
  const [words, command]: [string, Command] = plan
    ? [`with ${plan.name}`, { kind: 'choose-plan', letter, book: cure.book, plan: plan.id }]
    : cure.without
      ? [`without ${cure.without}`, { kind: 'drop-code', letter, code: cure.without }]
      : cure.start
        ? [`from ${shortDay(cure.start)} on`, { kind: 'set-start', date: cure.start }]
        : [
            `paid ${wayToPay(cure.everyMonths ?? 1, cure.commitMonths ?? 1)}`,
            {
              kind: 'choose-billing',
              letter,
              everyMonths: cure.everyMonths ?? 1,
              commitMonths: cure.commitMonths ?? 1,
            },
          ];
  return (
    <Note ink="soft">
      It counts {words}: {changeAmount(cure.saves, currency)}.
      {cure.horizonChange && ` Altogether that ${changeAmount(cure.horizonChange, currency)}.`}{' '}
      <Button look="text" className="text-[13px]" onClick={() => change(command)}>
        Do that
      </Button>
    </Note>
  );
}
