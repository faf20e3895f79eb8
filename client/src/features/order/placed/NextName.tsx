import { Link } from '@tanstack/react-router';
import { useSite } from '../../../api/site/site';
import { Button } from '../../../ui/Button';

/**
 * Where a name has gone: the names that are held for this site take its place at one press, and nothing has to be typed
 * again.
 */
export function NextName() {
  const { page, change } = useSite();
  const { candidate, letter } = page.worksheet;
  const [gone] = candidate.domains.filter((domain) => domain.route === 'register');
  const others = page.held.filter(
    (held) => !candidate.domains.some((domain) => domain.name === held.name && domain.ending === held.ending),
  );
  return (
    <>
      {gone &&
        others.slice(0, 3).map(({ name, ending }) => (
          <Button
            key={`${name}.${ending}`}
            look="text"
            onClick={() =>
              change({
                kind: 'choose-domain',
                letter,
                domain: { route: 'register', book: gone.book, name, ending, years: gone.years },
              })
            }
          >
            Take {name}.{ending} instead
          </Button>
        ))}
      <Link to="/sites/$siteId/domain" params={{ siteId: page.id }} search={{ view: letter }} className="ink">
        Choose another name
      </Link>
    </>
  );
}
