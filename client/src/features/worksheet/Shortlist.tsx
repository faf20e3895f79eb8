import { Link, useNavigate } from '@tanstack/react-router';
import type { Schemas } from '../../api/client';
import { money } from '../../format/money';
import { cycleWord, span } from '../../format/words';
import { Button } from '../../ui/Button';
import { cx } from '../../ui/cx';
import { useSite } from '../site/SiteContext';

/** The candidates as lettered slips across the top, and what can be done with the one in hand. */
export function Shortlist() {
  const { page, changes } = useSite();
  const navigate = useNavigate();
  const { letter, costing } = page.worksheet;

  const add = async (copyOf: string | null) => {
    const after = await changes.changeAsync({ kind: 'add-candidate', copyOf }).catch(() => null);
    const added = after?.shortlist.at(-1)?.letter;
    if (added) {
      await navigate({ to: '/sites/$siteId/worksheet', params: { siteId: page.id }, search: { view: added } });
    }
  };

  const remove = async () => {
    const at = page.shortlist.findIndex((slip) => slip.letter === letter);
    const neighbour = page.shortlist[at === 0 ? 1 : at - 1]?.letter;
    await changes.changeAsync({ kind: 'remove-candidate', letter }).catch(() => null);
    await navigate({ to: '/sites/$siteId/worksheet', params: { siteId: page.id }, search: { view: neighbour } });
  };

  return (
    <div className="border-rule flex flex-wrap items-center gap-x-6 gap-y-2 border-b py-3">
      <nav aria-label="Shortlist" className="flex grow flex-wrap gap-x-6 gap-y-2">
        {page.shortlist.map((slip) => (
          <Slip
            key={slip.letter}
            slip={slip}
            isShown={slip.letter === letter}
            siteId={page.id}
            horizon={page.settings.horizonMonths}
          />
        ))}
      </nav>
      <div className="flex flex-wrap items-center gap-x-4 gap-y-2">
        <Button look="text" disabled={!page.canUndo} onClick={() => changes.change({ kind: 'undo' })}>
          Undo
        </Button>
        <Button look="text" disabled={!page.canRedo} onClick={() => changes.change({ kind: 'redo' })}>
          Redo
        </Button>
        <Button look="text" onClick={() => void add(null)}>
          Add one
        </Button>
        <Button look="text" onClick={() => void add(letter)}>
          Copy {letter}
        </Button>
        {page.shortlist.length > 1 && (
          <Button look="text" onClick={() => void remove()}>
            Remove {letter}
          </Button>
        )}
        {costing && (
          <Link
            to="/sites/$siteId/order"
            params={{ siteId: page.id }}
            search={{ view: letter }}
            className="bg-blue text-on-blue rounded px-4 py-2 font-semibold hover:opacity-90"
          >
            Order {letter} for {costing.totals.atLeast.includes('dueToday') ? 'at least ' : ''}
            {money(costing.totals.dueToday, costing.totals.currency)}
          </Link>
        )}
      </div>
    </div>
  );
}

function Slip({
  slip,
  isShown,
  siteId,
  horizon,
}: {
  slip: Schemas['SlipWire'];
  isShown: boolean;
  siteId: string;
  horizon: number;
}) {
  const title = slip.plan ? (
    <>
      <bdi>
        {slip.provider?.split(' ')[0]} {slip.plan}
      </bdi>
      {slip.everyMonths ? `, ${cycleWord(slip.everyMonths)}` : ''}
    </>
  ) : slip.domain ? (
    <bdi>{slip.domain}</bdi>
  ) : (
    'Nothing chosen yet'
  );
  return (
    <Link
      to="/sites/$siteId/worksheet"
      params={{ siteId }}
      search={{ view: slip.letter }}
      className="flex items-center gap-2.5"
      aria-current={isShown ? 'true' : undefined}
    >
      <span
        className={cx(
          'grid size-8 shrink-0 place-items-center rounded-full border font-bold',
          isShown ? 'border-ink bg-ink text-sheet' : 'border-soft text-soft',
        )}
      >
        {slip.letter}
      </span>
      <span className="text-[13.5px] leading-snug">
        <span className={cx('block', isShown && 'font-semibold')}>{title}</span>
        <span className="text-soft block text-[13px]">
          {slip.horizon && slip.currency && slip.dueToday ? (
            <>
              {slip.atLeast && 'at least '}
              <span className={cx(slip.isLeast && 'text-green font-semibold')}>
                {money(slip.horizon, slip.currency)}
                {slip.isLeast && ` least over ${span(horizon)}`}
              </span>
              , {money(slip.dueToday, slip.currency)} today
              {slip.isLeast && slip.nextDue && (
                <span className="text-red">
                  , then {slip.nextDue.atLeast && 'at least '}
                  {money(slip.nextDue.total, slip.currency)}
                </span>
              )}
            </>
          ) : (
            'not complete'
          )}
        </span>
      </span>
    </Link>
  );
}
