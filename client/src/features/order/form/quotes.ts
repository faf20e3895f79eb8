import { queryOptions } from '@tanstack/react-query';
import { keys } from '../../../api/wire/keys';
import { api, expect } from '../../../api/wire/client';

const MINUTE = 60_000;

/**
 * What the sellers of a candidate ask for today, from their own price lists. They keep to it for half an hour: it is
 * asked again before that.
 */
export const quotesQuery = (siteId: string, revision: number, letter: string, country: string) =>
  queryOptions({
    queryKey: keys.quotes(siteId, revision, letter, country),
    queryFn: async () =>
      expect(
        await api.POST('/api/sites/{siteId}/orders/quotes', {
          params: { path: { siteId } },
          body: { letter, country },
        }),
      ),
    staleTime: 20 * MINUTE,
    gcTime: 25 * MINUTE,
    refetchInterval: 25 * MINUTE,
  });
