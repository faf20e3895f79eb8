import type { Book, Schemas } from '../api/wire/client';
import { longDay, shortDay } from './dates';
import { money } from './money';
import { span } from './words';

/** Why a code does not count. */
export function verdictWords(verdict: Schemas['CodeWire'], book: Book): string {
  const wants = verdict.makesItCount;
  switch (verdict.verdict) {
    case 'unknown':
      return `${book.provider} does not know this code. Check how it is spelt.`;
    case 'not-yet':
      return wants?.onOrAfter ? `It counts from ${longDay(wants.onOrAfter)} on.` : 'It does not count yet.';
    case 'expired':
      return wants?.onOrBefore ? `It expired on ${shortDay(wants.onOrBefore)}.` : 'It has expired.';
    case 'new-customers-only':
      return 'It is for new customers only.';
    case 'other-plans-only':
      return `It counts with ${planNames(book, wants?.plans ?? []) || 'other plans'} only.`;
    case 'cycle-too-short':
      return `It counts when you pay for ${wants?.everyMonths ?? 'more'} months or more at a time.`;
    case 'cannot-combine':
      return `It cannot stand beside ${wants?.without ?? 'another code'}: keep one of them.`;
    case 'nothing-to-discount':
      return 'There is nothing here that it takes anything off.';
    default:
      return 'It does not count.';
  }
}

const lines: Record<string, string> = {
  plan: 'the plan',
  dataCentre: 'the data centre',
  setup: 'the set-up fee',
  domain: 'the domain',
  addOn: 'the extras',
};

/** "Tidemarsh Hosting: 25% off the plan, on the first bill, if you pay for 12 months or more." */
export function promotionWords(code: Schemas['KnownCodeWire'], book: Book): string {
  const off = code.percent ? `${code.percent}% off` : `${money(code.amount ?? '0', code.currency)} off`;
  const what = code.appliesTo.map((match) => lineWords(match, book)).join(' and ');
  const bills =
    code.bills === null ? 'on every bill' : code.bills === 1 ? 'on the first bill' : `on the first ${code.bills} bills`;
  const conditions = [
    code.plans.length > 0 && `with ${planNames(book, code.plans)}`,
    code.minEveryMonths && `if you pay for ${span(code.minEveryMonths)} or more at a time`,
    code.newCustomersOnly && 'for new customers',
    code.from && `from ${shortDay(code.from)}`,
    code.until && `until ${shortDay(code.until)}`,
    !code.combinable && 'not beside another code',
  ].filter(Boolean);
  return `${book.provider}: ${[`${off} ${what}`, bills, ...conditions].join(', ')}.`;
}

function lineWords(match: string, book: Book): string {
  const [kind = '', of] = match.split(':');
  return of === undefined
    ? (lines[kind] ?? kind)
    : kind === 'domain'
      ? `.${of} domains`
      : (book.addOns.find((addOn) => addOn.id === of)?.name ?? of);
}

function planNames(book: Book, ids: readonly string[]): string {
  return ids.map((id) => book.plans.find((plan) => plan.id === id)?.name ?? id).join(' or ');
}
