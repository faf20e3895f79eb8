import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { Refused } from './client';
import { keepAnswer, renew } from './renew';

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
    onSuccess: (now) => keepAnswer(queries, key, now),
    onError: (error) => {
      // Somebody else changed it: what is there now is shown, and what was typed stays typed.
      if (error instanceof Refused && error.status === 409) {
        void renew(queries, { queryKey: key });
      }
    },
  });
  return { query, change };
}
