import { monthAndYear } from '../format/typedDates';
import { cardAnswerOf } from './wire/shapes';

/** A card as typed. It goes to the card processor's own address and nowhere else. */
export interface Card {
  number: string;
  expires: string;
  code: string;
}

export interface CardFault {
  field: keyof Card;
  message: string;
}

/** The fields of the card that the processor could not take. */
export class CardFaults extends Error {
  readonly faults: CardFault[];

  constructor(faults: CardFault[]) {
    super(faults[0]?.message);
    this.faults = faults;
  }
}

const down = (words: string) =>
  new CardFaults([
    { field: 'number', message: `The card processor ${words}. Nothing was ordered. Try again in a while.` },
  ]);

/** Hands the card to the processor, without our cookies; comes back with a token that stands for it. */
export async function cardToken(processor: string, card: Card): Promise<{ token: string; ending: string }> {
  let answer: Response;
  try {
    answer = await fetch(`${processor}/cards`, {
      method: 'POST',
      credentials: 'omit',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify({ ...card, expires: monthAndYear(card.expires) }),
    });
  } catch {
    throw down('is not answering');
  }

  if (!answer.ok) {
    throw down('is not working at the moment');
  }

  const said = cardAnswerOf(await answer.json().catch(() => null));
  if (!said) {
    throw down('gave an answer that makes no sense');
  }

  if ('faults' in said) {
    throw new CardFaults(said.faults);
  }

  return said;
}
