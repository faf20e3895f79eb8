import { Link } from '@tanstack/react-router';
import { Button } from '../../ui/Button';
import { useSite } from '../../api/site/site';
import { plansSheet, useSheet } from './sheet';

/** Nothing can be worked out yet: what to do first. */
export function EmptyStart() {
  const { page } = useSite();
  const { open } = useSheet();
  const { candidate, faults, letter } = page.worksheet;
  const hasPlan = candidate.hosting?.plan != null;
  return (
    <div className="my-4 max-w-[1080px]">
      <p className="font-display text-[20px] font-medium">
        {faults.length > 0
          ? 'Something is missing or does not go together:'
          : hasPlan
            ? 'Choose how to pay. Each way is worked out below.'
            : 'Start anywhere: with a seller’s page, your needs, a plan, a name, or a code somebody gave you.'}
      </p>
      {faults.map((fault) => (
        <p key={fault.where + fault.code} className="text-red">
          {fault.message}
        </p>
      ))}
      {!hasPlan && (
        <p className="mt-2 flex flex-wrap gap-6">
          <Link to="/sites/$siteId/shelf/page" params={{ siteId: page.id }} className="ink">
            Paste a seller’s page
          </Link>
          <Link to="/sites/$siteId/needs" params={{ siteId: page.id }} search={{ view: letter }} className="ink">
            Say what the site must do
          </Link>
          <Button look="text" onClick={() => open(plansSheet)}>
            Choose a plan
          </Button>
          <Link to="/sites/$siteId/domain" params={{ siteId: page.id }} search={{ view: letter }} className="ink">
            Look for a name
          </Link>
          <a href="#code" className="ink">
            Enter a code
          </a>
        </p>
      )}
    </div>
  );
}
