const counted = new Intl.NumberFormat('en-GB');

/** "5,000": how many of something. */
export const count = (number: number) => counted.format(number);

/** "1 year", "3 years", "30 months", as the server says it (`DurationWords`). */
export function span(months: number): string {
  const [count, unit] = months % 12 === 0 ? [months / 12, 'year'] : [months, 'month'];
  return `${count} ${unit}${count === 1 ? '' : 's'}`;
}

/** "this year", "these 3 years": the time that is counted. */
export const theseMonths = (months: number): string =>
  months === 1 ? 'this month' : months === 12 ? 'this year' : `these ${span(months)}`;

/** "yearly", "every 3 years", "monthly, committed for 1 year". */
export function wayToPay(everyMonths: number, commitMonths: number): string {
  const every = everyMonths === 1 ? 'monthly' : everyMonths === 12 ? 'yearly' : `every ${span(everyMonths)}`;
  return commitMonths === everyMonths ? every : `${every}, committed for ${span(commitMonths)}`;
}

/** "39.00 a year". */
export function perWord(every: string): string {
  return { once: 'once', month: 'a month', year: 'a year', cycle: 'each bill' }[every] ?? every;
}
