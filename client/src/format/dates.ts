/** Days come as "2026-12-01" and mean that day everywhere: they are read and written as UTC. */
function utc(day: string): Date {
  return new Date(`${day}T00:00:00Z`);
}

const long = new Intl.DateTimeFormat('en-GB', { day: 'numeric', month: 'long', year: 'numeric', timeZone: 'UTC' });
const short = new Intl.DateTimeFormat('en-GB', { day: 'numeric', month: 'short', year: 'numeric', timeZone: 'UTC' });
const month = new Intl.DateTimeFormat('en-GB', { month: 'long', year: 'numeric', timeZone: 'UTC' });
const shortMonth = new Intl.DateTimeFormat('en-GB', { month: 'short', year: 'numeric', timeZone: 'UTC' });

export const longDay = (day: string) => long.format(utc(day));
export const shortDay = (day: string) => short.format(utc(day));
export const monthOf = (day: string) => month.format(utc(day));
export const shortMonthOf = (day: string) => shortMonth.format(utc(day));

/** Milliseconds, for drawing to scale only. */
export const instant = (day: string) => utc(day).getTime();

const spans = [
  [86_400, 'day'],
  [3600, 'hour'],
  [60, 'minute'],
] as const;

/**
 * "12 minutes ago", "just now", "in 2 minutes": how far a moment of the real clock is away. Its date is never told: the
 * only date an owner sees is the business date, which may be another.
 */
export function ago(at: string, now: number = Date.now()): string {
  const seconds = Math.round((now - new Date(at).getTime()) / 1000);
  const found = spans.find(([size]) => Math.abs(seconds) >= size);
  if (!found) {
    return seconds >= 0 ? 'just now' : 'in a moment';
  }

  const count = Math.floor(Math.abs(seconds) / found[0]);
  const words = `${count} ${found[1]}${count === 1 ? '' : 's'}`;
  return seconds > 0 ? `${words} ago` : `in ${words}`;
}

const hour = new Intl.DateTimeFormat('en-GB', { hour: '2-digit', minute: '2-digit' });

/** The time of day of a moment, where the reader is: "23:40". */
export const clockTime = (at: string) => hour.format(new Date(at));
