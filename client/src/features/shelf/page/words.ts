import { span } from '../../../format/words';
import type { Paid, PageReading, PageReview, ReadPlan, ReadWay } from '../../../api/books/pages';

export const paidWords = (paid: Paid) =>
  ({
    'at-once': 'paid all at once',
    'monthly-bound': 'paid every month, committed',
    'monthly-free': 'paid every month, free to leave',
  })[paid];

export const perWords = (per: string) => (per === 'month' ? 'a month' : per === 'year' ? 'a year' : 'for the term');

export const termWords = (months: number) => (months === 1 ? 'for 1 month' : `for ${months} months`);

export const freeWords = (months: number) => (months === 1 ? '1 more free' : `${months} more free`);

export function laterWords({ later }: Pick<ReadWay, 'later'>, sum = (amount: string) => amount) {
  if (later === 'same') {
    return 'the same afterwards';
  }

  const then = later as { price: string; per: string } | null;
  return then ? `afterwards ${sum(then.price)} ${perWords(then.per)}` : 'what follows is not said';
}

/** "3 websites", "unlimited storage", "own certificate". */
export function featureWords(key: string, value: unknown) {
  switch (key) {
    case 'storageGB':
      return value === 'unlimited' ? 'unlimited storage' : `${String(value)} GB storage`;
    case 'transferGB':
      return value === 'unlimited' ? 'unlimited traffic' : `${String(value)} GB traffic a month`;
    case 'monthlyVisits':
      return `${String(value)} visits a month`;
    case 'certificate':
      return `${value === 'shared' ? 'a' : value === 'own' ? 'an own' : 'a wildcard'} certificate`;
    case 'ownIp':
      return value ? 'its own IP address' : 'no IP address of its own';
    case 'installer':
      return value ? 'a one-click installer' : 'no installer';
    case 'platforms':
      return Array.isArray(value) ? value.join(' or ') : String(value);
    case 'mailboxes':
      return counted(value, 'mailbox', 'mailboxes');
    default:
      return counted(value, key.replace(/s$/, ''), key);
  }
}

function counted(value: unknown, one: string, many: string) {
  return value === 1 ? `1 ${one}` : `${String(value)} ${many}`;
}

/** What the figure beside a plan holds, and what it does not. */
export const costWords = ({ months, notSaid }: NonNullable<PageReview['costs'][number]>) =>
  `over ${span(months)}${notSaid.length > 0 ? `: the page does not say ${notSaid.join(' and ')}` : ''}`;

/** A note on a value that the page leaves open; null where a question or "not said" says it already. */
export const doubtWords = (code: string) =>
  ({
    'from-price': 'The page says “from”: a larger price may be asked.',
    'limited-time': 'Something of it is for a limited time.',
    'free-months': 'The free months count in no price.',
    'two-values': 'The page says two things of it.',
  })[code] ?? null;

export const planName = ({ name }: Pick<ReadPlan, 'name'>, index: number) => name ?? `plan ${index + 1}`;

/** The part of a plan that a place names: "price" of "/plans/0/ways/1/price". */
export const fieldOf = (at: string) => at.replace(/^\/plans\/\d+\/(?:ways\/\d+\/)?/, '').replace(/^later\/.*/, 'later');

export const fieldWords = (field: string) =>
  ({
    name: 'The name',
    price: 'The price',
    per: 'What the price is for',
    months: 'How long it holds',
    freeMonths: 'The free months',
    paid: 'How it is paid',
    struck: 'The price before',
    later: 'The later price',
    setupFee: 'The set-up fee',
    domain: 'The domain in the price',
  })[field] ?? 'This';

const counts = ['websites', 'storageGB', 'transferGB', 'monthlyVisits', 'mailboxes', 'databases', 'subdomains'];

/** The likely answers for a part, to press. */
export function choicesOf(field: string): { value: string | null; words: string }[] {
  switch (field) {
    case 'months':
      return [1, 12, 24, 36].map((months) => ({ value: String(months), words: termWords(months) }));
    case 'paid':
      return (['at-once', 'monthly-bound', 'monthly-free'] as const).map((value) => ({
        value,
        words: paidWords(value),
      }));
    case 'later':
      return [
        { value: 'same', words: 'The same afterwards' },
        { value: null, words: 'The page does not say it' },
      ];
    default:
      return field.startsWith('features/') && counts.includes(field.slice(9))
        ? [{ value: 'unlimited', words: 'Unlimited' }]
        : [];
  }
}

export const isRemovable = (field: string) =>
  field === 'struck' || field === 'setupFee' || field === 'domain' || field.startsWith('features/');

export const isMovable = (field: string) => isRemovable(field) || field === 'later';

/** What stands in the box when a value is opened. */
export function typedOf(plan: ReadPlan, at: string): string {
  const field = fieldOf(at);
  const way = plan.ways[Number(/\/ways\/(\d+)\//.exec(at)?.[1] ?? 0)];
  const later = way?.later as { price: string; per: string } | string | null | undefined;
  const known: Record<string, unknown> = {
    name: plan.name,
    price: way?.price,
    months: way?.months,
    freeMonths: way?.freeMonths,
    struck: way?.struck,
    setupFee: /\/ways\//.test(at) ? way?.setupFee : plan.setupFee,
    later: later && typeof later === 'object' ? `${later.price} ${later.per}` : null,
    domain: plan.domain?.endings.join(' '),
  };
  const value = field.startsWith('features/') ? plan.features[field.slice(9)] : known[field];
  return typeof value === 'string' || typeof value === 'number' ? String(value) : '';
}

/** What an amount that was left out may be, of a plan's first way to pay. */
export const placeable = [
  { field: 'ways/0/price', words: 'the price' },
  { field: 'ways/0/later', words: 'the later price' },
  { field: 'ways/0/struck', words: 'the price before' },
  { field: 'setupFee', words: 'the set-up fee' },
];

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

/** Whether a source is of a value, or of a part of it: ".../later/price" is of ".../later". */
export const isOf = (source: string, value: string) => source === value || source.startsWith(`${value}/`);

/** The value that a source is of, as the table has it. */
export const valueOf = (source: string) => source.replace(/\/later\/(price|per)$/, '/later');

/** Words as they are shown: raised figures stand behind a thin space, where a point is read. */
export const shownWords = (words: string) => words.replaceAll('\u200a', '.');

/** The words of a page in pieces, each with the places of all the values that were read from it. */
export function marked({ text, sources }: Pick<PageReading, 'text' | 'sources'>) {
  const cuts = [...new Set([0, text.length, ...sources.flatMap(({ from, to }) => [from, to])])].sort(
    (one, other) => one - other,
  );
  const byStart = [...sources].sort((one, other) => one.from - other.from);
  const pieces: { words: string; ats: string[] }[] = [];
  let open: typeof sources = [];
  let next = 0;
  cuts.slice(0, -1).forEach((from, index) => {
    open = open.filter(({ to }) => to > from);
    while (next < byStart.length && byStart[next]!.from <= from) {
      open = byStart[next]!.to > from ? [...open, byStart[next]!] : open;
      next++;
    }

    pieces.push({ words: text.slice(from, cuts[index + 1]), ats: open.map(({ at }) => at) });
  });
  return pieces;
}
