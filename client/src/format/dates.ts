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

const clock = new Intl.DateTimeFormat('en-GB', { day: 'numeric', month: 'short', hour: '2-digit', minute: '2-digit' });

/** "27 Nov, 14:05": a moment by the reader's own clock. */
export const moment = (at: string) => clock.format(new Date(at));

const hour = new Intl.DateTimeFormat('en-GB', { hour: '2-digit', minute: '2-digit' });

/** The time of day of a moment, where the reader is: "23:40". */
export const clockTime = (at: string) => hour.format(new Date(at));
