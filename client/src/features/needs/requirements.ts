import type { Schemas } from '../../api/wire/client';
import { needWords } from '../../format/needs';

export type Needs = Schemas['NeedsWire'];
export type NumberNeed =
  'websites' | 'storageGB' | 'monthlyVisits' | 'mailboxes' | 'databases' | 'subdomains' | 'transferGB';

/** "at least 5 GB of storage"; nothing where nothing is asked. */
export function atLeast(needs: Needs, ...names: NumberNeed[]): string {
  return names
    .filter((need) => needs[need] > 0)
    .map((need) => `at least ${needWords({ need, wants: needs[need] })}`)
    .join(', ');
}

/** What a site is for, and what that asks of a plan: said at once, and the owner's to change. */
export interface Purpose {
  words: string;
  asks: Pick<Needs, 'storageGB' | 'databases' | 'installer'>;
}

export const purposes: readonly Purpose[] = [
  { words: 'a few pages about us', asks: { storageGB: 1, databases: 0, installer: false } },
  { words: 'pages with photographs', asks: { storageGB: 5, databases: 0, installer: false } },
  { words: 'news or articles we write ourselves', asks: { storageGB: 5, databases: 1, installer: true } },
  { words: 'a catalogue or shop', asks: { storageGB: 10, databases: 1, installer: true } },
];

const asksNothing: Purpose['asks'] = { storageGB: 0, databases: 0, installer: false };

/**
 * The place of the purpose that asks what is asked; "" for nothing, "own" where the owner wrote requirements of their
 * own.
 */
export function purposeOf(needs: Needs): string {
  const same = (asks: Purpose['asks']) =>
    asks.storageGB === needs.storageGB && asks.databases === needs.databases && asks.installer === needs.installer;
  const at = purposes.findIndex((purpose) => same(purpose.asks));
  return at >= 0 ? String(at) : same(asksNothing) ? '' : 'own';
}

export const asksOf = (choice: string): Purpose['asks'] => purposes[Number(choice || 'none')]?.asks ?? asksNothing;

/** Rough numbers to choose from; the requirement takes any. */
export const visitors = [500, 2000, 5000, 20000, 50000, 200000];

/** "mostly" words for how sure the owner is, as the chance in percent that the site still runs a year on. */
export const chances: readonly (readonly [percent: string, words: string])[] = [
  ['95', 'almost certain'],
  ['80', 'fairly sure'],
  ['50', 'fifty-fifty'],
  ['25', 'only trying it out'],
];
