import { useQuery } from '@tanstack/react-query';
import { Link } from '@tanstack/react-router';
import { scanQuery } from '../../api/site/scan';
import { Rejected } from '../../ui/frame/Rejected';
import { useSite } from '../../api/site/site';
import { Announced } from '../../ui/said/Announced';

/** How many plans are left, and why the others are not: at once, while the questions are answered. */
export function Outcome() {
  const { page } = useSite();
  const scan = useQuery(scanQuery(page.id, page.revision, 'horizon', true));
  const left = scan.data?.scan.rows.length ?? 0;
  return (
    <section aria-label="What fits">
      {scan.data ? (
        <>
          <Announced onlyChanges className="font-display text-lg font-medium">
            {left === 0 ? 'No plan fits.' : `${left} ${left === 1 ? 'plan fits' : 'plans fit'}.`}
          </Announced>
          {left === 0 ? (
            <p>
              The scan page says which one need to drop for something to fit.{' '}
              <Link to="/sites/$siteId/scan" params={{ siteId: page.id }} search={{}} className="ink">
                What settles it
              </Link>
            </p>
          ) : (
            <Link
              to="/sites/$siteId/scan"
              params={{ siteId: page.id }}
              search={{ view: page.worksheet.letter }}
              className="bg-blue text-on-blue mt-2 inline-block rounded px-3.5 py-2 font-semibold"
            >
              See what fits for least
            </Link>
          )}
          <Rejected rejected={scan.data.scan.rejected} />
        </>
      ) : (
        <p className={scan.error ? 'text-red' : 'text-soft'}>{scan.error ? scan.error.message : 'Looking …'}</p>
      )}
    </section>
  );
}
