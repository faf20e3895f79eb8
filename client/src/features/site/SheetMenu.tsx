import { Link, useLocation, useParams, useSearch } from '@tanstack/react-router';
import { InkPopover } from '../../ui/sheets/Popover';
import { choosing, useHaving } from './tabs';

/** The sheets where there is no room for their tabs: a menu, so that nothing is left by an arrow key. */
export function SheetMenu() {
  const { siteId } = useParams({ from: '/sites/$siteId' });
  const { view } = useSearch({ from: '/sites/$siteId' });
  const { pathname } = useLocation();
  const having = useHaving();
  const at = [...choosing, ...having].find(([to]) => pathname === to.replace('$siteId', siteId))?.[1] ?? 'This page';
  return (
    <div className="my-2 sm:hidden">
      <InkPopover words={`${at} ▾`} label={`${at}: go to another sheet`}>
        {(close) => (
          <nav aria-label="Sheets" className="grid grid-cols-2 gap-x-6">
            {[choosing, having].map((sheets) => (
              <ul key={sheets[0][0]}>
                {sheets.map(([to, label]) => (
                  <li key={to}>
                    <Link
                      to={to}
                      params={{ siteId }}
                      search={{ view }}
                      className="text-blue block py-1.5 font-semibold"
                      activeProps={{ className: 'text-ink!' }}
                      onClick={close}
                    >
                      {label}
                    </Link>
                  </li>
                ))}
              </ul>
            ))}
          </nav>
        )}
      </InkPopover>
    </div>
  );
}
