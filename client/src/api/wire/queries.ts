import { keepPreviousData, queryOptions } from '@tanstack/react-query';
import { keys } from './keys';
import { api, expect, setToken } from './client';

export const sessionQuery = queryOptions({
  queryKey: keys.session(),
  queryFn: async () => {
    const session = expect(await api.GET('/api/session'));
    setToken(session.token);
    return session;
  },
  staleTime: Infinity,
});

/** The codes of all currencies (ISO 4217). */
export const currenciesQuery = queryOptions({
  queryKey: keys.currencies(),
  queryFn: async () => expect(await api.GET('/api/currencies')),
  staleTime: Infinity,
});

export const booksQuery = queryOptions({
  queryKey: keys.books(),
  queryFn: async () => expect(await api.GET('/api/books')),
  staleTime: Infinity,
});

export const siteKey = (siteId: string, view: string | undefined) => keys.site(siteId, view ?? '');

export const siteQuery = (siteId: string, view: string | undefined) =>
  queryOptions({
    queryKey: siteKey(siteId, view),
    queryFn: async () =>
      expect(await api.GET('/api/sites/{siteId}', { params: { path: { siteId }, query: { view } } })),
    // Another candidate of the same site: what is there stays until its figures come.
    placeholderData: (before, query) => (query?.queryKey[1] === siteId ? before : undefined),
  });

/** The shortlist side by side, at a revision; figures stay while the next ones are worked out. */
export const comparisonQuery = (siteId: string, revision: number, base?: string, against?: string) =>
  queryOptions({
    queryKey: keys.comparison(siteId, base ?? '', against ?? '', revision),
    queryFn: async () =>
      expect(
        await api.GET('/api/sites/{siteId}/comparison', { params: { path: { siteId }, query: { base, against } } }),
      ),
    placeholderData: keepPreviousData,
  });

export const stoppingQuery = (siteId: string, revision: number, letter: string) =>
  queryOptions({
    queryKey: keys.stopping(siteId, letter, revision),
    queryFn: async () =>
      expect(
        await api.GET('/api/sites/{siteId}/candidates/{letter}/stopping', { params: { path: { siteId, letter } } }),
      ),
    placeholderData: keepPreviousData,
  });

/** Every plan with every way to pay for it, as the candidate would be with it. */
export const plansQuery = (siteId: string, revision: number, letter: string) =>
  queryOptions({
    queryKey: keys.plans(siteId, letter, revision),
    queryFn: async () =>
      expect(await api.GET('/api/sites/{siteId}/candidates/{letter}/plans', { params: { path: { siteId, letter } } })),
    placeholderData: keepPreviousData,
  });

/** What it would cost to start with the shortest way to pay and change later. */
export const changingQuery = (siteId: string, revision: number, letter: string) =>
  queryOptions({
    queryKey: keys.changing(siteId, letter, revision),
    queryFn: async () =>
      expect(
        await api.GET('/api/sites/{siteId}/candidates/{letter}/changing', { params: { path: { siteId, letter } } }),
      ),
    placeholderData: keepPreviousData,
  });

export const ordersQuery = queryOptions({
  queryKey: keys.orders(),
  queryFn: async () => expect(await api.GET('/api/orders')),
});

export const orderQuery = (orderId: string) =>
  queryOptions({
    queryKey: keys.order(orderId),
    queryFn: async () => expect(await api.GET('/api/orders/{orderId}', { params: { path: { orderId } } })),
    // While steps are being carried out the page follows them, and what waits outside is looked at now and then.
    refetchInterval: (query) => {
      const state = query.state.data?.state ?? '';
      return ['working', 'undoing'].includes(state)
        ? 400
        : ['needs-confirmation', 'needs-transfer', 'needs-time'].includes(state)
          ? 3_000
          : false;
    },
  });

export const mailQuery = queryOptions({
  queryKey: keys.mail(),
  queryFn: async () => expect(await api.GET('/api/mail')),
  refetchOnMount: 'always',
  // What is on its way is followed; mail may come at any time.
  refetchInterval: (query) => (query.state.data?.unsent.length || query.state.data?.isSilent ? 1_500 : 20_000),
});
