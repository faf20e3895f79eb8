import { Link, Outlet, useParams, useSearch } from '@tanstack/react-router';
import { ongoing } from './pages';

/** The pages of one hosting, with the way from each to the others. */
export function HostingLayout() {
  const { siteId, orderId } = useParams({ from: '/sites/$siteId/online/$orderId' });
  const { view } = useSearch({ from: '/sites/$siteId' });
  return (
    <div className="py-5">
      <nav aria-label="This hosting" className="mb-4 flex flex-wrap gap-x-5 gap-y-1">
        <Link
          to="/sites/$siteId/online"
          params={{ siteId }}
          search={{ view }}
          className="ink"
          activeOptions={{ exact: true }}
        >
          Online
        </Link>
        {ongoing.map(({ to, label }) => (
          <Link
            key={to}
            to={to}
            params={{ siteId, orderId }}
            search={{ view }}
            className="ink aria-[current=page]:text-ink aria-[current=page]:border-transparent"
          >
            {label}
          </Link>
        ))}
      </nav>
      <Outlet />
    </div>
  );
}
