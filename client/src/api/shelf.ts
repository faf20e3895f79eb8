import { queryOptions, useMutation, useQueryClient } from '@tanstack/react-query';
import { api, expect, type Schemas } from './client';

export type Shelved = Schemas['ShelvedWire'];
export type PriceList = Schemas['PriceListWire'];
export type BookLook = Schemas['BookLookWire'];

export const shelfQuery = queryOptions({
  queryKey: ['shelf'],
  queryFn: async () => expect(await api.GET('/api/shelf')),
});

export const priceListQuery = (book: string) =>
  queryOptions({
    queryKey: ['shelf', book],
    queryFn: async () => expect(await api.GET('/api/shelf/{book}', { params: { path: { book } } })),
  });

/** What a file is, before it is taken. The text goes as it is: its own spaces and unknown fields are kept. */
export const lookAt = async (text: string) =>
  expect(await api.POST('/api/shelf/look', { body: text, bodySerializer: asItIs, headers: json }));

export const lookAtQuery = (text: string) =>
  queryOptions({ queryKey: ['shelf', 'look', text], queryFn: () => lookAt(text) });

const asItIs = (body: unknown) => body as string;
const json = { 'content-type': 'application/json' };

/** Changing the shelf: whatever is worked out from its books is worked out anew. */
export function useShelfChanges() {
  const queries = useQueryClient();
  const accept = async (shelf: Shelved[]) => {
    queries.setQueryData(shelfQuery.queryKey, shelf);
    await queries.invalidateQueries({
      predicate: ({ queryKey }) => queryKey[0] !== 'session' && !(queryKey[0] === 'shelf' && queryKey.length === 1),
    });
  };
  const of = <T>(change: (of: T) => Promise<Shelved[]>) => ({ mutationFn: change, onSuccess: accept });
  return {
    take: useMutation(
      of(async (text: string) =>
        expect(await api.POST('/api/shelf', { body: text, bodySerializer: asItIs, headers: json })),
      ),
    ),
    putAway: useMutation(
      of(async ({ book, isPutAway }: { book: string; isPutAway: boolean }) =>
        expect(await api.POST('/api/shelf/{book}/put-away', { params: { path: { book } }, body: { isPutAway } })),
      ),
    ),
    lookedAgain: useMutation(
      of(async (book: string) => expect(await api.POST('/api/shelf/{book}/looked', { params: { path: { book } } }))),
    ),
    remove: useMutation(
      of(async (book: string) => expect(await api.DELETE('/api/shelf/{book}', { params: { path: { book } } }))),
    ),
  };
}
