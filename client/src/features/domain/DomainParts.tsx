import { Link } from '@tanstack/react-router';
import { useSite } from '../../api/site/site';

const parts = [
  ['/sites/$siteId/domain', 'One name'],
  ['/sites/$siteId/domain/many', 'Many names at once'],
  ['/sites/$siteId/domain/own', 'A domain I have'],
  ['/sites/$siteId/domain/wait', 'Borrowed, or later'],
] as const;

/** The ways to a domain, each a part of the sheet. */
export function DomainParts() {
  const { page } = useSite();
  return (
    <nav aria-label="Ways to a domain" className="mt-4 flex flex-wrap gap-x-5 gap-y-1">
      {parts.map(([to, label]) => (
        <Link
          key={to}
          to={to}
          params={{ siteId: page.id }}
          search={({ view }: { view?: string }) => ({ view })}
          className="text-blue border-b-2 border-transparent py-0.5 font-semibold"
          activeOptions={{ exact: true, includeSearch: false }}
          activeProps={{ className: 'border-ink! text-ink!' }}
        >
          {label}
        </Link>
      ))}
    </nav>
  );
}
