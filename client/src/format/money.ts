/** Figures come from the server as decimal strings; here they are only written the British way. */

function decimalsOf(amount: string): number {
  const point = amount.indexOf('.');
  return point < 0 ? 0 : amount.length - point - 1;
}

// Making a formatter takes longer than using it a hundred times.
const formatters = new Map<string, Intl.NumberFormat>();

function formatter(amount: string, currency?: string): Intl.NumberFormat {
  const decimals = decimalsOf(amount);
  const key = `${decimals}${currency ?? ''}`;
  const known = formatters.get(key);
  if (known) {
    return known;
  }

  const made = new Intl.NumberFormat('en-GB', {
    ...(currency && { style: 'currency', currency }),
    minimumFractionDigits: decimals,
    maximumFractionDigits: decimals,
  });
  formatters.set(key, made);
  return made;
}

/** "£83.20": a lone sum always says its currency. */
export function money(amount: string, currency: string): string {
  return formatter(amount, currency)
    .format(amount as Intl.StringNumericLiteral)
    .replace('-', '−');
}

/** "1,083.20": in a table whose head says the currency. */
export function figure(amount: string): string {
  return formatter(amount)
    .format(amount as Intl.StringNumericLiteral)
    .replace('-', '−');
}

export interface Sum {
  amount: string;
  atLeast: boolean;
}

/** A sum as it is said: "£83.20", "at least £83.20", or "not stated" where nothing of it is. */
export const sumMoney = (sum: Sum, currency: string) => said(sum, money(sum.amount, currency));

/** So in a table whose head says the currency. */
export const sumFigure = (sum: Sum) => said(sum, figure(sum.amount));

function said({ amount, atLeast }: Sum, words: string): string {
  return !atLeast ? words : isZero(amount) ? 'not stated' : `at least ${words}`;
}

/** What a choice would change: "adds £12.00", "saves £3.40", "changes nothing". */
export function change(amount: string, currency: string): string {
  if (isZero(amount)) {
    return 'changes nothing';
  }

  return amount.startsWith('-') ? `saves ${money(amount.slice(1), currency)}` : `adds ${money(amount, currency)}`;
}

/** A difference without its sign, and the word for it: "£3.40", "less". */
export function moreOrLess(difference: string, currency: string): { sum: string; word: 'more' | 'less' } {
  const isLess = difference.startsWith('-');
  return { sum: money(isLess ? difference.slice(1) : difference, currency), word: isLess ? 'less' : 'more' };
}

export function isZero(amount: string): boolean {
  return /^-?[0.]+$/.test(amount);
}

/** What is due next, where something is: a bill of nothing is none. */
export const dueNext = <T extends { total: string; atLeast: boolean }>(next: T | null | undefined): T | null =>
  next && (next.atLeast || !isZero(next.total)) ? next : null;

export function currencySign(currency: string): string {
  return (
    new Intl.NumberFormat('en-GB', { style: 'currency', currency })
      .formatToParts(0)
      .find((part) => part.type === 'currency')?.value ?? currency
  );
}

/** "pounds" where a word is plainer than a code. */
export function currencyWord(currency: string): string {
  return (
    { GBP: 'pounds', EUR: 'euros', USD: 'US dollars', JPY: 'yen' }[currency] ?? currencyNames.of(currency) ?? currency
  );
}

const currencyNames = new Intl.DisplayNames('en-GB', { type: 'currency' });
