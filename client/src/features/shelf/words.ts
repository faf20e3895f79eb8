import type { Schemas } from '../../api/wire/client';
import { money } from '../../format/money';
import { wayToPay } from '../../format/words';

type Part = Schemas['BookPart'];
type PriceList = Schemas['PriceListWire'];

/** "slipway 12/12" in words, with the name the book gives: "Slipway, yearly". */
function refWords(ref: string, name: string | null): string {
  const [, plan, every, commit] = /^(.*?) ?(\d+)\/(\d+)$/.exec(ref) ?? [];
  return every && commit ? `${name ?? plan}, ${wayToPay(Number(every), Number(commit))}` : (name ?? ref);
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

export const partWords = (part: Part, ref: string, name: string | null): string => parts[part](refWords(ref, name));

/** "the later price of slipway, yearly: dearer, £107.88 became £131.88". */
export function changeWords({ part, ref, name, kind, from, to, currency }: Schemas['BookChangeWire']): string {
  const what = partWords(part, ref, name);
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

/** What changing plan or way to pay does at a seller. */
export function changeRuleWords(rule: PriceList['change']): string {
  const credit =
    rule?.creditsDays == null
      ? 'Whether unused days are credited is not stated'
      : rule.creditsDays
        ? 'The days that are left are credited'
        : 'Nothing is credited for the days that are left';
  const price =
    rule?.firstPrice == null
      ? 'whether the first price counts again is not stated'
      : rule.firstPrice
        ? 'the first price of the new plan counts'
        : 'the new plan starts at its later price';
  return `${credit}; ${price}.`;
}

/** What follows when a domain is not renewed, with the endings for which it is so. */
export function lapses({ book, endings }: PriceList): [rule: string, endings: string][] {
  const days = (count: number | null) => (count === null ? 'days not stated' : `${count} days`);
  const rule = ({ lapse }: PriceList['endings'][number]) =>
    lapse
      ? `for ${days(lapse.graceDays)} it can be renewed as usual, then for ${days(lapse.redemptionDays)} at a fee ${lapse.redemptionFee === null ? 'that is not stated' : `of ${money(lapse.redemptionFee, book.currency)}`}; ${days(lapse.pendingDays)} later it is gone`
      : 'not stated';
  return [...new Set(endings.map(rule))].map((words) => [
    words,
    endings
      .filter((ending) => rule(ending) === words)
      .map(({ ending }) => `.${ending}`)
      .join(' '),
  ]);
}
