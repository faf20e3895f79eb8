import type { NameAnswer, NameCost } from '../../api/wire/client';

/** Whoever takes least for an ending over the horizon, by the server's ranks; nothing where no sum is whole. */
export function leastOf(costs: readonly NameCost[], ending: string): NameCost | undefined {
  return costs
    .filter((cost) => cost.ending === ending && cost.rank !== null)
    .sort((left, right) => (left.rank ?? 0) - (right.rank ?? 0))[0];
}

/** The endings that are sold here, those first that end as the one wanted does ("co.uk" for "me.uk"), then .com. */
export function nearest(sold: readonly string[], wanted: string | null): string[] {
  const top = wanted?.split('.').at(-1);
  const rankOfEnding = (ending: string) => (ending.split('.').at(-1) === top ? 0 : ending === 'com' ? 1 : 2);
  return [...sold].sort((left, right) => rankOfEnding(left) - rankOfEnding(right)).slice(0, 4);
}

/** By the server's rank of the cheapest that can be had; premium names and those that cannot be had go last. */
export function rankOf(answers: readonly (NameAnswer | undefined)[], costs: readonly NameCost[]): number {
  const ranks = answers.map((answer) =>
    answer?.buyable === 'anywhere'
      ? (leastOf(costs, answer.ending)?.rank ?? 9_000)
      : answer?.premiumCost
        ? 9_500
        : 9_999,
  );
  return Math.min(9_999, ...ranks);
}
