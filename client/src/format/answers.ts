import type { NameAnswer, NameCost } from '../api/wire/client';
import { ago, shortDay } from './dates';
import { money } from './money';
import { span } from './words';

/** An answer in a word or two, where there is little room. */
export function answerWord({ state, isContradicted, registration }: NameAnswer): string {
  const since = registration?.registered ? ` since ${registration.registered.slice(0, 4)}` : '';
  return isContradicted
    ? 'registrar and registry disagree'
    : {
        free: 'available',
        taken: `taken${since}`,
        premium: 'available at a premium price',
        reserved: 'reserved',
        unchecked: 'not checked',
        'not-asked': 'to be looked up there',
      }[state];
}

/** An answer as a sentence. */
export function answerSentence(answer: NameAnswer): string {
  const { registration, why } = answer;
  const since = registration?.registered ? ` since ${shortDay(registration.registered)}` : '';
  const until = registration?.expires ? `, paid until ${shortDay(registration.expires)}` : '';
  if (answer.isContradicted) {
    return `The registrar says it is available, the registry says it is taken${since}${until}. Ask again before you rely on either.`;
  }

  switch (answer.state) {
    case 'free':
      return 'Available.';
    case 'taken':
      return registration
        ? `Taken${since}${until}${lockWords(registration.status)}.`
        : 'Taken. Its public record could not be read.';
    case 'premium':
      return 'Available, but a premium name: it has its own price and is never included with a plan.';
    case 'reserved':
      return 'Reserved by the registry: nobody can register it.';
    case 'unchecked':
      return `Could not be checked. ${why ?? ''} It may or may not be available.`;
    case 'not-asked':
      return 'Not asked: see on the seller’s own pages whether it is available.';
  }
}

const lockWords = (status: string[]) =>
  status.some((state) => state.includes('transfer prohibited')) ? ', locked against moving' : '';

/** "asked 12 minutes ago": answers are worth little after an hour. */
export function askedWords({ askedAt, isOld }: NameAnswer): string {
  return `asked ${ago(askedAt)}${isOld ? ', too long ago to rely on' : ''}`;
}

/** Whether the plan's domain-year is spent on it, or why not; null where there is none to speak of. */
export function includedWords({ included, includedFromMonths, ending }: NameCost): string | null {
  switch (included) {
    case 'spent':
      return 'first year included with your plan';
    case 'none-given':
      return null;
    case 'elsewhere':
      return 'bought elsewhere, so you pay for the first year';
    case 'ending':
      return `your plan includes no .${ending} domain`;
    case 'term':
      return `a year is included if you pay for ${span(includedFromMonths ?? 0)} or more`;
    case 'premium':
      return 'never included: a premium name';
    case 'off':
      return 'you turned the included year off';
  }
}

/** Contact privacy there: with the name, for how much, or why not. */
export function privacyWords({ privacy, privacyFirstYear, privacyLaterYear, currency }: NameCost): string {
  switch (privacy) {
    case 'included':
      return 'included';
    case 'sold':
      return privacyFirstYear === privacyLaterYear
        ? privacyFirstYear
          ? `${money(privacyFirstYear, currency)} a year`
          : 'price not stated'
        : `${said(privacyFirstYear, currency)}, then ${said(privacyLaterYear, currency)}`;
    case 'by-default':
      return 'by the registry';
    case 'forbidden':
      return 'not allowed';
    case 'not-sold':
      return 'not sold';
  }
}

const said = (amount: string | null, currency: string) => (amount ? money(amount, currency) : 'not stated');

const recordFields: Record<string, string> = {
  name: 'Name',
  organisation: 'Organisation',
  street: 'Street',
  town: 'Town',
  postcode: 'Postcode',
  country: 'Country',
  mail: 'Mail address',
  telephone: 'Telephone',
};

/** A field of the public record; one that only the book knows stands in its words. */
export const recordField = (field: string) => recordFields[field] ?? field;
