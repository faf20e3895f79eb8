import type { Outcome } from '../../api/wire/client';
import { change, isZero } from '../../format/money';
import { span } from '../../format/words';

/**
 * ": adds £12.00 over 3 years, £4.00 today", for an option of a list; nothing where it cannot be costed or compared.
 */
export function outcomeWords(
  outcome: Pick<Outcome, 'currency' | 'horizonChange' | 'todayChange'> | null,
  horizonMonths: number,
): string {
  if (!outcome?.horizonChange || !outcome.todayChange) {
    return '';
  }

  const whole = isZero(outcome.horizonChange)
    ? 'changes nothing'
    : `${change(outcome.horizonChange, outcome.currency)} over ${span(horizonMonths)}`;
  const today = isZero(outcome.todayChange) ? '' : `; today ${change(outcome.todayChange, outcome.currency)}`;
  return `: ${whole}${today}`;
}
