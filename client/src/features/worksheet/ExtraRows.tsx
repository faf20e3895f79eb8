import { useState, type ReactNode } from 'react';
import type { Schemas } from '../../api/wire/client';
import { usePendingChange } from '../../api/site/commands';
import { recordField } from '../../format/answers';
import { change as changeWords, isZero, money } from '../../format/money';
import { perWord } from '../../format/words';
import { Button } from '../../ui/Button';
import { InkSelect } from '../../ui/fields/Field';
import { Note } from '../../ui/said/Note';
import { useSite } from '../../api/site/site';
import { figuresOf } from './columns';
import { Choice, Figures, LedgerRow } from './LedgerTable';
import { outcomeWords } from './outcome';

type Extra = Schemas['ExtraWire'];

/** More than these are folded: those taken, had, asked for or ticked by the seller stay. */
const mostShown = 6;

/** The extras that could be taken. Nothing is ticked for the owner. */
export function ExtraRows() {
  const { page } = useSite();
  const [open, setOpen] = useState(false);
  const { extras } = page.worksheet;
  const always = extras.filter((extra) => extra.quantity > 0 || extra.isHad || extra.isAsked || extra.preselected);
  const shown = open || extras.length <= mostShown ? extras : always;
  const rows = shown.length < extras.length ? shown.length + 1 : shown.length;
  return extras.length === 0 ? null : (
    <tbody>
      {shown.map((extra, index) => (
        <ExtraRow
          key={`${extra.id}-${extra.forDomain}`}
          extra={extra}
          kind={index === 0 ? 'Extras' : undefined}
          band={index % 2 === 1}
          margin={
            index === 0
              ? {
                  rows,
                  notes: shown.map((noted) => <ExtraNotes key={`${noted.id}-${noted.forDomain}`} extra={noted} />),
                }
              : null
          }
        />
      ))}
      {shown.length < extras.length && (
        <LedgerRow margin={null}>
          <Choice names={false}>
            <Button look="text" onClick={() => setOpen(true)}>
              Show {extras.length - shown.length} more extras
            </Button>
          </Choice>
          <Figures />
        </LedgerRow>
      )}
    </tbody>
  );
}

function ExtraRow({
  extra,
  kind,
  band,
  margin,
}: {
  extra: Extra;
  kind?: string;
  band: boolean;
  /** The notes of all extras, which share the margin beside the first. */
  margin: { notes: ReactNode; rows: number } | null;
}) {
  const { page, change } = useSite();
  const pending = usePendingChange(page.id);
  const { letter, candidate, costing } = page.worksheet;
  const isPending =
    pending?.kind === 'set-extra' && pending.extra === extra.id && pending.forDomain === extra.forDomain;
  const quantity = isPending ? pending.quantity : extra.quantity;
  const set = (wanted: number) =>
    change({ kind: 'set-extra', letter, extra: extra.id, forDomain: extra.forDomain, quantity: wanted });
  const book = extra.forDomain ? candidate.domains[0]?.book : candidate.hosting?.book;
  return (
    <LedgerRow
      kind={kind}
      band={band}
      look={extra.isHad ? 'included' : 'plain'}
      notes={<ExtraNotes extra={extra} />}
      margin={margin}
    >
      <Choice names={false}>
        <div>
          <span className="flex flex-wrap items-center gap-x-2">
            {extra.isHad && quantity <= 1 ? (
              <span>
                <span aria-hidden className="text-green mr-1.5 inline-block w-[13px] font-bold">
                  ✓
                </span>
                <bdi>{extra.name}</bdi>
              </span>
            ) : (
              <label className="flex items-center gap-2">
                <input type="checkbox" checked={quantity > 0} onChange={(event) => set(event.target.checked ? 1 : 0)} />
                <bdi>{extra.name}</bdi>
              </label>
            )}
            {extra.unit && (quantity > 0 || extra.isHad) && (
              <InkSelect
                label={`How many of ${extra.name}`}
                value={Math.max(1, quantity)}
                onChange={(event) => set(Number(event.target.value))}
              >
                {[...new Set([1, 2, 3, 4, 5, 6, 7, 8, 9, 10, quantity])].map((count) => (
                  <option key={count} value={count}>
                    {count} × {extra.unit}
                  </option>
                ))}
              </InkSelect>
            )}
            <span className="text-soft text-[13px]">
              <Price extra={extra} />
            </span>
            <About extra={extra} />
          </span>
        </div>
      </Choice>
      <Figures
        of={figuresOf(
          costing?.ledger.rows ?? [],
          (row) => row.kind === 'addOn' && row.ref === extra.id && row.book === book,
        )}
      />
    </LedgerRow>
  );
}

/** What is worth saying beside an extra: asked for and missing, ticked by the seller, or there twice. */
function ExtraNotes({ extra }: { extra: Extra }) {
  const change = extra.outcome?.horizonChange;
  if (extra.preselected && extra.quantity === 0 && !extra.isHad && extra.outcome && change && !isZero(change)) {
    return (
      <Note ink="soft">
        This seller pre-selects “{extra.name}”. Leaving it out saves {money(change, extra.outcome.currency)}.
      </Note>
    );
  }

  if (extra.quantity > 0 && !extra.isHad && extra.sameAs.length > 0) {
    return (
      <Note ink="soft">
        {extra.name} and {extra.sameAs.join(', ')} do the same: one of them is enough.
      </Note>
    );
  }

  return extra.isAsked && extra.quantity === 0 && !extra.isHad && extra.sameAs.length === 0 ? (
    <Note ink="soft">Your needs ask for {extra.name.toLowerCase()}, or something that does the same.</Note>
  ) : null;
}

/** Taking an extra and reading about it are two targets. */
function About({ extra }: { extra: Extra }) {
  const [open, setOpen] = useState(false);
  const seen = useSeenWithout(extra);
  return (
    <>
      <Button
        look="text"
        className="no-print text-[13px] font-normal"
        aria-expanded={open}
        onClick={() => setOpen(!open)}
      >
        {seen ? 'do I need it?' : 'about'}
        <span className="sr-only"> {extra.name}</span>
      </Button>
      {open && (
        <span className="text-soft w-full pl-6 text-[13px]">
          {seen && `Without it anybody can read your ${seen} in the public record of the domain. `}
          <Details extra={extra} />
        </span>
      )}
    </>
  );
}

/** For contact privacy: what everybody would read without it; null for other extras, and where it is not stated. */
function useSeenWithout(extra: Extra): string | null {
  const record = useSite().page.worksheet.publicRecord;
  return extra.provides === 'privacy' && record?.shownWithout && record.shownWithout.length > 0
    ? record.shownWithout.map((field) => recordField(field).toLowerCase()).join(', ')
    : null;
}

function Details({ extra }: { extra: Extra }) {
  const { page } = useSite();
  const { includedBy } = extra;
  return (
    <>
      {extra.about} Price: {listPrice(extra)}
      {extra.unit && `, for each ${extra.unit}`}
      {extra.ifBoughtLater && `; ${money(extra.ifBoughtLater, extra.currency)} if you take it later`}.
      {extra.isAsked && ' Your needs ask for it.'}
      {extra.sameAs.length > 0 && ` ${extra.sameAs.join(', ')} does the same.`}
      {includedBy && (
        <>
          {' '}
          The plan <bdi>{includedBy.name}</bdi> includes it
          {outcomeWords(includedBy.outcome, page.settings.horizonMonths)}.
        </>
      )}
    </>
  );
}

function Price({ extra }: { extra: Extra }) {
  if (extra.isHad) {
    return <span className="text-green">included</span>;
  }

  if (extra.quantity === 0 && extra.outcome?.horizonChange) {
    const { horizonChange, todayChange, currency } = extra.outcome;
    const today = todayChange && !isZero(todayChange) ? `; today ${changeWords(todayChange, currency)}` : '';
    return changeWords(horizonChange, currency) + today;
  }

  return listPrice(extra);
}

/** "£24.00 a year, later £59.00". */
function listPrice(extra: Extra): string {
  const later =
    extra.later === null
      ? ', later not stated'
      : extra.later === extra.first
        ? ''
        : `, later ${money(extra.later, extra.currency)}`;
  return `${money(extra.first, extra.currency)} ${perWord(extra.every)}${later}`;
}
