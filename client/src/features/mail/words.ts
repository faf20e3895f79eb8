import type { Schemas } from '../../api/wire/client';
import { ago } from '../../format/dates';

type Unsent = Schemas['UnsentLetterWire'];

/** How far a mail has come that is not sent yet. */
export function unsentWords(letter: Unsent, older: Unsent[]): string {
  if (letter.nextAt === null) {
    return 'The mail server will not have it: the address may be wrong.';
  }

  if (letter.tries === 0) {
    return older.some((one) => one.to === letter.to && one.nextAt !== null)
      ? 'goes after the older mail to the same address'
      : 'being sent';
  }

  const tries = letter.tries === 1 ? 'one try' : `${letter.tries} tries`;
  return `Not taken yet after ${tries}; to be tried again ${ago(letter.nextAt)}.`;
}
