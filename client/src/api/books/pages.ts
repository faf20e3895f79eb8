import { keepPreviousData, queryOptions, type QueryClient } from '@tanstack/react-query';
import { keys } from '../wire/keys';
import { api, expect, type Schemas } from '../wire/client';

export type PageReview = Schemas['PageReviewWire'];
export type Candidate = PageReview['candidates'][number];
export type PageReading = Schemas['PageReadingWire'];
export type ReadPlan = Schemas['ReadPlanWire'];
export type ReadWay = Schemas['ReadWayWire'];
export type Change = Partial<Schemas['ReadingChangeBody']> & { at: string };

/** What was pasted or dropped: HTML where there is some, and the words; or the bytes of a file, in Base64. */
export type Page = { html: string | null; text: string | null; file: string | null };

/** A page under a number of its own, so that pages of megabytes need not be compared. */
export type Pasted = Page & { number: number };

let pages = 0;

/** Numbers a page. */
export const numbered = (page: Page): Pasted => ({ ...page, number: ++pages });

const pastedKey = (siteId: string) => keys.pasted(siteId);

/** A page pasted before its site was open waits for the page that reviews it. */
export const pastedBefore = {
  keep: (queries: QueryClient, siteId: string, page: Page) => queries.setQueryData(pastedKey(siteId), numbered(page)),
  read: (queries: QueryClient, siteId: string) => queries.getQueryData<Pasted>(pastedKey(siteId)) ?? null,
  drop: (queries: QueryClient, siteId: string) => queries.removeQueries({ queryKey: pastedKey(siteId) }),
};

export type Paid = 'at-once' | 'monthly-bound' | 'monthly-free';

/** What the owner says where the page is silent or was misread. */
export type Answers = {
  provider: string;
  currency: string;
  tax: string;
  /** The places of the plans that are not taken. */
  left: number[];
  /** Values that were mended, in their order. */
  changes: Change[];
};

export const noAnswers: Answers = { provider: '', currency: '', tax: '', left: [], changes: [] };

/** The page as it is read, with what is answered. The answer before stays until the next is there. */
export const pageReviewQuery = (siteId: string, pasted: Pasted | null, answers: Answers) =>
  queryOptions({
    queryKey: keys.pageReview(siteId, pasted?.number, answers),
    enabled: pasted !== null,
    queryFn: async ({ signal }) =>
      expect(
        await api.POST('/api/sites/{siteId}/page', {
          params: { path: { siteId } },
          body: { ...bodyOf(pasted!), ...answersOf(answers) },
          signal,
        }),
      ),
    placeholderData: keepPreviousData,
  });

/** A page as it is sent. */
export const bodyOf = ({ html, text, file }: Page) => ({ html, text, file });

function answersOf({ provider, currency, tax, left, changes }: Answers) {
  return {
    provider: provider.trim() || null,
    currency: currency.trim().toUpperCase() || null,
    tax: tax || null,
    plans: left.map((plan) => ({ plan, take: false, name: null, ways: null })),
    changes: changes.map(({ at, value, toPlan, from }) => ({
      at,
      value: value ?? null,
      toPlan: toPlan ?? null,
      from: from ?? null,
    })),
  };
}

/** Reads a cart, a quote or a receipt, without holding it against anything. */
export const readCart = async (page: Page) => expect(await api.POST('/api/carts/read', { body: bodyOf(page) }));
