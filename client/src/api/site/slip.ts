import { keepPreviousData, queryOptions } from '@tanstack/react-query';
import { keys } from '../wire/keys';
import { api, expect } from '../wire/client';

/** The slip of a candidate: what to do, and what must stand there, at each seller. */
export const slipQuery = (siteId: string, letter: string, revision: number) =>
  queryOptions({
    queryKey: keys.slip(siteId, letter, revision),
    queryFn: async () =>
      expect(await api.GET('/api/sites/{siteId}/candidates/{letter}/slip', { params: { path: { siteId, letter } } })),
    // What is being compared stays while the slip is written anew.
    placeholderData: keepPreviousData,
  });
