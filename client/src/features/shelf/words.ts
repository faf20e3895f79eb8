import type { Schemas } from '../../api/client';
import { money } from '../../format/money';
import { wayToPay } from '../../format/words';

type Part = Schemas['BookPart'];

/** "slipway 12/12" in words: "slipway, every 12 months". */
function refWords(ref: string): string {
  const [, plan, every, commit] = /^(.*?) ?(\d+)\/(\d+)$/.exec(ref) ?? [];
  return every && commit ? `${plan}, ${wayToPay(Number(every), Number(commit))}` : ref;
}

const parts: Record<Part, (ref: string) => string> = {
  currency: () => 'the currency',
  tax: () => 'how tax is counted',
  refund: () => 'what leaving early gives back',
  plan: (ref) => `the plan ${ref}`,
  'way-to-pay': (ref) => `the way to pay ${ref}`,
  'first-price': (ref) => `the first price of ${ref}`,
  'later-price': (ref) => `the later price of ${ref}`,
  'setup-fee': (ref) => `the set-up fee of ${ref}`,
  'price-steps': (ref) => `how long the prices hold of ${ref}`,
  'plan-features': (ref) => `what the plan ${ref} allows`,
  'included-domain': (ref) => `the domain-year that ${ref} gives`,
  'data-centre': (ref) => `the data centre ${ref}`,
  extra: (ref) => `the extra ${ref}`,
  'extra-later': (ref) => `the later price of the extra ${ref}`,
  ending: (ref) => `the ending .${ref}`,
  registering: (ref) => `the first year of .${ref}`,
  renewing: (ref) => `each later year of .${ref}`,
  code: (ref) => `the code ${ref}`,
};

export const partWords = (part: Part, ref: string): string => parts[part](refWords(ref));

/** "the later price of slipway, every 12 months: dearer, £107.88 became £131.88". */
export function changeWords({ part, ref, kind, from, to, currency }: Schemas['BookChangeWire']): string {
  const what = partWords(part, ref);
  const sum = (amount: string | null) => (amount && currency ? money(amount, currency) : 'not stated');
  switch (kind) {
    case 'dearer':
    case 'cheaper':
      return `${what}: ${kind}, ${sum(from)} became ${sum(to)}`;
    case 'new':
      return `${what} is new`;
    case 'gone':
      return `${what} is gone`;
    case 'now-stated':
      return `${what} is stated now: ${sum(to)}`;
    case 'no-longer-stated':
      return `${what} is not stated any more; it was ${sum(from)}`;
    case 'changed':
      return `${what} changed`;
  }
}
