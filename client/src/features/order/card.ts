/** A card as typed. It goes to the card processor's own address and nowhere else. */
export interface Card {
  number: string;
  expires: string;
  code: string;
}

/** A field of the card that the processor could not take. */
export class CardFault extends Error {
  readonly field: keyof Card;

  constructor(field: keyof Card, message: string) {
    super(message);
    this.field = field;
  }
}

/** Hands the card to the processor, without our cookies; comes back with a token that stands for it. */
export async function cardToken(processor: string, card: Card): Promise<{ token: string; ending: string }> {
  let answer: Response;
  try {
    answer = await fetch(`${processor}/cards`, {
      method: 'POST',
      credentials: 'omit',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify(card),
    });
  } catch {
    throw new CardFault('number', 'The card processor does not answer. Nothing was ordered; try again in a while.');
  }

  if (answer.status === 422) {
    const { field, message } = (await answer.json()) as { field: keyof Card; message: string };
    throw new CardFault(field, message);
  }

  if (!answer.ok) {
    throw new CardFault(
      'number',
      'The card processor does not work at the moment. Nothing was ordered; try again in a while.',
    );
  }

  return (await answer.json()) as { token: string; ending: string };
}
