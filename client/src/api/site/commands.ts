import { useIsMutating, useMutation, useMutationState, useQueryClient } from '@tanstack/react-query';
import { keys } from '../wire/keys';
import { useState } from 'react';
import { api, Refused, type Schemas, type SitePage } from '../wire/client';
import { siteKey } from '../wire/queries';
import { isSitePage } from '../wire/refusal';
import { renew } from '../wire/renew';

/** The named changes of a site; the server says what each does. */
export type Command = Schemas['CommandWire'];
export type DomainChoice = Schemas['DomainBody'];

export type Change = Command | { kind: 'undo' } | { kind: 'redo' };

/** Somebody else's change came first: the page shows the newer document, and keeps what it was and what was wanted. */
export class Overtaken extends Error {
  readonly before: SitePage | undefined;
  readonly newer: SitePage;

  constructor(before: SitePage | undefined, newer: SitePage) {
    super('This was changed in another window meanwhile. You see the newer state; your last choice was not made.');
    this.before = before;
    this.newer = newer;
  }
}

async function send(siteId: string, view: string | undefined, change: Change, revision: number) {
  const params = { path: { siteId }, query: { view } };
  if (change.kind === 'undo') {
    return api.POST('/api/sites/{siteId}/undo', { params, body: { revision } });
  }

  if (change.kind === 'redo') {
    return api.POST('/api/sites/{siteId}/redo', { params, body: { revision } });
  }

  return api.POST('/api/sites/{siteId}/commands', { params, body: { revision, command: change } });
}

/**
 * Sends changes of a site one after another. Each carries the revision of the newest answer; an older answer never
 * replaces a newer one. A change that could not be sent is kept until it is tried again or let go.
 */
export function useSiteChanges(siteId: string, view: string | undefined) {
  const queries = useQueryClient();
  const [unsent, setUnsent] = useState<Change | null>(null);
  const [message, setMessage] = useState<string | null>(null);
  const [overtaken, setOvertaken] = useState<{ by: Overtaken; mine: Change } | null>(null);
  const key = siteKey(siteId, view);

  const accept = (page: SitePage) => {
    queries.setQueryData<SitePage>(key, (seen) => (seen && seen.revision > page.revision ? seen : page));
    // Another view may be on its way with what was before: it is asked for anew.
    const others = {
      queryKey: keys.site(siteId),
      predicate: (query: { queryKey: readonly unknown[] }) => query.queryKey[2] !== key[2],
    };
    void renew(queries, others);
  };

  const mutation = useMutation({
    mutationKey: ['change', siteId],
    scope: { id: `site-${siteId}` },
    mutationFn: async (change: Change) => {
      const seen = queries.getQueryData<SitePage>(key);
      const answer = await send(siteId, view, change, seen?.revision ?? 0);
      if (answer.response.status === 409) {
        const newer: unknown = answer.error;
        if (isSitePage(newer)) {
          accept(newer);
          throw new Overtaken(seen, newer);
        }
      }

      if (answer.data === undefined) {
        throw new Refused(answer.response.status, answer.error);
      }

      accept(answer.data);
      return answer.data;
    },
    onSuccess: (page, change) => {
      setUnsent(null);
      setMessage(null);
      setOvertaken(null);
      if (change.kind === 'rename-site' || page.revision === 1) {
        void renew(queries, { queryKey: keys.session() });
      }
    },
    onError: (error, change) => {
      const answered = error instanceof Refused || error instanceof Overtaken;
      setUnsent(answered ? null : change);
      setOvertaken(error instanceof Overtaken ? { by: error, mine: change } : null);
      setMessage(answered ? error.message : 'Not saved yet: there is no connection to Home Start.');
    },
  });

  return {
    change: mutation.mutate,
    changeAsync: mutation.mutateAsync,
    message,
    /** Why the last change was refused; none where it was not. */
    faults: mutation.error instanceof Refused ? mutation.error.faults : [],
    unsent,
    overtaken,
    tryAgain: () => unsent && mutation.mutate(unsent),
    chooseAllTheSame: () => overtaken && mutation.mutate(overtaken.mine),
    dismiss: () => {
      setMessage(null);
      setOvertaken(null);
      setUnsent(null);
    },
  };
}

export type SiteChanges = ReturnType<typeof useSiteChanges>;

/** The change under way, so that a choice paints before its answer comes. */
export function usePendingChange(siteId: string): Change | undefined {
  return useMutationState({
    filters: { mutationKey: ['change', siteId], status: 'pending' },
    select: (mutation) => mutation.state.variables as Change,
  }).at(-1);
}

export function useIsSaving(siteId: string): boolean {
  return useIsMutating({ mutationKey: ['change', siteId] }) > 0;
}
