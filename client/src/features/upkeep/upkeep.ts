import { queryOptions, useMutation, useQueryClient } from '@tanstack/react-query';
import { keys } from '../../api/wire/keys';
import { api, expect, type Schemas } from '../../api/wire/client';
import { renew } from '../../api/wire/renew';

export type Tenure = Schemas['TenureWire'];
export type Effect = Schemas['EffectWire'];

/**
 * What is had and what is to come of it; followed while days are passing, and while an order or an invoice is awaited.
 */
export const upkeepQuery = (siteId: string) =>
  queryOptions({
    queryKey: keys.upkeep(siteId),
    queryFn: async () => expect(await api.GET('/api/sites/{siteId}/upkeep', { params: { path: { siteId } } })),
    refetchOnMount: 'always',
    refetchInterval: ({ state: { data } }) =>
      data?.isMoving ? 700 : data?.awaited.length ? 1_500 : data?.tenures.some(({ paying }) => paying) ? 4_000 : false,
  });

/**
 * Something that is done about what is had. The clock, orders and mail may all be others afterwards, so that all is
 * asked for anew.
 */
export function useChange<T>(work: (body: T) => Promise<void>) {
  const queries = useQueryClient();
  return useMutation({ mutationFn: work, onSettled: () => renew(queries) });
}
