import type { Schemas } from '../../../api/client';
import type { Paid, ReadPlan, ReadWay } from '../../../api/pages';

export const paidWords = (paid: Paid) =>
  ({
    'at-once': 'all at once',
    'monthly-bound': 'every month, committed',
    'monthly-free': 'every month, free to leave',
  })[paid];

export const perWords = ({ per }: ReadWay) =>
  per === 'month' ? 'a month' : per === 'year' ? 'a year' : 'for the term';

export function termWords(months: number | null | undefined, free: number) {
  const term = !months ? 'for how long is not said' : months === 1 ? 'for 1 month' : `for ${months} months`;
  return free > 0 ? `${term} and ${free} more free` : term;
}

export function laterWords({ later }: ReadWay) {
  if (later === 'same') {
    return 'the same afterwards';
  }

  const then = later as { price: string; per: string } | null;
  return then
    ? `afterwards ${then.price} ${then.per === 'year' ? 'a year' : then.per === 'month' ? 'a month' : 'for the term'}`
    : 'what follows is not said';
}

const features: [string, (value: unknown) => string][] = [
  ['websites', (value) => counted(value, 'website')],
  ['storageGB', (value) => (value === 'unlimited' ? 'unlimited storage' : `${String(value)} GB storage`)],
  ['mailboxes', (value) => counted(value, 'mailbox', 'mailboxes')],
  ['transferGB', (value) => (value === 'unlimited' ? 'unlimited traffic' : `${String(value)} GB traffic`)],
  ['databases', (value) => counted(value, 'database')],
];

/** "3 websites, 20 GB storage, a domain": what a plan has, as far as it fits on a line. */
export function featureList({ features: has, domain, includes }: ReadPlan) {
  const words = features.filter(([key]) => key in has).map(([key, say]) => say(has[key]));
  return [...words, domain && 'a domain', ...includes.map((kind) => kind.replaceAll('-', ' '))]
    .filter(Boolean)
    .join(', ');
}

function counted(value: unknown, one: string, many = `${one}s`) {
  return value === 1 ? `1 ${one}` : `${String(value)} ${many}`;
}

export const whyWords = (why: string) =>
  ({
    worth: 'what something is said to be worth',
    saving: 'a saving',
    total: 'a sum of other prices',
    example: 'an example, or what somebody says',
    'other-term': 'for another length of time',
    'other-currency': 'in another currency',
    'not-hosting': 'not for hosting',
    unit: 'the price of one piece',
  })[why] ?? 'what it is for is not clear';

/** The words of a page in pieces, those that a value was read from apart. */
export function marked({ text, sources }: Pick<Schemas['PageReadingWire'], 'text' | 'sources'>) {
  const pieces: { words: string; isRead: boolean }[] = [];
  let at = 0;
  for (const { from, to } of [...sources].sort((one, other) => one.from - other.from || one.to - other.to)) {
    if (to <= at) {
      continue;
    }

    const start = Math.max(from, at);
    if (start > at) {
      pieces.push({ words: text.slice(at, start), isRead: false });
    }

    pieces.push({ words: text.slice(start, to), isRead: true });
    at = to;
  }

  return at < text.length ? [...pieces, { words: text.slice(at), isRead: false }] : pieces;
}
