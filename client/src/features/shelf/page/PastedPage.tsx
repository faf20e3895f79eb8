import { useQuery, useQueryClient } from '@tanstack/react-query';
import { Link } from '@tanstack/react-router';
import { useEffect, useState } from 'react';
import {
  noAnswers,
  numbered,
  pageReviewQuery,
  pastedBefore,
  type Answers,
  type Pasted,
} from '../../../api/books/pages';
import { useSite } from '../../../api/site/site';
import { Button } from '../../../ui/Button';
import { PasteBox } from '../../../ui/fields/PasteBox';
import { useSettled } from '../../../ui/useSettled';
import { PageQuestions } from './PageQuestions';
import { PageWords } from './PageWords';
import { PutThem } from './PutThem';
import { ReadPlans } from './ReadPlans';
import { ReviewContext } from './review';

/** A seller's page, pasted: every plan on it beside the words it was read from, to look at and put on the shelf. */
export function PastedPage() {
  const { page } = useSite();
  const queries = useQueryClient();
  const [pasted, setPasted] = useState<Pasted | null>(() => pastedBefore.read(queries, page.id));
  useEffect(() => pastedBefore.drop(queries, page.id), [queries, page.id]);
  const [answers, setAnswers] = useState<Answers>(noAnswers);
  const [selected, select] = useState<string | null>(null);
  const settled = useSettled(answers, 150);
  const review = useQuery(pageReviewQuery(page.id, pasted, settled));
  const answer = (more: Partial<Answers>) => setAnswers((before) => ({ ...before, ...more }));
  const afresh = (next: Pasted | null) => {
    setPasted(next);
    setAnswers(noAnswers);
    select(null);
  };
  const read = pasted ? review.data : undefined;
  return (
    <div className="py-5">
      <title>{`A seller’s page · ${page.name} · Home Start`}</title>
      <p className="text-sm">
        <Link to="/sites/$siteId/shelf" params={{ siteId: page.id }} search={{}} className="ink">
          Your price lists
        </Link>
      </p>
      <h1 className="text-2xl">
        {read?.page.provider ? `The page of ${read.page.provider}` : 'Paste a seller’s page'}
      </h1>
      {read ? (
        <p className="flex flex-wrap gap-x-5">
          <span className="text-soft">Select a value to see its words, to change it or to move it.</span>
          <Button look="text" onClick={() => afresh(null)}>
            Paste another page instead
          </Button>
        </p>
      ) : (
        <>
          <p className="text-soft max-w-3xl">
            Open the seller’s page, select all of it, copy it, and paste it here: every plan is read at once. Nothing is
            fetched from the seller, and nothing leaves Home Start.
          </p>
          <PasteBox
            label="Their page"
            error={review.error?.message ?? null}
            isReading={review.isFetching}
            give={(next) => afresh(numbered(next))}
          />
        </>
      )}
      {read && (
        <ReviewContext
          value={{
            read,
            answers,
            answer,
            selected,
            select,
            change: (change) => answer({ changes: [...answers.changes, change] }),
          }}
        >
          <div className="mt-5 grid gap-x-8 gap-y-6 lg:grid-cols-[minmax(0,1fr)_21rem]">
            <div className="min-w-0">
              <ReadPlans />
              <PageQuestions />
              <PutThem
                isStale={review.isPlaceholderData || JSON.stringify(settled) !== JSON.stringify(answers)}
                another={() => afresh(null)}
              />
            </div>
            <PageWords />
          </div>
        </ReviewContext>
      )}
    </div>
  );
}
