import { useState, type FormEvent } from 'react';
import type { Schemas } from '../../api/client';
import { longDay, shortDay } from '../../format/dates';
import { money } from '../../format/money';
import { Button } from '../../ui/Button';
import { Note } from '../../ui/Note';
import { useSite } from '../site/SiteContext';
import { figuresOf } from './Ledger';
import { LedgerRow } from './LedgerTable';

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
        <LedgerRow
          key={row.ref}
          kind="Discount"
          choice={<bdi>taken off by the seller: {row.ref}</bdi>}
          figures={figuresOf(rows, (found) => found === row)}
        />
      ))}
      {entered.map((code, index) => {
        const verdict = costing?.codes.find((known) => known.code === code);
        return (
          <LedgerRow
            key={code}
            kind={index === 0 ? 'Code' : undefined}
            choice={
              <span className="flex flex-wrap items-baseline gap-x-2">
                <bdi className="text-blue font-semibold">{code}</bdi>
                {verdict?.saves && costing && (
                  <span className="text-green">saves {money(verdict.saves, costing.totals.currency)} in all</span>
                )}
                {verdict && !verdict.saves && <span className="text-red">does not count</span>}
                {!verdict && <span className="text-soft">waits for a plan</span>}
                <Button
                  look="text"
                  className="text-[13px] font-normal"
                  aria-label={`take off the code ${code}`}
                  onClick={() => change({ kind: 'drop-code', letter, code })}
                >
                  take off
                </Button>
              </span>
            }
            figures={figuresOf(rows, (row) => row.kind === 'code' && row.ref?.toUpperCase() === code.toUpperCase())}
            notes={verdict && !verdict.saves && <Refusal verdict={verdict} />}
          />
        );
      })}
      <LedgerRow
        kind={entered.length === 0 ? 'Code' : undefined}
        header={false}
        choice={<EnterCode key={entered.length} />}
        figures={null}
      />
    </tbody>
  );
}

function EnterCode() {
  const { page, change } = useSite();
  const [code, setCode] = useState('');
  const submit = (event: FormEvent) => {
    event.preventDefault();
    if (code.trim()) {
      change({ kind: 'enter-code', letter: page.worksheet.letter, code });
    }
  };
  return (
    <form onSubmit={submit} className="flex items-baseline gap-2">
      <input
        id="code"
        aria-label="A code to try"
        placeholder="A code to try"
        maxLength={60}
        autoComplete="off"
        value={code}
        onChange={(event) => setCode(event.target.value)}
        className="border-blue text-blue placeholder:text-soft w-40 border-b border-dotted bg-transparent font-semibold placeholder:font-normal"
      />
      <Button type="submit" look="text">
        Try it
      </Button>
    </form>
  );
}

/** Why a code does not count, and what would make it. */
function Refusal({ verdict }: { verdict: Schemas['CodeWire'] }) {
  const { books } = useSite();
  const book = books.find((known) => known.id === verdict.book);
  const wants = verdict.makesItCount;
  const plans = wants?.plans?.map((id) => book?.plans.find((plan) => plan.id === id)?.name ?? id).join(' or ');
  const words: Record<string, string> = {
    unknown: `${book?.provider ?? 'The seller'} does not know this code. Check how it is spelt.`,
    'not-yet': wants?.onOrAfter ? `It counts from ${longDay(wants.onOrAfter)} on.` : 'It does not count yet.',
    expired: wants?.onOrBefore ? `It ran out on ${shortDay(wants.onOrBefore)}.` : 'It has run out.',
    'new-customers-only': 'It is for new customers only.',
    'other-plans-only': plans ? `It counts with ${plans} only.` : 'It counts with other plans only.',
    'cycle-too-short': `It counts when you pay for ${wants?.everyMonths ?? 'more'} months or more at a time.`,
    'cannot-combine': `It cannot stand beside ${wants?.without ?? 'another code'}: keep one of them.`,
    'nothing-to-discount': 'There is nothing here that it takes anything off.',
  };
  return <Note ink="red">{words[verdict.verdict] ?? 'It does not count.'}</Note>;
}
