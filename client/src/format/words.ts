const numbers = ['no', 'one', 'two', 'three', 'four', 'five', 'six', 'seven', 'eight', 'nine', 'ten'];

const counted = new Intl.NumberFormat('en-GB');

/** "5,000": how many of something. */
export const count = (number: number) => counted.format(number);

/** "three years", "30 months". */
export function span(months: number): string {
  if (months % 12 === 0) {
    const years = months / 12;
    return years === 1 ? 'one year' : `${numbers[years] ?? years} years`;
  }

  return months === 1 ? 'one month' : `${months} months`;
}

/** "3 years", for a table's head or a control. */
export function shortSpan(months: number): string {
  const [count, unit] = months % 12 === 0 ? [months / 12, 'year'] : [months, 'month'];
  return `${count} ${unit}${count === 1 ? '' : 's'}`;
}

/** "every 12 months", "monthly, committed for 12 months". */
export function wayToPay(everyMonths: number, commitMonths: number): string {
  const every = everyMonths === 1 ? 'monthly' : `every ${everyMonths} months`;
  return commitMonths === everyMonths ? every : `${every}, committed for ${commitMonths} months`;
}

/** "yearly", for a slip's title. */
export function cycleWord(everyMonths: number): string {
  return everyMonths === 1 ? 'monthly' : everyMonths === 12 ? 'yearly' : shortSpan(everyMonths);
}

/** "39.00 a year". */
export function perWord(every: string): string {
  return { once: 'once', month: 'a month', year: 'a year', cycle: 'each bill' }[every] ?? every;
}
