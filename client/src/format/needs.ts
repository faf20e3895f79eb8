import { count } from './words';

const counted: Record<string, readonly [one: string, many: string]> = {
  websites: ['site', 'sites'],
  storageGB: ['GB of storage', 'GB of storage'],
  monthlyVisits: ['visit a month', 'visits a month'],
  mailboxes: ['mailbox', 'mailboxes'],
  databases: ['database', 'databases'],
  subdomains: ['subdomain', 'subdomains'],
  transferGB: ['GB of traffic a month', 'GB of traffic a month'],
};

/** "1 site", "5,000 visits a month"; a need that is no number stays as it is called. */
function counting(need: string, asked: string): string {
  const words = counted[need];
  return words ? `${asked} ${words[asked === '1' ? 0 : 1]}` : `${need} ${asked}`;
}

/** The needs that are numbers. */
export const numberNeeds: readonly string[] = Object.keys(counted);

const titles: Record<string, string> = {
  websites: 'Sites',
  storageGB: 'Storage, GB',
  monthlyVisits: 'Visits a month',
  mailboxes: 'Mailboxes',
  databases: 'Databases',
  subdomains: 'Subdomains',
  transferGB: 'Traffic, GB a month',
  certificate: 'Certificate',
  platform: 'Platform',
  installer: 'Installer',
  ownIp: 'Own IP address',
  minRefundDays: 'Money back, days',
  samePrice: 'Price stays the same',
};

/** The head of a column about a need: "Sites", "Copies of the site". */
export function needTitle({ need, wants }: { need: string; wants: unknown }): string {
  const words = titles[need] ?? needWords({ need, wants });
  return words.charAt(0).toUpperCase() + words.slice(1);
}

/** How much of it is asked for, where the head does not say it: "3", "own or better"; else nothing. */
export function wantedWords({ need, wants }: { need: string; wants: unknown }): string {
  return numberNeeds.includes(need) || need === 'minRefundDays' || need === 'platform'
    ? written(wants)
    : need === 'certificate'
      ? `${written(wants)} or better`
      : '';
}

/** What the plan allows of it, where that is more than yes or no. */
export function limitWords({ need, has }: { need: string; has: unknown }): string {
  return typeof has === 'boolean' || has === null || need === 'extras' || need === 'samePrice'
    ? ''
    : need === 'regions'
      ? regionsOf(has)
      : need === 'support'
        ? channelsOf(has)
        : written(has);
}

const certificateWords: Record<string, string> = {
  shared: 'a certificate, shared or better',
  own: 'a certificate of its own',
  wildcard: 'a certificate for all subdomains',
};

/** The words an owner uses for a tag that an extra provides. */
export const tagWords: Record<string, string> = {
  backup: 'copies of the site',
  privacy: 'your address out of the public record',
  'malware-watch': 'a watch for malware',
  'search-help': 'help with being found',
  'design-help': 'help with the design',
};

export const channelWords: Record<string, string> = {
  phone: 'telephone',
  callback: 'a call back',
  chat: 'chat',
  mail: 'mail',
};

/** "You need 3 sites; this plan allows 1". */
export function reasonWords({ need, has, wants }: { need: string; has: unknown; wants: unknown }): string {
  const [asked, allowed] = [written(wants), written(has)];
  const you = `You need ${needWords({ need, wants })}`;
  switch (need) {
    case 'extras':
      return `You need ${tagWords[asked] ?? asked}; this seller doesn’t offer it`;
    case 'domain':
      return `No seller here has .${asked}`;
    case 'regions':
      return `${you}; ${has === null || regionsOf(has) === '' ? 'the seller doesn’t say where' : `theirs are in ${regionsOf(has)}`}`;
    case 'maxDueToday':
      return `You can pay ${asked} today; this plan takes at least ${allowed}`;
    case 'support':
      return `${you}; ${has === null ? 'the seller doesn’t say' : `they help by ${channelsOf(has)}`}`;
    case 'samePrice':
      return `${you}; this way to pay costs more later, or the seller doesn’t say`;
    case 'minRefundDays':
      return `${you}; ${has === null ? 'the seller doesn’t say' : `you get ${allowed}`}`;
    default:
      return `${you}; ${has === null ? 'the seller doesn’t say' : allowed === 'no' ? 'this plan has none' : `this plan allows ${allowed}`}`;
  }
}

/** "3 sites", "help by telephone": a need in a sentence. */
export function needWords({ need, wants }: { need: string; wants: unknown }): string {
  const asked = written(wants);
  switch (need) {
    case 'extras':
      return tagWords[asked] ?? asked;
    case 'certificate':
      return certificateWords[asked] ?? `a certificate, ${asked} or better`;
    case 'regions':
      return `a data centre in ${regionsOf(wants)}`;
    case 'platform':
      return `the platform ${asked}`;
    case 'installer':
      return 'an installer';
    case 'samePrice':
      return 'a price that stays the same';
    case 'ownIp':
      return 'an IP address of your own';
    case 'support':
      return `help by ${channelsOf(wants)}`;
    case 'minRefundDays':
      return `${asked} days to ask for your money back`;
    case 'maxDueToday':
      return `at most ${asked} today`;
    default:
      return counting(need, asked);
  }
}

const regions = new Intl.DisplayNames('en-GB', { type: 'region', fallback: 'code' });

/** "United Kingdom" for GB; a region that is no country stays as the book has it. */
export function regionWord(region: string): string {
  return /^[A-Z]{2}$/.test(region) ? (regions.of(region) ?? region) : region;
}

const channelsOf = (value: unknown) => list(value, (word) => channelWords[word] ?? word, ' and ');
const regionsOf = (value: unknown) => list(value, regionWord, ' or ');

function list(value: unknown, word: (value: string) => string, between: string): string {
  return Array.isArray(value) ? (value as string[]).map(word).join(between) : '';
}

function written(value: unknown): string {
  return Array.isArray(value)
    ? value.join(' and ')
    : typeof value === 'number'
      ? count(value)
      : typeof value === 'boolean'
        ? value
          ? 'yes'
          : 'no'
        : typeof value === 'string'
          ? value
          : '';
}
