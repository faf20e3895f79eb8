import { queryOptions, useMutation, useQueryClient } from '@tanstack/react-query';
import { api, expect, Refused, type Schemas } from './wire/client';
import { keys } from './wire/keys';
import { renew } from './wire/renew';

export type Share = Schemas['ShareWire'];

/** One page that can be shown to somebody: of a site, or of an order. */
export interface Shown {
  what: 'worksheet' | 'comparison' | 'key-sheet';
  /** The site, or the order of a key sheet. */
  of: string;
  /** The candidate of a worksheet. */
  letter?: string;
}

/** The links of a site or order, with what readers wrote. */
export const sharesQuery = (of: string) =>
  queryOptions({
    queryKey: keys.shares(of),
    queryFn: async () => expect(await api.GET('/api/shares', { params: { query: { of } } })),
  });

export function useShare({ what, of, letter }: Shown) {
  const queries = useQueryClient();
  const onSettled = () => renew(queries, { queryKey: keys.shares(of) });
  const make = useMutation({
    mutationFn: async () => expect(await api.POST('/api/shares', { body: { what, of, letter: letter ?? null } })),
    onSettled,
  });
  const withdraw = useMutation({
    mutationFn: async (id: string) => {
      const { response, error } = await api.DELETE('/api/shares/{id}', { params: { path: { id } } });
      if (!response.ok) {
        throw new Refused(response.status, error);
      }
    },
    onSettled,
  });
  return { make, withdraw };
}
