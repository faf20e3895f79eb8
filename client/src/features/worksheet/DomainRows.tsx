import { Link } from '@tanstack/react-router';
import type { Costing, Schemas } from '../../api/client';
import { shortDay } from '../../format/dates';
import { change as changeWords, figure } from '../../format/money';
import { shortSpan } from '../../format/words';
import { Button } from '../../ui/Button';
import { InkSelect } from '../../ui/Field';
import { Note } from '../../ui/Note';
import { useSite } from '../site/SiteContext';
import { figuresOf } from './Ledger';
import { LedgerRow } from './LedgerTable';

/** The domain chosen: its name, for how long, from whom; or the way to choose one. */
export function DomainRows() {
  const { page, change } = useSite();
  const { candidate, costing, letter } = page.worksheet;
  const rows = costing?.ledger.rows ?? [];
  const [first] = candidate.domains;
  const link = (words: string) => (
    <Link
      to="/sites/$siteId/domain"
      params={{ siteId: page.id }}
      search={{ view: letter, name: first?.name ?? undefined }}
      className="ink"
    >
      {words}
    </Link>
  );
  if (!first) {
    return (
      <tbody>
        <LedgerRow
          kind="Domain"
          band={page.worksheet.waysToPay.length > 0}
          choice={link('Choose a domain')}
          figures={null}
        />
      </tbody>
    );
  }

  const written = `${first.name ?? ''}.${first.ending ?? ''}`;
  return (
    <tbody>
      <LedgerRow
        kind="Domain"
        band={page.worksheet.waysToPay.length > 0}
        look={costing?.inclusions[0]?.result === 'used' ? 'included' : 'plain'}
        choice={
          <>
            <span className="flex flex-wrap items-baseline gap-x-1.5">
              {first.route === 'lent'
                ? link('An address lent by the host')
                : link(first.name ? written : `A name to choose later (.${first.ending ?? ''})`)}
              {first.route === 'register' && <Years domain={first} />}
              {page.worksheet.domainSellers.length > 1 && <Seller domain={first} />}
              {first.route === 'keep' && <span>kept where it is</span>}
              {first.route === 'later' && <span>in {shortSpan(first.inMonths)}</span>}
              <Button
                look="text"
                className="text-[13px] font-normal"
                onClick={() => change({ kind: 'choose-domain', letter, domain: null })}
              >
                take off
              </Button>
            </span>
            {costing && <Included costing={costing} reference={written} />}
          </>
        }
        figures={figuresOf(rows, (row) => row.kind === 'domain' && row.ref === written)}
        notes={costing && <DomainNote costing={costing} />}
      />
    </tbody>
  );
}

function Years({ domain }: { domain: Schemas['DomainWire'] }) {
  const { page, books, change } = useSite();
  const most =
    books.find((book) => book.id === domain.book)?.domains.find((price) => price.ending === domain.ending)?.maxYears ??
    1;
  return (
    <span>
      for{' '}
      <InkSelect
        label="Years to register it for"
        value={domain.years}
        onChange={(event) =>
          change({
            kind: 'choose-domain',
            letter: page.worksheet.letter,
            domain: { ...domain, route: 'register', years: Number(event.target.value) },
          })
        }
      >
        {Array.from({ length: most }, (_, index) => (
          <option key={index + 1} value={index + 1}>
            {shortSpan(12 * (index + 1))}
          </option>
        ))}
      </InkSelect>
    </span>
  );
}

/** Where to buy it: the host, or a registrar that sells domains only; each says what it would change. */
function Seller({ domain }: { domain: Schemas['DomainWire'] }) {
  const { page, change } = useSite();
  const { letter, domainSellers, costing } = page.worksheet;
  return (
    <span>
      from{' '}
      <InkSelect
        label="Where to buy the domain"
        className="max-w-40"
        value={domain.book ?? ''}
        onChange={(event) =>
          change({
            kind: 'choose-domain',
            letter,
            domain: { ...domain, route: domain.route ?? 'register', book: event.target.value, addOns: [] },
          })
        }
      >
        {domainSellers.map((seller) => (
          <option key={seller.book} value={seller.book}>
            {seller.provider}
            {!seller.isChosen &&
              seller.horizonChange &&
              costing &&
              ` (${changeWords(seller.horizonChange, costing.totals.currency)} over ${shortSpan(page.settings.horizonMonths)})`}
          </option>
        ))}
      </InkSelect>
    </span>
  );
}

/** The domain-year that the plan gave, and what it was worth. */
function Included({ costing, reference }: { costing: Costing; reference: string }) {
  const line = costing.bills
    .flatMap((bill) => bill.lines)
    .find((found) => found.kind === 'domain' && found.ref === reference);
  const waived = line?.discounts.find((discount) => discount.source === 'included');
  return waived ? (
    <span className="text-green block text-[13px]">
      A year is included with the plan, worth {figure(waived.amount)}
    </span>
  ) : null;
}

function DomainNote({ costing }: { costing: Costing }) {
  const [inclusion] = costing.inclusions;
  const first = costing.bills.flatMap((bill) => bill.lines).find((line) => line.kind === 'domain');
  const until = first?.coversUntil ? ` It is paid until ${shortDay(first.coversUntil)}.` : '';
  switch (inclusion?.result) {
    case 'used':
      return (
        <Note ink="green">
          A domain-year comes with the plan if you commit to {inclusion.minCommitMonths} months or more.{until}
        </Note>
      );
    case 'commit-too-short':
      return (
        <Note ink="red">
          Not included: the plan gives a domain-year only if you commit to {inclusion.minCommitMonths} months or more.
        </Note>
      );
    case 'other-book':
      return (
        <Note ink="red">
          The plan gives a domain-year, but only for a domain bought from the host itself. It is lost here.
        </Note>
      );
    case 'other-ending':
      return <Note ink="red">The plan gives a domain-year, but not for this ending.</Note>;
    case 'premium':
      return <Note ink="red">A premium name is never included: its own price counts.</Note>;
    case 'used-up':
      return <Note ink="red">The plan’s domain-year has run out by the day this is registered.</Note>;
    case 'other-route':
      return <Note ink="soft">The plan’s domain-year does not count for this way of having a domain.</Note>;
    default:
      return until ? <Note ink="soft">{until.trim()}</Note> : null;
  }
}
