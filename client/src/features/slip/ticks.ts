import { useMutation, useQueryClient } from '@tanstack/react-query';
import { keys } from '../../api/wire/keys';
import { api, carriedOut, type Schemas } from '../../api/wire/client';
import { renew } from '../../api/wire/renew';

export interface Ticks {
  done: string[];
  tick: (key: string) => void;
  fault: Error | null;
}

/** The steps of a slip that are ticked off: shown at once, and kept with the site. */
export function useTicks(siteId: string, letter: string, slip: Schemas['BuyingSlipWire'] | undefined): Ticks {
  const queries = useQueryClient();
  const keep = useMutation({
    // One after another: the last tick is what is kept.
    scope: { id: `ticks-${siteId}-${letter}` },
    mutationFn: async (done: string[]) =>
      carriedOut(
        await api.PUT('/api/sites/{siteId}/candidates/{letter}/slip', {
          params: { path: { siteId, letter } },
          body: { done },
        }),
      ),
    onError: () => renew(queries, { queryKey: keys.slip(siteId, letter) }),
  });
  const done = slip?.done ?? [];
  const tick = (key: string) => {
    const now = done.includes(key) ? done.filter((known) => known !== key) : [...done, key];
    queries.setQueriesData<Schemas['BuyingSlipWire']>({ queryKey: keys.slip(siteId, letter) }, (old) =>
      old ? { ...old, done: now } : old,
    );
    keep.mutate(now);
  };
  return { done, tick, fault: keep.error };
}
