import type { Book, Schemas } from '../../../api/wire/client';

export type PlanWay = Schemas['PlanWayWire'];

/** What plans are put in order by: the server's own order, what is due today, or the seller's name. */
export type Order = 'horizon' | 'today' | 'seller';

/** "12/36": paid every 12 months, committed for 36. */
export const keyOf = ({ everyMonths, commitMonths }: { everyMonths: number; commitMonths: number }) =>
  `${everyMonths}/${commitMonths}`;

/** The way that is chosen, if it is; empty: each plan's least. */
export function chosenWay(ways: readonly PlanWay[]): string {
  const chosen = ways.find((way) => way.isChosen);
  return chosen ? keyOf(chosen) : '';
}

/** Each way to pay that any plan has, the one that binds least first, with the plan whose price is told beside it. */
export function waysToPay(ways: readonly PlanWay[]): { key: string; told: PlanWay }[] {
  const chosen = ways.find((way) => way.isChosen);
  const told = new Map<string, PlanWay>();
  for (const way of ways) {
    const isChosenPlan = way.book === chosen?.book && way.plan === chosen.plan;
    if (isChosenPlan || !told.has(keyOf(way))) {
      told.set(keyOf(way), way);
    }
  }

  return [...told.entries()]
    .map(([key, way]) => ({ key, told: way }))
    .sort(
      ({ told: left }, { told: right }) =>
        left.commitMonths - right.commitMonths || left.everyMonths - right.everyMonths,
    );
}

/** Those that are not whole come after those that are, whatever they are put in order by. */
export function inOrder(ways: readonly PlanWay[], order: Order, books: readonly Book[]): PlanWay[] {
  const name = (way: PlanWay) => books.find((book) => book.id === way.book)?.provider ?? '';
  const today = ({ outcome }: PlanWay) =>
    !outcome ? Infinity : outcome.todayAtLeast ? 1e15 : Number(outcome.dueToday);
  switch (order) {
    case 'today':
      return [...ways].sort((left, right) => today(left) - today(right));
    case 'seller':
      return [...ways].sort((left, right) => name(left).localeCompare(name(right)));
    default:
      return [...ways];
  }
}
