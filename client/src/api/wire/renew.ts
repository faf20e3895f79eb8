import type { InvalidateQueryFilters, QueryClient } from '@tanstack/react-query';

/**
 * Asks anew for what a change may have made another. An answer that is on its way may be from before the change, and
 * the library would take it for the new one where it is the first of its kind or nobody looks at it. It is called off.
 */
export async function renew(queries: QueryClient, of: InvalidateQueryFilters = {}): Promise<void> {
  await queries.cancelQueries(of);
  await queries.invalidateQueries(of);
}

/** Keeps what a change was answered with. An answer that is on its way may be from before it, and is called off. */
export async function keepAnswer<T>(queries: QueryClient, queryKey: readonly unknown[], answer: T): Promise<void> {
  await queries.cancelQueries({ queryKey, exact: true });
  queries.setQueryData(queryKey, answer);
}
