import { keepPreviousData, queryOptions, useQuery, useQueryClient, type QueryClient } from '@tanstack/react-query';
import { keys } from '../wire/keys';
import { useCallback, useState } from 'react';
import { api, expect, type NameAnswer, type Schemas } from '../wire/client';
import { useLines } from '../wire/useLines';
import { nameNewsOf } from '../wire/shapes';
import { keepAnswer } from '../wire/renew';

export type SoughtNames = Schemas['SoughtNamesWire'];

type Answers = Readonly<Record<string, NameAnswer>>;

const none: Answers = {};

const answersKey = (siteId: string, view: string) => keys.nameAnswers(siteId, view);

function keep(queries: QueryClient, siteId: string, view: string, answers: readonly NameAnswer[]) {
  if (answers.length > 0) {
    queries.setQueryData<Answers>(answersKey(siteId, view), (known) => ({
      ...known,
      ...Object.fromEntries(answers.map((answer) => [answer.domain, answer])),
    }));
  }
}

/** What was last said of domains, by their text; nothing of those that nobody asked about. */
export function useAnswers(siteId: string, view: string): Answers {
  return (
    useQuery<Answers>({
      queryKey: answersKey(siteId, view),
      queryFn: () => none,
      enabled: false,
      staleTime: Infinity,
      gcTime: Infinity,
    }).data ?? none
  );
}

/** The names a site is looking for with what is known of them; told again every few minutes, since answers grow old. */
export function useSought(siteId: string, view: string) {
  const queries = useQueryClient();
  return useQuery({
    queryKey: keys.sought(siteId, view),
    queryFn: async () => {
      const sought = expect(
        await api.GET('/api/sites/{siteId}/names', { params: { path: { siteId }, query: { view } } }),
      );
      keep(queries, siteId, view, sought.answers);
      return sought;
    },
    staleTime: 0,
    refetchInterval: 300_000,
  });
}

/** Puts another list in the place of the one looked for. */
export function useSeek(siteId: string, view: string) {
  const queries = useQueryClient();
  return async (body: Schemas['SeekNamesBody']) => {
    const sought = expect(
      await api.PUT('/api/sites/{siteId}/names', { params: { path: { siteId }, query: { view } }, body }),
    );
    keep(queries, siteId, view, sought.answers);
    await keepAnswer(queries, keys.sought(siteId, view), sought);
    return sought;
  };
}

/** What new names cost with the candidate looked at, by ending and seller. */
export const nameCostsQuery = (siteId: string, view: string, revision: number) =>
  queryOptions({
    queryKey: keys.nameCosts(siteId, view, revision),
    queryFn: async () =>
      expect(await api.GET('/api/sites/{siteId}/names/costs', { params: { path: { siteId }, query: { view } } })),
    placeholderData: keepPreviousData,
  });

/** Names close to one that somebody has, as advice. */
export const nearQuery = (siteId: string, view: string, name: string, ending: string) =>
  queryOptions({
    queryKey: keys.near(siteId, name, ending),
    queryFn: async ({ signal }) =>
      expect(
        await api.POST('/api/sites/{siteId}/names/near', {
          params: { path: { siteId }, query: { view } },
          body: { name, ending },
          signal,
        }),
      ),
    staleTime: 600_000,
    retry: false,
  });

export interface Asking {
  isAsking: boolean;
  asked: number;
  of: number;
  pause: Schemas['NamePauseWire'] | null;
  error: Error | null;
}

const paintEvery = 120;

const noneAsked: Pick<Asking, 'asked' | 'of' | 'pause'> = { asked: 0, of: 0, pause: null };

/** Asks registrars about names; each answer is there as it comes. It can be stopped, and what came so far stays. */
export function useAsking(siteId: string, view: string) {
  const queries = useQueryClient();
  const { isRunning, error, run, stop } = useLines();
  const [news, setNews] = useState(noneAsked);

  const ask = useCallback(
    async (question: Partial<Schemas['CheckNamesBody']>) => {
      let last = noneAsked;
      let painted = 0;
      let fresh: NameAnswer[] = [];
      const paint = () => {
        keep(queries, siteId, view, fresh);
        fresh = [];
        painted = performance.now();
      };
      setNews(noneAsked);
      const isWhole = await run(
        `/api/sites/${siteId}/names/check?view=${encodeURIComponent(view)}`,
        question,
        (line) => {
          const { answer, ...told } = nameNewsOf(line);
          last = told;
          fresh.push(...(answer ? [answer] : []));
          // Answers may come by the hundred a second: they need not be painted as often.
          if (told.pause || performance.now() - painted > paintEvery) {
            paint();
            setNews(last);
          }
        },
      );
      paint();
      if (isWhole) {
        setNews(last);
      }
    },
    [queries, run, siteId, view],
  );

  const asking: Asking = { ...news, pause: isRunning ? news.pause : null, isAsking: isRunning, error };
  return { ...asking, ask, stop };
}
