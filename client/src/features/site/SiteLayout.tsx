import { useQuery } from '@tanstack/react-query';
import { Link, Outlet, useParams, useSearch } from '@tanstack/react-router';
import { useEffect } from 'react';
import { useIsSaving, useSiteChanges } from '../../api/site/commands';
import { booksQuery, siteQuery } from '../../api/wire/queries';
import { lastSite } from '../../api/site/sites';
import { longDay } from '../../format/dates';
import { span } from '../../format/words';
import { cx } from '../../ui/cx';
import { Header } from '../../ui/frame/Header';
import { Failed, Waiting } from '../../ui/said/Waiting';
import { CountSettings } from './CountSettings';
import { ExampleMark } from './ExampleMark';
import { LostWork } from '../../ui/frame/LostWork';
import { SavedState } from './SavedState';
import { SiteContext } from '../../api/site/site';
import { SheetMenu } from './SheetMenu';
import { SiteHelp } from './SiteHelp';
import { SiteMenu } from './SiteMenu';
import { choosing, useHaving } from './tabs';

/** The desk a site lies on: its name, how it is counted, and the index tabs of its sheets. */
export function SiteLayout() {
  const { siteId } = useParams({ from: '/sites/$siteId' });
  const { view } = useSearch({ from: '/sites/$siteId' });
  const site = useQuery(siteQuery(siteId, view));
  const books = useQuery(booksQuery);
  const changes = useSiteChanges(siteId, view);
  const saving = useIsSaving(siteId);
  const having = useHaving();
  const failed = site.error ?? books.error;
  const isThere = site.data !== undefined;
  useEffect(() => {
    if (isThere) {
      lastSite.keep(siteId);
    }
  }, [isThere, siteId]);

  if (failed && !site.data) {
    return <Failed error={failed} retry={() => void Promise.all([site.refetch(), books.refetch()])} />;
  }

  if (!site.data || !books.data) {
    return <Waiting for="Opening your site" />;
  }

  return (
    <SiteContext value={{ page: site.data, books: books.data, changes, change: changes.change }}>
      <a href="#sheet" className="bg-sheet text-blue sr-only z-50 p-2 focus:not-sr-only focus:absolute">
        Go to the sheet
      </a>
      <Header
        help={<SiteHelp />}
        below={
          <>
            <SheetMenu />
            <nav aria-label="Sheets of this site" className="mt-2 hidden flex-wrap gap-1.5 sm:flex">
              {[...choosing, ...having].map(([to, label]) => (
                <Link
                  key={to}
                  to={to}
                  params={{ siteId }}
                  search={{ view }}
                  className={cx(
                    'border-rule bg-band text-soft -mb-px rounded-t-md border px-4 py-1.5',
                    label === 'Orders' && 'ml-6',
                  )}
                  activeProps={{ className: 'bg-sheet! text-ink! border-b-sheet! font-semibold' }}
                >
                  {label}
                </Link>
              ))}
            </nav>
          </>
        }
      >
        <SiteMenu />
        <div className="grow" />
        <CountSettings />
      </Header>
      <p className="hidden px-6 print:block">
        <b>{site.data.name}</b>, counted over {span(site.data.settings.horizonMonths)} from{' '}
        {longDay(site.data.settings.startDate)}, in {site.data.settings.currency},{' '}
        {site.data.settings.countTax
          ? `with ${site.data.settings.taxPercent}% tax`
          : 'without the tax, which you reclaim'}
      </p>
      <main id="sheet" tabIndex={-1} className="bg-sheet border-rule grow border-t outline-none">
        <div className="mx-auto max-w-[1440px] px-4 pb-10 sm:px-6">
          <ExampleMark />
          <LostWork />
          <SavedState changes={changes} saving={saving} />
          <Outlet />
        </div>
      </main>
    </SiteContext>
  );
}
