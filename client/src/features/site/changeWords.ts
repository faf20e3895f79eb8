import type { Change } from '../../api/site/commands';
import type { SitePage } from '../../api/wire/client';
import { longDay } from '../../format/dates';
import { money } from '../../format/money';
import { span, wayToPay } from '../../format/words';

/** What the owner wanted, in a few words: "A: monthly". */
export function changeWords(change: Change): string {
  switch (change.kind) {
    case 'undo':
    case 'redo':
      return change.kind;
    case 'rename-site':
      return `name the site ${change.name}`;
    case 'set-horizon':
      return `count over ${span(change.months)}`;
    case 'set-start':
      return change.date ? `count from ${longDay(change.date)}` : 'count from today';
    case 'set-tax':
      return change.counted ? `count with ${change.percent}% tax` : 'leave the tax out';
    case 'set-display':
      return `show sums in ${change.currency}`;
    case 'set-new-customer':
      return change.isNew ? 'count as a new customer' : 'count as an existing customer';
    case 'set-keep-chance':
      return 'say how sure you are to go on';
    case 'set-needs':
      return 'change the needs';
    case 'add-candidate':
      return change.copyOf ? `copy ${change.copyOf}` : 'add a candidate';
    case 'hold-names':
      return `hold ${namesOf(change.names)}`;
    case 'drop-names':
      return `drop ${namesOf(change.names)}`;
    default:
      return `${change.letter}: ${ofCandidate(change)}`;
  }
}

function namesOf(names: readonly { name: string; ending: string }[]): string {
  const [first] = names;
  return names.length === 1 && first ? `${first.name}.${first.ending}` : `${names.length} names`;
}

function ofCandidate(change: Extract<Change, { letter: string }>): string {
  switch (change.kind) {
    case 'replace-candidate':
      return 'make it what they sell';
    case 'remove-candidate':
      return 'remove it';
    case 'rename-candidate':
      return 'give it another name';
    case 'move-candidate':
      return 'move it on the shortlist';
    case 'choose-plan':
      return 'another plan';
    case 'choose-billing':
      return wayToPay(change.everyMonths, change.commitMonths);
    case 'choose-data-centre':
      return 'another data centre';
    case 'choose-domain':
      return change.domain
        ? `the domain ${change.domain.name ?? ''}${change.domain.ending ? `.${change.domain.ending}` : ''} ${change.domain.years ? `for ${span(12 * change.domain.years)}` : ''}`.trim()
        : 'no domain';
    case 'add-domain':
      return `add ${change.domain.name ?? ''}.${change.domain.ending ?? ''}`;
    case 'drop-domain':
      return `take off ${change.domain}`;
    case 'set-extra':
      return change.quantity > 0 ? `take ${change.extra}` : `leave ${change.extra} off`;
    case 'enter-code':
      return `try the code ${change.code}`;
    case 'drop-code':
      return `take off the code ${change.code}`;
    case 'use-codes':
      return `use the codes ${change.codes.join(', ')}`;
  }
}

/** A version of the candidate in hand, by its figures. */
export function versionWords(page: SitePage): string {
  const { costing, letter } = page.worksheet;
  return costing
    ? `${letter} at ${money(costing.totals.dueToday, costing.totals.currency)} today and ${money(costing.totals.horizon, costing.totals.currency)} over ${span(page.settings.horizonMonths)}`
    : `${letter}, not complete`;
}
