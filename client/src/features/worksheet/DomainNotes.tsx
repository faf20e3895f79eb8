import { Link } from '@tanstack/react-router';
import type { Costing } from '../../api/wire/client';
import { shortDay } from '../../format/dates';
import { money } from '../../format/money';
import { span, wayToPay } from '../../format/words';
import { Button } from '../../ui/Button';
import { Note } from '../../ui/said/Note';
import { useSite } from '../../api/site/site';
import { outcomeWords } from './outcome';

/** The plan gives a domain-year and there is no name yet: what it is worth, and until when it can be used. */
export function DomainYearWaits() {
  const { claim } = useSite().page.worksheet;
  return claim ? (
    <Note ink="green">
      A free domain-year comes with this plan: a .{claim.ending}
      {claim.missed && `, worth ${money(claim.missed, claim.currency)}`}. Choose the name before{' '}
      {shortDay(claim.before)}
      {claim.everyYear && '; there is a new one each year'}.
    </Note>
  ) : null;
}

/** Domain and hosting that run out on different days get forgotten. */
export function DifferentDays() {
  const { differentDays: days } = useSite().page.worksheet;
  return days ? (
    <Note ink="soft">
      The domain is first paid until {shortDay(days.domain)}, the hosting until {shortDay(days.hosting)}: renewals on
      different days are easily forgotten.
    </Note>
  ) : null;
}

export function DomainNote({ costing }: { costing: Costing }) {
  const [inclusion] = costing.inclusions;
  switch (inclusion?.result) {
    case 'used':
      return (
        <Note ink="green">
          A domain-year comes with the plan
          {inclusion.minCommitMonths ? ` if you commit to ${span(inclusion.minCommitMonths)} or more` : ''}.
        </Note>
      );
    case 'commit-too-short':
      return (
        <Note ink="red">
          Not included: the plan gives a domain-year only if you commit to {span(inclusion.minCommitMonths ?? 0)} or
          more. <Commit months={inclusion.minCommitMonths ?? 0} />
        </Note>
      );
    case 'other-book':
      return (
        <Note ink="red">
          The plan gives a domain-year, but only for a domain bought from the host itself. It is lost here.{' '}
          <BringToHost />
        </Note>
      );
    case 'other-ending':
      return (
        <Note ink="red">
          The plan gives a domain-year, but not for this ending. <OtherEnding />
        </Note>
      );
    case 'turned-off':
      return (
        <Note ink="soft">
          The plan’s domain-year is left unused. <UseTheYear />
        </Note>
      );
    case 'premium':
      return <Note ink="red">A premium name is never included: its own price counts.</Note>;
    case 'used-up':
      return <Note ink="red">The plan’s domain-year will have lapsed by the day this is registered.</Note>;
    case 'other-route':
      return <Note ink="soft">The plan’s domain-year does not count for this way of having a domain.</Note>;
    default:
      return null;
  }
}

/** One press that wins the domain-year back, with what it changes. */
function Instead({
  words,
  outcome,
  press,
}: {
  words: string;
  outcome: Parameters<typeof outcomeWords>[0];
  press: () => void;
}) {
  const { page } = useSite();
  return (
    <Button look="text" className="text-[13px]" onClick={press}>
      {words}
      <span className="text-ink font-normal">{outcomeWords(outcome, page.settings.horizonMonths)}</span>
    </Button>
  );
}

/** The same name, from the host. */
function BringToHost() {
  const { page, change } = useSite();
  const { letter, candidate, domainSellers } = page.worksheet;
  const [domain] = candidate.domains;
  const host = domainSellers.find((seller) => seller.book === candidate.hosting?.book);
  return domain && host ? (
    <Instead
      words={`Bring it to ${host.provider}`}
      outcome={host.outcome}
      press={() =>
        change({
          kind: 'choose-domain',
          letter,
          domain: { ...domain, route: domain.route ?? 'register', book: host.book, addOns: [] },
        })
      }
    />
  ) : null;
}

/** The shortest commitment from which the year is given. */
function Commit({ months }: { months: number }) {
  const { page, change } = useSite();
  const { letter, waysToPay } = page.worksheet;
  const way = waysToPay
    .filter((known) => known.commitMonths >= months)
    .sort((left, right) => left.commitMonths - right.commitMonths || left.everyMonths - right.everyMonths)[0];
  return way ? (
    <Instead
      words={`Pay ${wayToPay(way.everyMonths, way.commitMonths)}`}
      outcome={{ currency: page.settings.currency, horizonChange: way.horizonChange, todayChange: way.todayChange }}
      press={() =>
        change({ kind: 'choose-billing', letter, everyMonths: way.everyMonths, commitMonths: way.commitMonths })
      }
    />
  ) : null;
}

function OtherEnding() {
  const { page } = useSite();
  const { letter, candidate } = page.worksheet;
  return (
    <Link
      to="/sites/$siteId/domain"
      params={{ siteId: page.id }}
      search={{ view: letter, name: candidate.domains[0]?.name ?? undefined }}
      className="ink text-[13px]"
    >
      See the other endings
    </Link>
  );
}

/** Spends the year on it after all. */
function UseTheYear() {
  const { page, change } = useSite();
  const { letter, candidate, domainWays } = page.worksheet;
  const [now] = candidate.domains;
  const way = domainWays.find(
    (known) => known.domain?.useIncluded && known.domain.route === now?.route && known.domain.years === now.years,
  );
  return way?.domain ? (
    <Instead
      words="Use it"
      outcome={way.outcome}
      press={() =>
        change({ kind: 'choose-domain', letter, domain: { ...way.domain!, route: way.domain!.route ?? 'register' } })
      }
    />
  ) : null;
}
