import type { Schemas } from '../../api/wire/client';

type Placed = Pick<Schemas['OrderWire'], 'id' | 'state' | 'claimOf' | 'there' | 'keySheet'>;

/**
 * The orders whose way to the site is shown, newest first as they come. The first name claimed for a hosting that came
 * without one is what that hosting shows: it is listed once.
 */
export function shownOnline<T extends Placed>(orders: T[]): T[] {
  const placed = orders.filter(({ state }) => state === 'completed');
  return placed.filter((order) => {
    const hosting = placed.find(({ id }) => id === order.claimOf);
    return !hosting || hosting.keySheet?.domain || placed.findLast(({ claimOf }) => claimOf === hosting.id) !== order;
  });
}

/** Whether a name was bought by itself, so that there is no hosting that it could lead to. */
export const isNameAlone = ({ keySheet, claimOf, there }: Placed) =>
  Boolean(keySheet?.domain && !keySheet.provider && !claimOf && !there);
