import { queryOptions } from '@tanstack/react-query';
import { keys } from '../wire/keys';
import { api, expect } from '../wire/client';

/** A domain that the owner has, taken apart by the server; or why it is none. */
export async function readOwnDomain(text: string): Promise<{ name: string; ending: string } | { fault: string }> {
  const typed = expect(await api.GET('/api/domains/typed', { params: { query: { text } } }));
  return typed.label !== null && typed.ending !== null
    ? { name: typed.label, ending: typed.ending }
    : { fault: typed.fault ?? 'Write the whole domain with its ending, such as ostlerwren.com.' };
}

/** What the registry, or an order of the owner's, says of a domain. */
export const ownedRecordQuery = (siteId: string, domain: string) =>
  queryOptions({
    queryKey: keys.ownedRecord(siteId, domain),
    queryFn: async () =>
      expect(await api.GET('/api/sites/{siteId}/owned-record', { params: { path: { siteId }, query: { domain } } })),
    staleTime: 300_000,
    retry: false,
  });

/** The names that came with orders of the owner's. */
export const namesHadQuery = queryOptions({
  queryKey: keys.namesHad(),
  queryFn: async () => expect(await api.GET('/api/names-had')),
  staleTime: 30_000,
});
