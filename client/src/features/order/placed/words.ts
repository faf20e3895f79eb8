import type { Schemas } from '../../../api/wire/client';
import { money } from '../../../format/money';

export const stateWords: Record<Schemas['OrderState'], string> = {
  working: 'under way',
  'needs-payment': 'waits for another way to pay',
  'needs-confirmation': 'waits for your yes at the bank or wallet',
  'needs-transfer': 'waits for your bank transfer',
  'needs-time': 'the domain is on its way',
  'needs-patience': 'waits for you to try again',
  undoing: 'being undone',
  cancelled: 'called off, nothing charged',
  completed: 'done',
};

export const statusWords: Record<Schemas['StepState'], string> = {
  waiting: 'not yet',
  trying: 'under way',
  'no-answer': 'no answer',
  done: 'done',
  refused: 'refused',
  undoing: 'being undone',
  undone: 'undone',
  pending: 'waiting',
  dropped: 'not had, not paid',
};

const on: Record<Schemas['PayWay'], string> = {
  card: 'on the card',
  wallet: 'in your wallet',
  invoice: 'from your transfer',
  balance: 'of your balance',
};

/** A step in the owner's words. */
export function stepWords(step: Schemas['OrderStepWire']): string {
  const sum = step.amount && step.currency ? money(step.amount, step.currency) : '';
  switch (step.kind) {
    case 'hold':
      return step.way === 'invoice'
        ? `Wait for your transfer of ${sum} to ${step.seller}`
        : `Hold ${sum} ${on[step.way]} for ${step.seller}`;
    case 'prepare':
      return `Prepare the hosting at ${step.seller}`;
    case 'transfer':
      return `Move ${step.domain} to ${step.seller}`;
    case 'register':
      return `Register ${step.domain} through ${step.seller}`;
    case 'join':
      return `Point ${step.domain} at the hosting`;
    case 'capture':
      return `Take the ${sum} for ${step.seller}`;
  }
}
