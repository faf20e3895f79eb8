import { Link } from '@tanstack/react-router';
import { useSite } from '../../api/site/site';

/** Says on every page of the example that it is one, with the way to a site of one's own. */
export function ExampleMark() {
  const { page } = useSite();
  return page.isExample ? (
    <p className="no-print bg-band border-rule -mx-4 flex flex-wrap items-baseline gap-x-4 gap-y-1 border-b px-4 py-1.5 sm:-mx-6 sm:px-6">
      <span>
        <b>This is the example.</b> The shop and its sellers are made up; change whatever you like.
      </span>
      <Link to="/start" className="ink">
        Start my own site
      </Link>
    </p>
  ) : null;
}
