import { api, Refused, type Order, type Schemas } from '../../../api/wire/client';

/** Whether an order is there: the order, that it is not, or that nobody could say. */
export type Found = { order: Order } | 'absent' | 'unknown';

const pauses = [300, 1000, 2000, 3000];

/**
 * Asks for an order by its id. After a lost answer the server may still be at it, so that "not there" is believed only
 * when it has been said twice and some time has passed.
 */
export async function findOrder(orderId: string, patient: boolean): Promise<Found> {
  let absent = 0;
  for (const pause of patient ? pauses : [0]) {
    await new Promise((resolve) => setTimeout(resolve, pause));
    try {
      const answer = await api.GET('/api/orders/{orderId}', { params: { path: { orderId } } });
      if (answer.data) {
        return { order: answer.data };
      }

      absent += answer.response.status === 404 ? 1 : 0;
    } catch {
      // No connection yet.
    }
  }

  return absent >= (patient ? 2 : 1) ? 'absent' : 'unknown';
}

/** No answer came, and nobody could say what became of the order. */
export class AnswerLost extends Error {}

/**
 * Places an order. The same id places it once, however often it is sent; where the answer is lost, what became of it is
 * asked for.
 */
export async function placeOrder(siteId: string, body: Schemas['PlaceOrderBody']): Promise<Order | 'stale'> {
  let answer;
  try {
    answer = await api.POST('/api/sites/{siteId}/orders', { params: { path: { siteId } }, body });
  } catch {
    const found = await findOrder(body.id, true);
    if (typeof found === 'object') {
      return found.order;
    }

    throw found === 'absent'
      ? new Error(
          'The connection was lost before the order arrived: nothing was ordered, and what you typed is still here. Order again.',
        )
      : new AnswerLost();
  }

  if (answer.response.status === 409) {
    return 'stale';
  }

  if (answer.data === undefined) {
    throw new Refused(answer.response.status, answer.error);
  }

  return answer.data;
}

const keyOf = (siteId: string, letter: string) => `home-start.order.${siteId}.${letter}`;

/**
 * The id that an order of this candidate goes under: it outlives a reload, so that what was placed once is not placed
 * again.
 */
export const placingId = {
  kept: (siteId: string, letter: string) => localStorage.getItem(keyOf(siteId, letter)),
  make: (siteId: string, letter: string) => {
    const kept = placingId.kept(siteId, letter) ?? crypto.randomUUID();
    localStorage.setItem(keyOf(siteId, letter), kept);
    return kept;
  },
  drop: (siteId: string, letter: string) => localStorage.removeItem(keyOf(siteId, letter)),
};
