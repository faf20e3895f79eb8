import type { Schemas } from '../api/wire/client';
import { count, span } from './words';

type Plan = Schemas['PlanWire'];

/** What a plan allows, in the order it is shown. */
export const features: readonly (readonly [key: string, label: string])[] = [
  ['websites', 'Sites'],
  ['storageGB', 'Storage, GB'],
  ['monthlyVisits', 'Visits a month'],
  ['transferGB', 'Traffic, GB a month'],
  ['mailboxes', 'Mailboxes'],
  ['databases', 'Databases'],
  ['subdomains', 'Subdomains'],
  ['certificate', 'Certificate'],
  ['ownIp', 'Own IP address'],
  ['platforms', 'Platform'],
  ['installer', 'Installer'],
];

/** A feature in words; what a book does not say is said to be so. */
export function featureWords(value: unknown): string {
  switch (typeof value) {
    case 'boolean':
      return value ? 'yes' : 'no';
    case 'number':
      return count(value);
    case 'string':
      return value;
    default:
      return Array.isArray(value) ? value.join(', ') : 'not stated';
  }
}

/** Those of the features in which some of the plans differ. */
export function differing(plans: readonly Plan[]) {
  return features.filter(([key]) => new Set(plans.map((plan) => featureWords(plan.features[key]))).size > 1);
}

/** What comes with a plan: extras, and the domain-year with its conditions. */
export function comesWith(plan: Plan): string {
  const given = plan.includedDomain;
  const domain = given
    ? [
        `a domain-year ${given.everyYear ? 'every year' : 'once'} (.${given.endings.join(', .')})${given.minCommitMonths > 0 ? ` if you commit to ${span(given.minCommitMonths)} or more` : ''}`,
      ]
    : [];
  const all = [...plan.includes, ...domain];
  return all.length === 0 ? 'nothing more' : all.join(', ');
}
