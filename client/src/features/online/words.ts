import type { Schemas } from '../../api/client';

/** A link of the chain, as a sentence that is true when it is right. */
export const linkWords: Record<Schemas['ChainLinkKind'], (provider: string) => string> = {
  'name-servers': (provider) => `The registry leads to ${provider}`,
  zone: () => 'Whoever is in charge knows the name, and agrees with the registry',
  address: (provider) => `The name leads to ${provider}`,
  www: (provider) => `With www before it, it leads to ${provider} too`,
  everywhere: () => 'Everybody has heard of it',
  server: (provider) => `The server of ${provider} answers for it`,
  certificate: () => 'It has a certificate',
};

const stateWords: Record<Schemas['LinkState'], string> = {
  right: 'so it is',
  waiting: 'only needs waiting',
  wrong: 'to be set',
  unknown: 'no answer',
};

/** How a link stands; a certificate is asked for, not set. */
export const stateOf = ({ kind, state }: Pick<Schemas['ChainLinkWire'], 'kind' | 'state'>) =>
  kind === 'certificate' && state === 'wrong' ? 'to be asked for' : stateWords[state];

/** How far it has come, and what to do, in a sentence. */
export function chainWords({ isJoined, links }: Pick<Schemas['NameChainWire'], 'isJoined' | 'links'>): string {
  const certificate = links.find(({ kind }) => kind === 'certificate');
  if (isJoined) {
    return certificate?.state === 'wrong'
      ? 'It is joined: everybody who was asked is led to your host. Only the certificate is still to be asked for.'
      : 'It is joined: everybody who was asked is led to your host.';
  }

  return links.some((link) => link.state === 'wrong' && link !== certificate)
    ? 'Something is to be set: the lines in red say what, and to which value.'
    : links.some((link) => link.state === 'waiting')
      ? 'All is set. It only needs waiting: until old answers run out, some still see nothing.'
      : 'Not everybody answers just now. Nothing is lost: this page asks again by itself.';
}
