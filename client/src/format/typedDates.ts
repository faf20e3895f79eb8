const months = ['jan', 'feb', 'mar', 'apr', 'may', 'jun', 'jul', 'aug', 'sep', 'oct', 'nov', 'dec'];

// "12/29" and its like, "1229", "Dec 2029": the month, then the year.
const monthShapes = [
  /^(\d{1,2})\s*[/.\- ]\s*((?:20)?\d{2})$/,
  /^(\d{2})((?:20)?\d{2})$/,
  /^([a-z]{3})[a-z]*\.?\s*((?:20)?\d{2})$/,
];

/** The number of a month that is written as a word or a number; 0: it is none. */
const monthOf = (said: string) => months.indexOf(said.slice(0, 3)) + 1 || Number(said) || 0;

const yearOf = (said: string) => (said.length === 2 ? 2000 + Number(said) : Number(said));

/** A month and year taken apart; null where it is none. */
function monthYear(typed: string): { month: number; year: number } | null {
  const words = typed.trim().toLowerCase();
  const [, said = '', year = ''] = monthShapes.map((shape) => shape.exec(words)).find((match) => match !== null) ?? [];
  const month = monthOf(said);
  return month >= 1 && month <= 12 ? { month, year: yearOf(year) } : null;
}

/**
 * A month and year as people type them, as cards have them: "12/29". What is no month and year stays as it was typed,
 * for the card processor to say so.
 */
export function monthAndYear(typed: string): string {
  const read = monthYear(typed);
  return read ? `${pair(read.month)}/${pair(read.year % 100)}` : typed;
}

// "2027-12-03", "3 Dec 2027", "Dec 3, 2027", "3/12/2027", "03122027": each gives day, month and year by its names.
const dayShapes = [
  /^(?<year>\d{4})[-/. ](?<month>\d{1,2})[-/. ](?<day>\d{1,2})$/,
  /^(?<year>(?:19|20)\d{2})(?<month>0\d|1[0-2])(?<day>[0-3]\d)$/,
  /^(?<day>\d{1,2})(?:st|nd|rd|th)?\s*[-/. ]?\s*(?<month>[a-z]{3,9})\.?,?\s*[-/. ]?\s*(?<year>\d{4}|\d{2})$/,
  /^(?<month>[a-z]{3,9})\.?\s*(?<day>\d{1,2})(?:st|nd|rd|th)?,?\s+(?<year>\d{4}|\d{2})$/,
  /^(?<day>\d{1,2})[-/. ](?<month>\d{1,2})[-/. ](?<year>\d{4}|\d{2})$/,
  /^(?<day>\d{2})(?<month>\d{2})(?<year>\d{4})$/,
];

/**
 * A day as people type it, as "2027-12-03"; null where it is none. With numbers alone the day comes first, unless only
 * the month can.
 * @param endsMonth Whether a month and year alone mean its last day, as on a card.
 */
export function dayTyped(typed: string, endsMonth = false): string | null {
  const words = typed.trim().toLowerCase();
  const parts = dayShapes.map((shape) => shape.exec(words)).find((match) => match !== null)?.groups;
  if (parts) {
    const [day, month, year] = [Number(parts['day']), monthOf(parts['month'] ?? ''), yearOf(parts['year'] ?? '')];
    return dayOf(year, month, day) ?? (/^\d/.test(parts['month'] ?? '') ? dayOf(year, day, month) : null);
  }

  const card = endsMonth ? monthYear(typed) : null;
  return card ? new Date(Date.UTC(card.year, card.month, 0)).toISOString().slice(0, 10) : null;
}

/**
 * What to send for a day that was typed: the day, or else the words, so that the answer can say what is wrong with
 * them.
 */
export const daySent = (typed: string, endsMonth = false): string => dayTyped(typed, endsMonth) ?? typed.trim();

const pair = (number: number) => String(number).padStart(2, '0');

// Nothing where there is no such day.
function dayOf(year: number, month: number, day: number): string | null {
  const written = `${year}-${pair(month)}-${pair(day)}`;
  const date = new Date(`${written}T00:00:00Z`);
  return !Number.isNaN(date.getTime()) && date.toISOString().startsWith(written) ? written : null;
}
