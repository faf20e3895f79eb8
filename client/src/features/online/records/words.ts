/** The types of records, in the words of somebody who sets one for the first time. */
export const recordTypes = {
  A: { label: 'an address', value: 'Address', example: '198.51.100.7', hint: 'Four numbers: where a server is.' },
  AAAA: { label: 'a long address', value: 'Long address', example: '2001:db8::7', hint: 'The newer kind of address.' },
  CNAME: {
    label: 'another name',
    value: 'The other name',
    example: 'shop.example.net.',
    hint: 'This name is only another name for that one.',
  },
  MX: {
    label: 'where mail goes',
    value: 'Mail server',
    example: 'mail.example.net.',
    hint: 'Which server takes mail in.',
  },
  TXT: {
    label: 'a text',
    value: 'Text',
    example: 'v=spf1 mx -all',
    hint: 'Who may send mail for you, or a proof that the domain is yours.',
  },
  CAA: {
    label: 'who may make certificates',
    value: 'Who',
    example: '0 issue "ca.example.net"',
    hint: 'Without one, anybody who checks the domain may.',
  },
  SRV: {
    label: 'where a service is',
    value: 'Service',
    example: '10 5 443 chat.example.net.',
    hint: 'Priority, weight, port and server.',
  },
} as const;

/** Ready sets, each with what it does. */
export const readySets = {
  'site-here': { label: 'Site here', does: 'The domain and www lead to your host. Mail does not change.' },
  'mail-here': { label: 'Mail here', does: 'Your host takes mail in. The site does not change.' },
  'mail-elsewhere': {
    label: 'Mail elsewhere',
    does: 'Another company takes mail in. The site does not change.',
    asks: 'Its mail servers, with spaces between them',
  },
  'nothing-but-mail': { label: 'Nothing but mail', does: 'No site is to be seen. Mail does not change.' },
  'prove-by-text': {
    label: 'Prove that it is yours',
    does: 'Somebody asked you to show a text at your domain.',
    asks: 'The text',
  },
} as const;

/** "1 hour", "5 minutes", "45 seconds". */
export function ttlWords(seconds: number): string {
  for (const [unit, size] of [
    ['day', 86_400],
    ['hour', 3600],
    ['minute', 60],
  ] as const) {
    if (seconds >= size && seconds % size === 0) {
      return `${seconds / size} ${unit}${seconds === size ? '' : 's'}`;
    }
  }

  return `${seconds} ${seconds === 1 ? 'second' : 'seconds'}`;
}
