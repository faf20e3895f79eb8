import { Link } from '@tanstack/react-router';
import { useSite } from '../../api/site';

/** Which domain the candidate in hand has now. */
export function ChosenDomain() {
  const { page } = useSite();
  const { candidate, letter } = page.worksheet;
  const [domain] = candidate.domains;
  const words = !domain
    ? 'has no domain yet'
    : domain.route === 'lent'
      ? 'borrows an address of the host’s'
      : domain.name
        ? `has ${domain.name}.${domain.ending}${domain.route === 'keep' ? ', kept where it is' : domain.route === 'transfer' ? ', moved in' : ''}`
        : `leaves the name for later (.${domain.ending})`;
  return (
    <p className="mt-4" role="status">
      Candidate {letter} <bdi className="font-semibold">{words}</bdi>.{' '}
      <Link to="/sites/$siteId/worksheet" params={{ siteId: page.id }} search={{ view: letter }} className="ink">
        Back to the worksheet
      </Link>
    </p>
  );
}
