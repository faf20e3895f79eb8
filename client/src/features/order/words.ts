import type { Schemas } from '../../api/client';
import { money } from '../../format/money';

export const stateWords: Record<Schemas['OrderState'], string> = {
  working: 'under way',
  'needs-card': 'waits for another card',
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
};

/** A step in the owner's words. */
export function stepWords(step: Schemas['OrderStepWire']): string {
  const sum = step.amount && step.currency ? money(step.amount, step.currency) : '';
  switch (step.kind) {
    case 'hold':
      return `Hold ${sum} on the card for ${step.seller}`;
    case 'prepare':
      return `Prepare the hosting at ${step.seller}`;
    case 'register':
      return `Register ${step.domain} through ${step.seller}`;
    case 'join':
      return `Point ${step.domain} at the hosting`;
    case 'capture':
      return `Take the ${sum} for ${step.seller}`;
  }
}
