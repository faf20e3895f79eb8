import { SellerNotes } from '../../ui/said/SellerNotes';
import { Link, useNavigate } from '@tanstack/react-router';
import type { Schemas } from '../../api/wire/client';
import { money, dueNext } from '../../format/money';
import { slipTitle } from '../../format/titles';
import { span } from '../../format/words';
import { cx } from '../../ui/cx';
import { InkSelect } from '../../ui/fields/Field';
import { Letter } from '../../ui/Letter';
import { useSite } from '../../api/site/site';
import { ShortlistMenu } from './ShortlistMenu';

type SlipData = Schemas['SlipWire'];

/**
 * The candidates as lettered slips across the top; a switcher where there is no room. What can be done with the one in
 * hand stands at the right.
 */
export function Shortlist() {
  const { page } = useSite();
  const { letter, costing } = page.worksheet;
  const cannotOrder = page.shortlist.find((slip) => slip.letter === letter)?.cannotOrder;
  return (
    <div className="border-rule flex flex-wrap items-start gap-x-4 gap-y-2 border-b py-2.5">
      <nav aria-label="Shortlist" className="hidden grow flex-wrap items-start gap-x-4 gap-y-2 md:flex">
        {page.shortlist.map((slip) => (
          <Slip key={slip.letter} slip={slip} isShown={slip.letter === letter} />
        ))}
      </nav>
      <Switcher />
      <ShortlistMenu />
      {costing && cannotOrder ? (
        <p className="text-red max-w-60 text-[13px]">{cannotOrder}</p>
      ) : (
        costing && (
          <Link
            to="/sites/$siteId/order"
            params={{ siteId: page.id }}
            search={{ view: letter }}
            className="bg-blue text-on-blue no-print rounded px-3.5 py-2 font-semibold hover:opacity-90"
          >
            Order {letter} for {costing.totals.atLeast.includes('dueToday') ? 'at least ' : ''}
            {money(costing.totals.dueToday, costing.totals.currency)}
          </Link>
        )
      )}
    </div>
  );
}

function Slip({ slip, isShown }: { slip: SlipData; isShown: boolean }) {
  const { page } = useSite();
  return (
    <Link
      to="/sites/$siteId/worksheet"
      params={{ siteId: page.id }}
      search={{ view: slip.letter }}
      className="flex items-start gap-2"
      aria-current={isShown ? 'true' : undefined}
    >
      <Letter letter={slip.letter} filled={isShown} />
      <span className="text-[13.5px] leading-[17px]">
        <span className={cx('block', isShown && 'font-semibold')}>
          <bdi>{slipTitle(slip)}</bdi>
        </span>
        <Sums slip={slip} />
        <SellerNotes of={slip.books} />
      </span>
    </Link>
  );
}

/** Least is a dangerous word: what falls due right after stands under it. */
function Sums({ slip }: { slip: SlipData }) {
  const { page } = useSite();
  if (!slip.horizon || !slip.dueToday || !slip.currency) {
    return <span className="text-soft block text-[13px]">not complete</span>;
  }

  return (
    <>
      <span className="text-soft block text-[13px]">
        {slip.atLeast && 'at least '}
        <span className={cx(slip.isLeast && 'text-green font-semibold')}>
          {money(slip.horizon, slip.currency)}
          {slip.isLeast && ' least'}
        </span>
        , {money(slip.dueToday, slip.currency)} today
      </span>
      {slip.isLeast && slip.nextDue && dueNext(slip.nextDue) && (
        <span className="text-red block text-[13px]">
          after {span(page.settings.horizonMonths)} {slip.nextDue.atLeast && 'at least '}
          {money(slip.nextDue.total, slip.currency)}
        </span>
      )}
      {slip.cannotOrder && <span className="text-red block text-[13px]">cannot be ordered</span>}
    </>
  );
}

function Switcher() {
  const { page } = useSite();
  const navigate = useNavigate();
  return (
    <InkSelect
      label="Candidate"
      className="w-full md:hidden"
      value={page.worksheet.letter}
      onChange={(event) =>
        void navigate({
          to: '/sites/$siteId/worksheet',
          params: { siteId: page.id },
          search: { view: event.target.value },
        })
      }
    >
      {page.shortlist.map((slip) => (
        <option key={slip.letter} value={slip.letter}>
          {slip.letter}: {slipTitle(slip)}
          {slip.horizon &&
            slip.currency &&
            `, ${slip.atLeast ? 'at least ' : ''}${money(slip.horizon, slip.currency)}${slip.isLeast ? ' least' : ''}`}
        </option>
      ))}
    </InkSelect>
  );
}
