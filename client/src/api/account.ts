import { queryOptions, useMutation, useQueryClient } from '@tanstack/react-query';
import { keys } from './wire/keys';
import { api, expect } from './wire/client';
import { sessionQuery } from './wire/queries';
import { keepAnswer, renew } from './wire/renew';

export const accountQuery = queryOptions({
  queryKey: keys.account(),
  queryFn: async () => expect(await api.GET('/api/account')),
});

/** Confirming a mail address: a code is mailed to it, and whoever types it in is signed in. */
export function useConfirming() {
  const queries = useQueryClient();
  return {
    send: useMutation({
      mutationFn: async (mail: string) => {
        const answer = await api.POST('/api/account/code', { body: { mail } });
        return answer.error ? expect<never>(answer) : mail;
      },
    }),
    confirm: useMutation({
      // Wherever this is asked, the page says that what the browser holds is joined with the account.
      mutationFn: async (body: { mail: string; code: string }) =>
        expect(await api.POST('/api/account/confirm', { body: { ...body, join: true } })),
      // What this browser holds was joined with what the account has: all of it is looked at anew, the token first.
      onSuccess: async (account) => {
        await keepAnswer(queries, accountQuery.queryKey, account);
        await queries.refetchQueries({ queryKey: sessionQuery.queryKey });
        await renew(queries, {
          predicate: ({ queryKey }) => ![keys.session, keys.account].some((key) => key()[0] === queryKey[0]),
        });
      },
    }),
  };
}

/** The drafts of forms that this browser keeps. */
export const drafts = {
  key: (siteId: string) => `home-start.order-form.${siteId}`,
  read: (siteId: string): unknown => {
    try {
      return JSON.parse(localStorage.getItem(drafts.key(siteId)) ?? 'null');
    } catch {
      return null;
    }
  },
  keep: (siteId: string, draft: unknown) => localStorage.setItem(drafts.key(siteId), JSON.stringify(draft)),
  /** Whoever signs out leaves nothing of themselves in the browser. */
  dropAll: () =>
    Object.keys(localStorage)
      .filter((key) => key.startsWith('home-start.order'))
      .forEach((key) => localStorage.removeItem(key)),
};
