import { QueryClient, QueryClientProvider, type QueryKey } from '@tanstack/react-query';
import type { ReactNode } from 'react';
import { vi } from 'vitest';
import { SiteContext, type SiteInHand } from './site';

/** For tests: a part of a page inside a site, with as much of the site and of answers as the part looks at. */
export function inSite(
  part: ReactNode,
  page: object,
  { books = [], answers = [] }: { books?: object[]; answers?: [QueryKey, unknown][] } = {},
) {
  const queries = new QueryClient({ defaultOptions: { queries: { staleTime: Infinity } } });
  answers.forEach(([key, answer]) => queries.setQueryData(key, answer));
  const change = vi.fn();
  const site = { page, books, change, changes: { change } } as unknown as SiteInHand;
  return {
    change,
    whole: (
      <QueryClientProvider client={queries}>
        <SiteContext value={site}>{part}</SiteContext>
      </QueryClientProvider>
    ),
  };
}
