import type { Schemas } from '../api/wire/client';
import { useSite } from '../api/site/site';
import { wayToPay } from './words';

type SlipData = Schemas['SlipWire'];

/** The owner's word for it, else what it is: the provider's first word does where the plan is named beside it. */
export function slipTitle(slip: SlipData): string {
  if (slip.name) {
    return slip.name;
  }

  const plan = slip.plan ? `${slip.provider?.split(' ')[0]} ${slip.plan}` : null;
  return plan
    ? plan + (slip.everyMonths ? `, ${wayToPay(slip.everyMonths, slip.everyMonths)}` : '')
    : (slip.domain ?? 'Nothing chosen yet');
}

/** A candidate's name by its letter, as the shortlist has it. */
export function useTitles() {
  const { page } = useSite();
  return (letter: string) => {
    const slip = page.shortlist.find((known) => known.letter === letter);
    return slip ? slipTitle(slip) : letter;
  };
}
