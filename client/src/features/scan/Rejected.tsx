import type { Schemas } from '../../api/client';
import { useSite } from '../site/SiteContext';

const names: Record<string, string> = {
  websites: 'sites',
  storageGB: 'GB of storage',
  monthlyVisits: 'visits a month',
  mailboxes: 'mailboxes',
  databases: 'databases',
  subdomains: 'subdomains',
  transferGB: 'GB of traffic',
};

/** Plans that cannot meet the needs, each with its reasons. */
export function Rejected({ rejected }: { rejected: Schemas['RejectedPlanWire'][] }) {
  const { books } = useSite();
  return rejected.length === 0 ? null : (
    <section className="mt-5">
      <h2 className="text-base">Out, and why</h2>
      <ul className="mt-1">
        {rejected.map((plan) => {
          const book = books.find((known) => known.id === plan.book);
          return (
            <li key={plan.book + plan.plan} className="odd:bg-band px-2.5 py-1.5">
              <bdi className="font-semibold">
                {book?.provider}, {book?.plans.find((known) => known.id === plan.plan)?.name}
              </bdi>
              <span className="text-red block text-[13.5px]">{plan.reasons.map(reasonWords).join('; ')}</span>
            </li>
          );
        })}
      </ul>
    </section>
  );
}

/** "3 sites asked, 1 allowed". */
function reasonWords({ need, has, wants }: Schemas['ReasonWire']): string {
  const [asked, allowed] = [written(wants), has === null ? 'not stated' : written(has)];
  switch (need) {
    case 'extras':
      return `nothing here provides ${asked}`;
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
      return `${names[need] ? `${asked} ${names[need]}` : `${need} ${asked}`} asked, ${has === null ? 'not stated' : `${allowed} allowed`}`;
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
