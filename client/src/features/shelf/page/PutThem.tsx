import { Link } from '@tanstack/react-router';
import { useEffect, useRef, useState } from 'react';
import type { Candidate } from '../../../api/pages';
import { useShelfChanges } from '../../../api/shelf';
import { useSite } from '../../../api/site';
import { Button } from '../../../ui/Button';
import { Differences, type KnownLook } from '../TakeIt';
import { useReview } from './review';

/** What joining the seller's price list would change, and the one press that puts the plans on the shelf and the shortlist. */
export function PutThem({ isStale, another }: { isStale: boolean; another: () => void }) {
  const { read, select } = useReview();
  const { page, changes } = useSite();
  const { take } = useShelfChanges();
  const [put, setPut] = useState<string[] | null>(null);
  const [error, setError] = useState<string | null>(null);
  const next = useRef<HTMLButtonElement>(null);
  const listed = useRef(new Map<string, string>());
  useEffect(() => {
    if (put) {
      next.current?.focus();
    }
  }, [put]);
  const { book, candidates, faults, addsTo, look } = read;

  // Where the shortlist had no room for all, the next press goes on behind those that are on it.
  const shortlist = async () => {
    const done = listed.current;
    const { candidate, letter } = page.worksheet;
    let empty = done.size === 0 && candidate.hosting === null && candidate.domains.length === 0 ? letter : null;
    for (const added of candidates.filter((next) => !done.has(keyOf(next)))) {
      const after = await changes.changeAsync(
        empty
          ? { kind: 'replace-candidate', letter: empty, candidate: added }
          : { kind: 'add-candidate', copyOf: null, candidate: added },
      );
      done.set(keyOf(added), empty ?? after.shortlist.at(-1)?.letter ?? '');
      empty = null;
    }

    select(null);
    setPut([...done.values()]);
  };

  if (put) {
    return (
      <div role="status" className="border-green mt-5 border-l-4 pl-4">
        <p className="font-semibold">
          {put.length === 1 ? `Candidate ${put[0]} is` : `Candidates ${put.join(', ')} are`} on your shortlist.
        </p>
        <p className="mt-2 flex flex-wrap items-baseline gap-x-5 gap-y-2">
          <Button look="main" ref={next} onClick={another}>
            Paste another seller’s page
          </Button>
          <Link
            to="/sites/$siteId/worksheet"
            params={{ siteId: page.id }}
            search={{ view: put[0] }}
            className="ink font-semibold"
          >
            Open candidate {put[0]}
          </Link>
          <Link to="/sites/$siteId/compare" params={{ siteId: page.id }} search={{}} className="ink font-semibold">
            Compare the candidates
          </Link>
        </p>
      </div>
    );
  }

  return (
    <div className="mt-5">
      {addsTo && look?.book && (
        <details
          open={look.changes.length > 0 && look.changes.length < 12}
          className="border-rule mb-3 border-l-2 pl-4"
        >
          <summary className="font-semibold">
            You have a price list of <bdi>{addsTo}</bdi> already. What this page fills in and changes
          </summary>
          <Differences look={look as KnownLook} />
        </details>
      )}
      <div className="flex flex-wrap items-baseline gap-x-5 gap-y-2">
        <Button
          look="main"
          aria-disabled={!book || isStale || take.isPending}
          onClick={() => {
            if (book && !isStale && !take.isPending) {
              take.mutate(book, {
                onSuccess: () =>
                  void shortlist().catch((fault: unknown) =>
                    setError(
                      [
                        listed.current.size > 0 &&
                          `On your shortlist now: ${[...listed.current.values()].join(', ')}. The other plans are not.`,
                        fault instanceof Error ? fault.message : 'The plans were not put on the shortlist.',
                      ]
                        .filter(Boolean)
                        .join(' '),
                    ),
                  ),
              });
            }
          }}
        >
          {candidates.length === 1
            ? 'This is right: put it on my shortlist'
            : `These are right: put ${candidates.length || 'the'} plans on my shortlist`}
        </Button>
        <p role="status" className="text-soft text-sm">
          {faults.length > 0 ? openWords(faults.length) : isStale ? 'Working it out again …' : ''}
        </p>
        {(take.error || error) && (
          <p role="alert" className="text-red">
            {take.error?.message ?? error}
          </p>
        )}
      </div>
    </div>
  );
}

const keyOf = ({ hosting }: Candidate) => `${hosting?.book}/${hosting?.plan}`;

const openWords = (count: number) =>
  count === 1 ? 'One question in red is still open.' : `${count} questions in red are still open.`;
