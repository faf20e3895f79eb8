import { Link, useNavigate, useSearch } from '@tanstack/react-router';
import type { ReactNode } from 'react';
import { useScan, type SiteScan } from '../../api/site/scan';
import { useSite } from '../../api/site/site';
import { longDay } from '../../format/dates';
import { dueNext, isZero, money, moreOrLess } from '../../format/money';
import { count, span } from '../../format/words';
import { Button } from '../../ui/Button';
import { cx } from '../../ui/cx';
import { InkSelect } from '../../ui/fields/Field';
import { MadeUpSellers } from '../../ui/said/MadeUpSellers';
import { Rejected } from '../../ui/frame/Rejected';
import { Failed, Waiting } from '../../ui/said/Waiting';
import { FrontPicture } from './FrontPicture';
import { ScanRows } from './ScanRows';
import { WhatSettlesIt } from './WhatSettlesIt';
import { Announced } from '../../ui/said/Announced';

/** Every way to buy that meets the needs, the least first; what would make another the least; what is out, and why. */
export function ScanPage() {
  const { page } = useSite();
  const { by = 'horizon', all = false, one = false } = useSearch({ from: '/sites/$siteId/scan' });
  const scan = useScan(page.id, page.revision, by, !all, one);
  return (
    <div className="py-4">
      <title>{`Scan · ${page.name} · Home Start`}</title>
      <h1 className="text-2xl">What fits for least</h1>
      {scan.data && !scan.error ? (
        <>
          <p className="text-soft">
            <Counted scan={scan.data} /> <Choices by={by} all={all} one={one} />
          </p>
          <MadeUpSellers />
          {scan.isPlaceholderData && (
            <Again stopped={scan.stopped} progress={scan.progress} stop={scan.stop} again={() => void scan.refetch()} />
          )}
          <div className={cx(scan.isPlaceholderData && 'opacity-50')} aria-busy={scan.isPlaceholderData}>
            <Found scan={scan.data} by={by} one={one} isOld={scan.isPlaceholderData} />
          </div>
        </>
      ) : scan.error ? (
        <Failed error={scan.error} retry={() => void scan.refetch()} />
      ) : scan.stopped ? (
        <Stopped again={() => void scan.refetch()} />
      ) : (
        <div className="mt-4 flex items-center gap-4">
          <Waiting for="Costing every way to buy" share={scan.progress} />
          <Button onClick={scan.stop}>Stop</Button>
        </div>
      )}
    </div>
  );
}

function Counted({ scan: { scan } }: { scan: SiteScan }) {
  const { page } = useSite();
  return (
    <>
      We priced {count(scan.considered)} combinations. {count(scan.feasible)} do{' '}
      <Link
        to="/sites/$siteId/needs"
        params={{ siteId: page.id }}
        search={{ view: page.worksheet.letter }}
        className="ink"
      >
        what you need
      </Link>
      .
    </>
  );
}

/** While what was asked for last is worked out, the rows below are of the scan before. */
function Again({
  stopped,
  progress,
  stop,
  again,
}: {
  stopped: boolean;
  progress: number;
  stop: () => void;
  again: () => void;
}) {
  return stopped ? (
    <Stopped again={again} words="These are the results from before: the new scan was stopped." />
  ) : (
    <Announced as="div" className="mt-2 flex flex-wrap items-center gap-4">
      <span>The results below are from before. Ranking again …</span>
      <progress className="accent-blue w-40" value={progress} max={1} aria-label="Ranking again" />
      <Button onClick={stop}>Stop</Button>
    </Announced>
  );
}

function Stopped({ again, words = 'The scan was stopped.' }: { again: () => void; words?: ReactNode }) {
  return (
    <p className="mt-4">
      {words}{' '}
      <Button look="text" onClick={again}>
        Scan again
      </Button>
    </p>
  );
}

function Found({ scan: found, by, one, isOld }: { scan: SiteScan; by: string; one: boolean; isOld: boolean }) {
  const { page } = useSite();
  const { horizonMonths, currency, countTax } = page.settings;
  const { rows, front, rejected } = found.scan;
  return (
    <>
      {rows.length === 0 ? (
        <p className="mt-4">
          No plan does everything you need{one && ' from one seller'}. Below is what each one lacks: drop a need on the
          needs page{one && ', or let the name come from another seller'}.
        </p>
      ) : (
        <>
          <WhyFirst scan={found} by={by} />
          <ScanRows rows={rows} by={by} />
          <p className="text-soft mt-1 text-[13px]">
            All sums {countTax ? 'with tax' : 'without tax'}, in {currency}, over {span(horizonMonths)}. Sellers that
            don’t publish a price come last.
          </p>
        </>
      )}
      {!isOld && <WhatSettlesIt by={by} one={one} />}
      {rows.length > 0 && (
        <FrontPicture points={found.points} front={front} currency={currency} horizonMonths={horizonMonths} />
      )}
      <Rejected rejected={rejected} />
    </>
  );
}

/** One sentence on why the first row stands first. */
function WhyFirst({ scan: { lead, scan }, by }: { scan: SiteScan; by: string }) {
  const { page, books } = useSite();
  const { currency, horizonMonths } = page.settings;
  if (!lead) {
    return null;
  }

  const titleOf = ({ book, plan }: { book?: string | null; plan?: string | null }) => {
    const found = books.find((known) => known.id === book);
    return `${found?.provider ?? ''} ${found?.plans.find((known) => known.id === plan)?.name ?? ''}`;
  };
  const next = titleOf(lead);
  const first = scan.rows[0]?.candidate.hosting ?? {};
  const after = by === 'dueToday' ? null : dueNext(scan.rows[0]?.totals.next);
  const over = by === 'dueToday' ? 'today' : by === 'expected' ? 'as expected' : `over ${span(horizonMonths)}`;
  const today =
    by !== 'dueToday' && lead.moreToday && !isZero(lead.moreToday) ? moreOrLess(lead.moreToday, currency) : null;
  return (
    <p className="font-display mt-3 max-w-[1080px] text-[17px] leading-snug font-medium">
      {isZero(lead.saves) ? (
        <>
          <bdi>{titleOf(first)}</bdi> costs the same {over} as the next plan, <bdi>{next}</bdi>.
        </>
      ) : (
        <>
          <bdi>{titleOf(first)}</bdi> comes first: it costs {money(lead.saves, currency)} less {over} than the next
          plan, <bdi>{next}</bdi>.
        </>
      )}
      {today && ` Today it takes ${today.sum} ${today.word}.`}
      {after &&
        ` Its next bill after that is ${after.atLeast ? 'at least ' : ''}${money(after.total, currency)} on ${longDay(after.date)}.`}
    </p>
  );
}

/** What ranks, how the rows are grouped, and whether one seller is to have both: all stay in the address. */
function Choices({ by, all, one }: { by: string; all: boolean; one: boolean }) {
  const { page } = useSite();
  const navigate = useNavigate({ from: '/sites/$siteId/scan' });
  return (
    <>
      Ranked by{' '}
      <InkSelect
        label="Ranked by"
        value={by}
        onChange={(event) => void navigate({ search: (search) => ({ ...search, by: event.target.value }) })}
      >
        <option value="horizon">the whole of {span(page.settings.horizonMonths)}</option>
        <option value="dueToday">what is due today</option>
        {page.settings.keepChancePercent && <option value="expected">what is expected, if you may stop</option>}
      </InkSelect>
      , showing{' '}
      <InkSelect
        label="Rows shown"
        value={all ? 'all' : 'plans'}
        onChange={(event) =>
          void navigate({ search: (search) => ({ ...search, all: event.target.value === 'all' || undefined }) })
        }
      >
        <option value="plans">the best of each plan</option>
        <option value="all">every way</option>
      </InkSelect>
      .{' '}
      <label className="text-ink ml-2 inline-flex items-baseline gap-2">
        <input
          type="checkbox"
          className="self-center"
          checked={one}
          onChange={(event) =>
            void navigate({ search: (search) => ({ ...search, one: event.target.checked || undefined }) })
          }
        />
        one seller for both the plan and the name
      </label>
    </>
  );
}
