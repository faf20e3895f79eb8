import { queryOptions, useMutation, useQueryClient } from '@tanstack/react-query';
import { keys } from '../wire/keys';
import { api, expect, type Schemas } from '../wire/client';
import { keepAnswer, renew } from '../wire/renew';

export type Shelved = Schemas['ShelvedWire'];
export type PriceList = Schemas['PriceListWire'];
export type BookLook = Schemas['BookLookWire'];

export const shelfQuery = queryOptions({
  queryKey: keys.shelf(),
  queryFn: async () => expect(await api.GET('/api/shelf')),
  // Whether a book is on a shortlist changes with every site.
  staleTime: 0,
});

export const priceListQuery = (book: string) =>
  queryOptions({
    queryKey: keys.shelf(book),
    queryFn: async () => expect(await api.GET('/api/shelf/{book}', { params: { path: { book } } })),
  });

/** What a file is, before it is taken. The text goes as it is: its own spaces and unknown fields are kept. */
export const lookAt = async (text: string) =>
  expect(await api.POST('/api/shelf/look', { body: text, bodySerializer: asItIs, headers: json }));

export const lookAtQuery = (text: string) =>
  queryOptions({ queryKey: keys.shelf('look', text), queryFn: () => lookAt(text) });

/** The text of a version's file, exactly as it came in. */
async function fileText(book: string, version?: number): Promise<string> {
  const query = version === undefined ? {} : { version };
  const answer = await api.GET('/api/shelf/{book}/file', { params: { path: { book }, query }, parseAs: 'text' });
  return expect(answer);
}

export const bookFileQuery = (book: string) =>
  queryOptions({ queryKey: keys.shelf(book, 'file'), queryFn: () => fileText(book) });

export const bookSchemaQuery = queryOptions({
  queryKey: keys.bookSchema(),
  queryFn: async () => expect(await api.GET('/api/offer-book.schema.json')),
  staleTime: Infinity,
});

/** A book as changes leave it, and what keeping it would do. */
export const edit = async (book: string, body: Schemas['EditBookBody']) =>
  expect(await api.POST('/api/shelf/{book}/edit', { params: { path: { book } }, body }));

export const editedQuery = (book: string, version: number, operations: Schemas['BookEditWire'][]) =>
  queryOptions({
    queryKey: keys.bookEdit(book, version, operations),
    queryFn: () => edit(book, { version, operations, asNew: null }),
  });

export const historyQuery = (book: string) =>
  queryOptions({
    queryKey: keys.shelf(book, 'history'),
    queryFn: async () => expect(await api.GET('/api/shelf/{book}/history', { params: { path: { book } } })),
  });

const asItIs = (body: unknown) => body as string;
const json = { 'content-type': 'application/json' };

/**
 * Changing the shelf: whatever is worked out from its books is worked out anew, but for changes to the version before.
 */
export function useShelfChanges() {
  const queries = useQueryClient();
  const accept = async (shelf: Shelved[]) => {
    await keepAnswer(queries, shelfQuery.queryKey, shelf);
    await renew(queries, {
      predicate: ({ queryKey: [first, ...more] }) =>
        first !== 'session' && first !== 'book-edit' && !(first === 'shelf' && more.length === 0),
    });
  };
  const of = <T>(change: (of: T) => Promise<Shelved[]>) => ({ mutationFn: change, onSuccess: accept });
  return {
    take: useMutation(
      of(async (text: string) =>
        expect(await api.POST('/api/shelf', { body: text, bodySerializer: asItIs, headers: json })),
      ),
    ),
    /** An older version becomes the newest. */
    goBack: useMutation(
      of(async ({ book, version }: { book: string; version: number }) =>
        expect(
          await api.POST('/api/shelf', { body: await fileText(book, version), bodySerializer: asItIs, headers: json }),
        ),
      ),
    ),
    /** A copy of a book under another seller's name. */
    copy: useMutation(
      of(async ({ book, version, asNew }: { book: string; version: number; asNew: string }) => {
        const { text } = await edit(book, { version, operations: [], asNew });
        return expect(await api.POST('/api/shelf', { body: text!, bodySerializer: asItIs, headers: json }));
      }),
    ),
    putAway: useMutation(
      of(async ({ book, isPutAway }: { book: string; isPutAway: boolean }) =>
        expect(await api.POST('/api/shelf/{book}/put-away', { params: { path: { book } }, body: { isPutAway } })),
      ),
    ),
    /** Every seller that comes with Home Start at once. */
    putExamplesAway: useMutation(
      of(async (isPutAway: boolean) => expect(await api.POST('/api/examples/put-away', { body: { isPutAway } }))),
    ),
    /** A code that a price list of one's own does not know yet. */
    tellCode: useMutation(
      of(async ({ book, ...body }: Schemas['ToldCodeBody'] & { book: string }) =>
        expect(await api.POST('/api/shelf/{book}/codes', { params: { path: { book } }, body })),
      ),
    ),
    /** What a plan of one's own price lists allows, where the seller's page did not say. */
    tellLimit: useMutation(
      of(async ({ book, plan, ...body }: Schemas['ToldLimitBody'] & { book: string; plan: string }) =>
        expect(await api.POST('/api/shelf/{book}/plans/{plan}/limits', { params: { path: { book, plan } }, body })),
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
