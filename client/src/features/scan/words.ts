const counted: Record<string, string> = {
  websites: 'sites',
  storageGB: 'GB of storage',
  monthlyVisits: 'visits a month',
  mailboxes: 'mailboxes',
  databases: 'databases',
  subdomains: 'subdomains',
  transferGB: 'GB of traffic',
};

/** The words an owner uses for a tag that an extra provides. */
const tags: Record<string, string> = {
  backup: 'copies of the site',
  privacy: 'your address out of the public record',
  'malware-watch': 'a watch for malware',
};

const channels: Record<string, string> = { phone: 'telephone', chat: 'chat', mail: 'mail' };

/** "3 sites asked, 1 allowed". */
export function reasonWords({ need, has, wants }: { need: string; has: unknown; wants: unknown }): string {
  const [asked, allowed] = [written(wants), has === null ? 'not stated' : written(has)];
  switch (need) {
    case 'extras':
      return `nothing here provides ${tags[asked] ?? asked}`;
    case 'domain':
      return `nobody here sells .${asked}`;
    case 'regions':
      return `data centre in ${asked} asked, ${allowed || 'none'} listed`;
    case 'minRefundDays':
      return `${asked} refund days asked, ${allowed}${has === null ? '' : ' given'}`;
    case 'maxDueToday':
      return `at most ${asked} today asked, ${allowed} is the least`;
    case 'support':
      return `help by ${asked} asked, by ${allowed} given`;
    default:
      return `${counted[need] ? `${asked} ${counted[need]}` : `${need} ${asked}`} asked, ${has === null ? 'not stated' : `${allowed} allowed`}`;
  }
}

/** "3 sites", "help by telephone": a need in a sentence. */
export function needWords({ need, wants }: { need: string; wants: unknown }): string {
  const asked = written(wants);
  switch (need) {
    case 'extras':
      return tags[asked] ?? asked;
    case 'certificate':
      return asked === 'wildcard' ? 'a certificate for all subdomains' : `a certificate of the kind “${asked}”`;
    case 'regions':
      return `a data centre in ${asked}`;
    case 'platform':
      return `the platform ${asked}`;
    case 'installer':
      return 'an installer';
    case 'ownIp':
      return 'an IP address of your own';
    case 'support':
      return `help by ${(Array.isArray(wants) ? (wants as string[]) : []).map((word) => channels[word] ?? word).join(' and ')}`;
    case 'minRefundDays':
      return `${asked} days to ask for your money back`;
    case 'maxDueToday':
      return `at most ${asked} today`;
    default:
      return `${asked} ${counted[need] ?? need}`;
  }
}

function written(value: unknown): string {
  return Array.isArray(value)
    ? value.join(' and ')
    : typeof value === 'number'
      ? new Intl.NumberFormat('en-GB').format(value)
      : typeof value === 'boolean'
        ? value
          ? 'yes'
          : 'no'
        : typeof value === 'string'
          ? value
          : '';
}
