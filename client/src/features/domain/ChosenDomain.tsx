import { Link } from '@tanstack/react-router';
import type { Schemas } from '../../api/wire/client';
import { useSite } from '../../api/site/site';
import { isZero, money } from '../../format/money';
import { span } from '../../format/words';
import { Button } from '../../ui/Button';
import { Announced } from '../../ui/said/Announced';

type Domain = Schemas['DomainWire'];

/** Which domains the candidate in hand has now. */
export function ChosenDomain() {
  const { page, change } = useSite();
  const { candidate, letter, includedYear } = page.worksheet;
  const { currency, horizonMonths } = page.settings;
  const [first, ...others] = candidate.domains;
  return (
    <div className="mt-4">
      <Announced onlyChanges>
        Candidate {letter} <bdi className="font-semibold">{first ? words(first) : 'has no domain yet'}</bdi>
        {others.length > 0 && ', and beside it:'}
        {others.length === 0 && '.'} {others.length === 0 && <BackToIt />}
      </Announced>
      {others.length > 0 && (
        <>
          <ul>
            {others.map((domain) => (
              <li key={refOf(domain)} className="flex flex-wrap gap-x-4">
                <bdi className="font-semibold">{refOf(domain)}</bdi>
                <Button look="text" onClick={() => change({ kind: 'drop-domain', letter, domain: refOf(domain) })}>
                  Take it off<span className="sr-only">: {refOf(domain)}</span>
                </Button>
              </li>
            ))}
          </ul>
          {includedYear && (
            <p className="text-green">
              The plan’s domain-year is spent on <bdi>{includedYear.domain}</bdi>
              {isZero(includedYear.saves)
                ? ', where it saves as much as on any other.'
                : `, where it saves most: ${money(includedYear.saves, currency)} more over ${span(horizonMonths)} than on another.`}
            </p>
          )}
          <p>
            <BackToIt />
          </p>
        </>
      )}
    </div>
  );
}

function BackToIt() {
  const { page } = useSite();
  return (
    <Link
      to="/sites/$siteId/worksheet"
      params={{ siteId: page.id }}
      search={{ view: page.worksheet.letter }}
      className="ink"
    >
      Back to the worksheet
    </Link>
  );
}

const refOf = ({ name, ending }: Domain) => `${name ?? ''}.${ending ?? ''}`;

function words(domain: Domain): string {
  return domain.route === 'lent'
    ? 'borrows an address of the host’s'
    : domain.name
      ? `has ${refOf(domain)}${domain.route === 'keep' ? ', kept where it is' : domain.route === 'transfer' ? ', moved in' : ''}`
      : `leaves the name for later (.${domain.ending})`;
}
