import type { InvalidateQueryFilters, Query, QueryClient } from '@tanstack/react-query';

/**
 * Asks anew for what a change may have made another. An answer that is on its way may be from before the change: where
 * it is the first of its kind, the library would wait for it and take it for the new one. It is called off.
 */
export async function renew(queries: QueryClient, of: InvalidateQueryFilters = {}): Promise<void> {
  const predicate = (query: Query) => query.state.data === undefined && (of.predicate?.(query) ?? true);
  await queries.cancelQueries({ ...of, predicate });
  await queries.invalidateQueries(of);
}

/** Keeps what a change was answered with. An answer that is on its way may be from before it, and is called off. */
export async function keepAnswer<T>(queries: QueryClient, queryKey: readonly unknown[], answer: T): Promise<void> {
  await queries.cancelQueries({ queryKey, exact: true });
  queries.setQueryData(queryKey, answer);
}
