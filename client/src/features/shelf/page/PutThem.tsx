import { useState } from 'react';
import { useShelfChanges } from '../../../api/books/shelf';
import { Button } from '../../../ui/Button';
import { OnShortlist } from '../OnShortlist';
import { Differences, type KnownLook } from '../TakeIt';
import { shortlistFault, useShortlist } from '../useShortlist';
import { useReview } from './review';
import { Announced } from '../../../ui/said/Announced';

/**
 * What joining the seller's price list would change, and the one press that puts the plans on the shelf and the
 * shortlist.
 */
export function PutThem({ isStale, another }: { isStale: boolean; another: () => void }) {
  const { read, select } = useReview();
  const { take } = useShelfChanges();
  const [put, setPut] = useState<string[] | null>(null);
  const [error, setError] = useState<string | null>(null);
  const shortlist = useShortlist();
  const { book, candidates, faults, addsTo, look } = read;

  if (put) {
    return (
      <OnShortlist letters={put} another={another}>
        Paste another seller’s page
      </OnShortlist>
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
                  void shortlist
                    .put(candidates)
                    .then((letters) => {
                      select(null);
                      setPut(letters);
                    })
                    .catch((fault: unknown) => setError(shortlistFault(shortlist.letters(), fault))),
              });
            }
          }}
        >
          {candidates.length === 1
            ? 'This is right: put it on my shortlist'
            : `These are right: put ${candidates.length || 'the'} plans on my shortlist`}
        </Button>
        <Announced className="text-soft text-sm">
          {faults.length > 0 ? openWords(faults.length) : isStale ? 'Working it out again …' : ''}
        </Announced>
        {(take.error || error) && <Announced className="text-red">{take.error?.message ?? error}</Announced>}
      </div>
    </div>
  );
}

const openWords = (count: number) =>
  count === 1 ? 'One question in red is still open.' : `${count} questions in red are still open.`;
