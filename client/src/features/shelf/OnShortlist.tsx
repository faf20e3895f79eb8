import { Link } from '@tanstack/react-router';
import { useEffect, useRef, type ReactNode } from 'react';
import { useSite } from '../../api/site/site';
import { Button } from '../../ui/Button';
import { Announced } from '../../ui/said/Announced';

/** What was read is on the shortlist: under which letters, and where to go from here. */
export function OnShortlist({
  letters,
  another,
  children,
}: {
  letters: readonly string[];
  another: () => void;
  /** What the press for another one says. */
  children: ReactNode;
}) {
  const { page } = useSite();
  const next = useRef<HTMLButtonElement>(null);
  useEffect(() => next.current?.focus(), []);
  return (
    <Announced as="div" className="border-green mt-5 border-l-4 pl-4">
      <p className="font-semibold">
        {letters.length === 1 ? `Candidate ${letters[0]} is` : `Candidates ${letters.join(', ')} are`} on your
        shortlist.
      </p>
      <p className="mt-2 flex flex-wrap items-baseline gap-x-5 gap-y-2">
        <Button look="main" ref={next} onClick={another}>
          {children}
        </Button>
        <Link
          to="/sites/$siteId/worksheet"
          params={{ siteId: page.id }}
          search={{ view: letters[0] }}
          className="ink font-semibold"
        >
          Open candidate {letters[0]}
        </Link>
        <Link to="/sites/$siteId/compare" params={{ siteId: page.id }} search={{}} className="ink font-semibold">
          Compare the candidates
        </Link>
      </p>
    </Announced>
  );
}
