import { useMutation, useQueryClient } from '@tanstack/react-query';
import { keys } from '../wire/keys';
import { api, carriedOut, expect, type Schemas } from '../wire/client';
import { sessionQuery } from '../wire/queries';
import { renew } from '../wire/renew';

export type ListedSite = Schemas['SiteListedWire'];

const storedAs = 'home-start.last-site';

/** The site this browser had open last. */
export const lastSite = {
  read: () => {
    try {
      return localStorage.getItem(storedAs);
    } catch {
      return null;
    }
  },
  keep: (siteId: string) => {
    try {
      localStorage.setItem(storedAs, siteId);
    } catch {
      // A browser that stores nothing opens the start page.
    }
  },
};

/**
 * Where a visitor lands: the site they had open last, else the newest that they did anything in; none: the start page.
 */
export const landingOf = (sites: readonly ListedSite[], last: string | null) =>
  sites.find((site) => site.id === last) ??
  sites.findLast((site) => !site.isExample) ??
  sites.findLast((site) => site.isUsed) ??
  null;

/** Makes a site of the owner's own; it is named by the owner or by the server. */
export function useStartSite() {
  const queries = useQueryClient();
  return useMutation({
    mutationFn: async (name?: string) => expect(await api.POST('/api/sites', { body: { name: name || null } })),
    onSuccess: () => renew(queries, { queryKey: sessionQuery.queryKey }),
  });
}

/** Renaming, deleting and bringing back a site of the list. */
export function useSiteList() {
  const queries = useQueryClient();
  const onSuccess = () => renew(queries, { queryKey: sessionQuery.queryKey });
  return {
    rename: useMutation({
      mutationFn: async ({ id, name }: { id: string; name: string }) => {
        const path = { path: { siteId: id } };
        const { revision } = expect(await api.GET('/api/sites/{siteId}', { params: path }));
        return expect(
          await api.POST('/api/sites/{siteId}/commands', {
            params: path,
            body: { revision, command: { kind: 'rename-site', name } },
          }),
        );
      },
      onSuccess: async () => {
        await renew(queries, { queryKey: keys.site() });
        await onSuccess();
      },
    }),
    remove: useMutation({
      mutationFn: async (id: string) =>
        carriedOut(await api.DELETE('/api/sites/{siteId}', { params: { path: { siteId: id } } })),
      onSuccess,
    }),
    restore: useMutation({
      mutationFn: async (id: string) =>
        expect(await api.POST('/api/sites/{siteId}/restore', { params: { path: { siteId: id } } })),
      onSuccess,
    }),
  };
}

/** Makes a site of the owner's own and opens one of its pages. */
export function useBegin() {
  const start = useStartSite();
  return {
    isPending: start.isPending,
    error: start.error,
    begin: (open: (siteId: string) => unknown) => start.mutate(undefined, { onSuccess: (site) => void open(site.id) }),
  };
}
