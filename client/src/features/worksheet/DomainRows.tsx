import { Link } from '@tanstack/react-router';
import type { Costing, Schemas } from '../../api/wire/client';
import { shortDay } from '../../format/dates';
import { isZero, money } from '../../format/money';
import { span } from '../../format/words';
import { Button } from '../../ui/Button';
import { InkSelect } from '../../ui/fields/Field';
import { Note } from '../../ui/said/Note';
import { InkPopover } from '../../ui/sheets/Popover';
import { useSite } from '../../api/site/site';
import { figuresOf } from './columns';
import { outcomeWords } from './outcome';
import { DifferentDays, DomainNote, DomainYearWaits } from './DomainNotes';
import { Choice, Figures, LedgerRow } from './LedgerTable';

/** The domain chosen: its name, for how long, from whom; or the way to choose one. */
export function DomainRows() {
  const { page } = useSite();
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
        <LedgerRow kind="Domain" band={page.worksheet.waysToPay.length > 0} notes={<DomainYearWaits />}>
          <Choice>{link('Choose a domain')}</Choice>
          <Figures />
        </LedgerRow>
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
        notes={
          costing && (
            <>
              <DomainNote costing={costing} />
              <PrivacyNote />
              <DifferentDays />
            </>
          )
        }
      >
        <Choice>
          <>
            <span className="flex flex-wrap items-baseline gap-x-1.5">
              {first.route === 'lent'
                ? link('An address lent by the host')
                : link(first.name ? written : `A name to choose later (.${first.ending ?? ''})`)}
              {first.route === 'register' && <Years />}
              {page.worksheet.domainSellers.length > 1 && <Seller domain={first} />}
              {first.route === 'keep' && <span>kept where it is</span>}
              {first.route === 'later' && first.inMonths > 0 && <span>in {span(first.inMonths)}</span>}
              <OtherWays />
            </span>
            {costing && <Paid costing={costing} reference={written} />}
          </>
        </Choice>
        <Figures of={figuresOf(rows, (row) => row.kind === 'domain' && row.ref === written)} />
      </LedgerRow>
      {candidate.domains.slice(1).map((domain) => (
        <BesideIt key={`${domain.name}.${domain.ending}`} domain={domain} />
      ))}
    </tbody>
  );
}

/** The host gives contact privacy with a name and the seller chosen does not: said with both prices. */
function PrivacyNote() {
  const { page } = useSite();
  const { candidate, domainSellers } = page.worksheet;
  const host = domainSellers.find((seller) => seller.book === candidate.hosting?.book);
  const chosen = domainSellers.find((seller) => seller.isChosen);
  return host?.privacy === 'included' && chosen && chosen.book !== host.book && !keepsPrivate(chosen) ? (
    <Note ink="red">
      Contact privacy comes with the name at <bdi>{host.provider}</bdi> ({money(zeroOf(host), host.currency)} a year).
      At <bdi>{chosen.provider}</bdi> it {privacyWords(chosen)}.
    </Note>
  ) : null;
}

const keepsPrivate = ({ privacy }: Schemas['DomainSellerWire']) => privacy === 'included' || privacy === 'by-default';
const zeroOf = ({ currency }: Schemas['DomainSellerWire']) =>
  (0).toFixed(new Intl.NumberFormat('en-GB', { style: 'currency', currency }).resolvedOptions().maximumFractionDigits);

function privacyWords({ privacy, privacyYear, privacyLater, currency }: Schemas['DomainSellerWire']): string {
  if (privacy !== 'sold') {
    return 'is not to be had';
  }

  return privacyYear === null
    ? 'costs a price that is not stated'
    : `costs ${money(privacyYear, currency)} a year${privacyLater === null ? ', later not stated' : privacyLater === privacyYear ? '' : `, later ${money(privacyLater, currency)}`}`;
}

/** A domain beside the first. */
function BesideIt({ domain }: { domain: Schemas['DomainWire'] }) {
  const { page, books, change } = useSite();
  const { costing, letter, includedYear } = page.worksheet;
  const { currency, horizonMonths } = page.settings;
  const written = `${domain.name ?? ''}.${domain.ending ?? ''}`;
  const seller = books.find((book) => book.id === domain.book)?.provider;
  return (
    <LedgerRow
      kind=""
      notes={
        includedYear?.domain === written && !isZero(includedYear.saves) ? (
          <Note ink="green">
            The plan’s domain-year is spent on <bdi>{written}</bdi>, where it saves most:{' '}
            {money(includedYear.saves, currency)} more over {span(horizonMonths)}.
          </Note>
        ) : undefined
      }
    >
      <Choice>
        <>
          <span className="flex flex-wrap items-baseline gap-x-2">
            <bdi className="font-semibold break-all">{written}</bdi>
            {seller && (
              <span>
                from <bdi>{seller}</bdi>
              </span>
            )}
            <Button look="text" onClick={() => change({ kind: 'drop-domain', letter, domain: written })}>
              take off<span className="sr-only">: {written}</span>
            </Button>
          </span>
          {costing && <Paid costing={costing} reference={written} />}
        </>
      </Choice>
      <Figures of={figuresOf(costing?.ledger.rows ?? [], (row) => row.kind === 'domain' && row.ref === written)} />
    </LedgerRow>
  );
}

/** For how many years; each says what it would change. */
function Years() {
  const { page, change } = useSite();
  const { letter, domainWays, candidate } = page.worksheet;
  const now = candidate.domains[0]!;
  const ways = domainWays.filter(
    (way) =>
      way.domain?.route === now.route && way.domain.useIncluded === now.useIncluded && way.domain.route === 'register',
  );
  return (
    <span>
      for{' '}
      <InkSelect
        label="Years to register it for"
        className="max-w-20"
        value={now.years}
        onChange={(event) => {
          const way = ways.find((known) => known.domain?.years === Number(event.target.value));
          if (way?.domain) {
            change({ kind: 'choose-domain', letter, domain: { ...way.domain, route: 'register' } });
          }
        }}
      >
        {ways.map((way) => (
          <option key={way.domain!.years} value={way.domain!.years}>
            {span(12 * way.domain!.years)}
            {!way.isChosen && outcomeWords(way.outcome, page.settings.horizonMonths)}
          </option>
        ))}
      </InkSelect>
    </span>
  );
}

/** The other ways to have it, each with what it would change. */
function OtherWays() {
  const { page, change } = useSite();
  const { letter, domainWays, candidate } = page.worksheet;
  const now = candidate.domains[0]!;
  const others = domainWays.filter(
    (way) => way.domain?.route !== now.route || way.domain.useIncluded !== now.useIncluded,
  );
  return (
    <InkPopover words="other ways" label="other ways to have the domain">
      {(close) => (
        <ul className="flex flex-col gap-2 text-[14px]">
          {others.map((way) => (
            <li key={JSON.stringify(way.domain)}>
              <Button
                look="text"
                onClick={() => {
                  close();
                  change({
                    kind: 'choose-domain',
                    letter,
                    domain: way.domain && { ...way.domain, route: way.domain.route ?? 'register' },
                  });
                }}
              >
                {wayWords(way.domain)}
                <span className="text-ink font-normal">{outcomeWords(way.outcome, page.settings.horizonMonths)}</span>
              </Button>
            </li>
          ))}
        </ul>
      )}
    </InkPopover>
  );
}

function wayWords(domain: Schemas['DomainWire'] | null): string {
  if (!domain) {
    return 'no domain';
  }

  if (domain.route === 'later') {
    return domain.inMonths > 0 ? `choose the name in ${span(domain.inMonths)}` : 'choose the name later';
  }

  if (domain.route === 'lent') {
    return 'borrow an address of the host’s';
  }

  return domain.useIncluded ? 'use the plan’s domain-year' : 'leave the plan’s domain-year unused';
}

/** Where to buy it: the host, or a registrar that sells domains only; each says what it would change. */
function Seller({ domain }: { domain: Schemas['DomainWire'] }) {
  const { page, change } = useSite();
  const { letter, domainSellers } = page.worksheet;
  return (
    <span>
      from{' '}
      <InkSelect
        label="Where to buy the domain"
        className="max-w-36"
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
            {!seller.isChosen && outcomeWords(seller.outcome, page.settings.horizonMonths)}
          </option>
        ))}
      </InkSelect>
    </span>
  );
}

/** Until when it is first paid, and the domain-year that the plan gave with what it was worth. */
function Paid({ costing, reference }: { costing: Costing; reference: string }) {
  const isIt = (found: Schemas['LineWire']) => found.kind === 'domain' && found.ref === reference;
  const bill = costing.bills.find((known) => known.lines.some(isIt));
  const line = bill?.lines.find(isIt);
  const currency = bill?.currency ?? costing.totals.currency;
  const waived = line?.discounts.find((discount) => discount.source === 'included');
  return line?.coversUntil ? (
    <span className="text-soft block text-[13px]">
      first paid until {shortDay(line.coversUntil)}
      {waived && (
        <span className="text-green">
          ; a year is included with the plan
          {!isZero(waived.amount) && `, worth ${money(waived.amount, currency)}`}
        </span>
      )}
    </span>
  ) : null;
}
