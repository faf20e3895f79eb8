import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { Refused } from './client';

/**
 * Something that the host keeps for its customer: read, and changed by requests that answer with what it is now. What
 * the server finds wrong stays with the change until the next.
 * @param key What it is called in the cache.
 */
export function usePanel<T>(key: readonly string[], read: () => Promise<T>) {
  const queries = useQueryClient();
  const query = useQuery({ queryKey: key, queryFn: read, refetchOnMount: 'always' });
  const change = useMutation({
    mutationFn: (send: () => Promise<T>) => send(),
    onSuccess: (now) => queries.setQueryData(key, now),
    onError: (error) => {
      // Somebody else changed it: what is there now is shown, and what was typed stays typed.
      if (error instanceof Refused && error.status === 409) {
        void queries.invalidateQueries({ queryKey: key });
      }
    },
  });
  return { query, change };
}

/** What is wrong at a place of what was sent: "records[2].data"; or at any place under it. */
export function faultAt(error: unknown, where: string): string | undefined {
  return error instanceof Refused
    ? error.faults.find((fault) => fault.where === where || fault.where.startsWith(`${where}.`))?.message
    : undefined;
}

/** What is wrong that belongs to none of these places: a sentence to stand by the button. */
export function otherwise(error: unknown, places: readonly string[]): string | undefined {
  if (!(error instanceof Refused)) {
    return error instanceof Error ? error.message : undefined;
  }

  const left = error.faults.filter(({ where }) => !places.some((place) => where === place || where.startsWith(place)));
  return left[0]?.message ?? (error.faults.length === 0 ? error.message : undefined);
}
