import { keepPreviousData, queryOptions } from '@tanstack/react-query';
import { api, expect, type Schemas } from './client';

export type PageReview = Schemas['PageReviewWire'];
export type Candidate = PageReview['candidates'][number];
export type ReadPlan = Schemas['ReadPlanWire'];
export type ReadWay = Schemas['ReadWayWire'];

/** What was pasted or dropped: HTML where there is some, and the words. */
export type Pasted = { html: string | null; text: string | null };

export type Paid = 'at-once' | 'monthly-bound' | 'monthly-free';

/** What the owner answers where the page is silent; keys of ways are "plan.way". */
export type Answers = {
  provider: string;
  currency: string;
  tax: string;
  left: number[];
  names: Record<number, string>;
  months: Record<string, number>;
  paid: Record<string, Paid>;
};

export const noAnswers: Answers = { provider: '', currency: '', tax: '', left: [], names: {}, months: {}, paid: {} };

/** The page as it is read, with what is answered. The answer before stays until the next is there. */
export const pageReviewQuery = (siteId: string, pasted: Pasted | null, answers: Answers) =>
  queryOptions({
    queryKey: ['page-review', siteId, pasted, answers],
    enabled: pasted !== null,
    queryFn: async ({ signal }) =>
      expect(
        await api.POST('/api/sites/{siteId}/page', {
          params: { path: { siteId } },
          body: { ...pasted!, ...bodyOf(answers) },
          signal,
        }),
      ),
    placeholderData: keepPreviousData,
  });

function bodyOf({ provider, currency, tax, left, names, months, paid }: Answers) {
  const keys = [...new Set([...Object.keys(months), ...Object.keys(paid)])];
  const plans = [
    ...new Set([...left, ...Object.keys(names).map(Number), ...keys.map((key) => Number(key.split('.')[0]))]),
  ];
  return {
    provider: provider.trim() || null,
    currency: currency.trim().toUpperCase() || null,
    tax: tax || null,
    plans: plans.map((plan) => ({
      plan,
      take: !left.includes(plan),
      name: names[plan]?.trim() || null,
      ways: keys
        .filter((key) => key.startsWith(`${plan}.`))
        .map((key) => ({ way: Number(key.split('.')[1]), months: months[key] ?? null, paid: paid[key] ?? null })),
    })),
  };
}
