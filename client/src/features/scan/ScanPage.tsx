import { Link, useNavigate, useSearch } from '@tanstack/react-router';
import { useScan } from '../../api/scan';
import { count, span } from '../../format/words';
import { Button } from '../../ui/Button';
import { InkSelect } from '../../ui/Field';
import { Failed, Waiting } from '../../ui/Waiting';
import { useSite } from '../../api/site';
import { FrontPicture } from './FrontPicture';
import { Rejected } from '../../ui/Rejected';
import { ScanRows } from './ScanRows';
import { WhatSettlesIt } from './WhatSettlesIt';

/** Every way to buy that meets the needs, the least first; what would make another the least; what is out, and why. */
export function ScanPage() {
  const { page } = useSite();
  const { by = 'horizon', all = false } = useSearch({ from: '/sites/$siteId/scan' });
  const scan = useScan(page.id, page.revision, by, !all);
  const { horizonMonths, currency } = page.settings;
  return (
    <div className="py-4">
      <title>{`Scan · ${page.name} · Home Start`}</title>
      <h1 className="text-2xl">What fits for least</h1>
      {scan.data ? (
        <>
          <p className="text-soft">
            We priced {count(scan.data.scan.considered)} combinations. {count(scan.data.scan.feasible)} do{' '}
            <Link
              to="/sites/$siteId/needs"
              params={{ siteId: page.id }}
              search={{ view: page.worksheet.letter }}
              className="ink"
            >
              what you need
            </Link>
            . <Choices by={by} all={all} />
          </p>
          {scan.data.scan.rows.length === 0 ? (
            <p className="mt-4">
              No plan does everything you need. Below is what each one lacks: drop a need on the needs page.
            </p>
          ) : (
            <>
              <ScanRows rows={scan.data.scan.rows} by={by} />
              <p className="text-soft mt-1 text-[13px]">
                All sums {page.settings.countTax ? 'with tax' : 'without tax'}, in {currency}, over{' '}
                {span(horizonMonths)}. Sellers that don’t publish a price come last.
              </p>
            </>
          )}
          <WhatSettlesIt by={by} />
          {scan.data.scan.rows.length > 0 && (
            <FrontPicture
              points={scan.data.points}
              front={scan.data.scan.front}
              currency={currency}
              horizonMonths={horizonMonths}
            />
          )}
          <Rejected rejected={scan.data.scan.rejected} />
        </>
      ) : scan.error ? (
        <Failed error={scan.error} retry={() => void scan.refetch()} />
      ) : scan.stopped ? (
        <p className="mt-4">
          The scan was stopped.{' '}
          <Button look="text" onClick={() => void scan.refetch()}>
            Scan again
          </Button>
        </p>
      ) : (
        <div className="mt-4 flex items-center gap-4">
          <Waiting for="Costing every way to buy" share={scan.progress} />
          <Button onClick={scan.stop}>Stop</Button>
        </div>
      )}
    </div>
  );
}

/** What ranks and how the rows are grouped: both stay in the address. */
function Choices({ by, all }: { by: string; all: boolean }) {
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
      .
    </>
  );
}
