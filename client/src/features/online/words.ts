import type { Schemas } from '../../api/wire/client';

/** A link of the chain, as a sentence that is true when it is right. */
export const linkWords: Record<Schemas['ChainLinkKind'], (provider: string) => string> = {
  'name-servers': (provider) => `The registry leads to ${provider}`,
  zone: () => 'The name servers know your domain and agree with the registry',
  address: (provider) => `The name leads to ${provider}`,
  www: (provider) => `With www before it, it leads to ${provider} too`,
  everywhere: () => 'Everybody has heard of it',
  server: (provider) => `The server of ${provider} answers for it`,
  certificate: () => 'It has a certificate',
};

const stateWords: Record<Schemas['LinkState'], string> = {
  right: 'working',
  waiting: 'on its way',
  wrong: 'to be set',
  unknown: 'no answer',
};

/** How a link stands; a certificate is asked for, not set. */
export const stateOf = ({ kind, state }: Pick<Schemas['ChainLinkWire'], 'kind' | 'state'>) =>
  kind === 'certificate' && state === 'wrong' ? 'not set up yet' : stateWords[state];

/** How far it has come, and what to do, in a sentence. */
export function chainWords({ isJoined, links }: Pick<Schemas['NameChainWire'], 'isJoined' | 'links'>): string {
  const certificate = links.find(({ kind }) => kind === 'certificate');
  if (isJoined) {
    return certificate?.state === 'wrong'
      ? 'Your domain leads to your host everywhere. Only the certificate is not set up yet.'
      : 'It is joined: everybody who was asked is led to your host.';
  }

  return links.some((link) => link.state === 'wrong' && link !== certificate)
    ? 'Something is to be set: the lines in red say what, and to which value.'
    : links.some((link) => link.state === 'waiting')
      ? 'Everything is set up and on its way. Some visitors see nothing until their old answers run out.'
      : 'Not everybody answers just now. Nothing is lost: this page asks again by itself.';
}

/** Where mail for the domain goes; empty: that could not be asked. */
export const mailWords = (servers: string[] | null | undefined) =>
  !servers
    ? ''
    : servers.length > 0
      ? `Mail for the domain goes to ${servers.join(', ')}.`
      : 'No mail for the domain is taken in anywhere yet.';
