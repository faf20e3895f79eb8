import { useQuery } from '@tanstack/react-query';
import { Link, useNavigate } from '@tanstack/react-router';
import { useState } from 'react';
import { noAnswers, pageReviewQuery, type Answers, type Candidate, type Pasted } from '../../../api/pages';
import { useShelfChanges } from '../../../api/shelf';
import { useSite } from '../../../api/site';
import { Button } from '../../../ui/Button';
import { useSettled } from '../../../ui/useSettled';
import { PageQuestions } from './PageQuestions';
import { PageWords } from './PageWords';
import { PasteBox } from './PasteBox';
import { ReadPlans } from './ReadPlans';

/** A seller's page, pasted: every plan on it beside the words it was read from, to look at and put on the shelf. */
export function PastedPage() {
  const { page, changes } = useSite();
  const [pasted, setPasted] = useState<Pasted | null>(null);
  const [answers, setAnswers] = useState<Answers>(noAnswers);
  const settled = useSettled(answers, 250);
  const review = useQuery(pageReviewQuery(page.id, pasted, settled));
  const { take } = useShelfChanges();
  const navigate = useNavigate();
  const answer = (more: Partial<Answers>) => setAnswers((before) => ({ ...before, ...more }));
  const read = review.data;

  const put = () => {
    if (!read?.book) {
      return;
    }

    take.mutate(read.book, { onSuccess: () => void shortlist(read.candidates) });
  };

  const shortlist = async (candidates: Candidate[]) => {
    let last: string | undefined;
    for (const candidate of candidates) {
      const after = await changes.changeAsync({ kind: 'add-candidate', candidate });
      last = after.shortlist.at(-1)?.letter;
    }

    await navigate({ to: '/sites/$siteId/worksheet', params: { siteId: page.id }, search: { view: last } });
  };

  return (
    <div className="py-5">
      <title>{`A seller’s page · ${page.name} · Home Start`}</title>
      <p className="text-sm">
        <Link to="/sites/$siteId/shelf" params={{ siteId: page.id }} search={{}} className="ink">
          Your price lists
        </Link>
      </p>
      <h1 className="text-2xl">Paste a seller’s page</h1>
      <p className="text-soft max-w-3xl">
        Open the seller’s page, select all of it, copy it, and paste it here. Nothing is fetched from the seller, and
        nothing leaves Home Start.
      </p>
      <PasteBox
        error={review.error?.message ?? null}
        isReading={review.isFetching}
        give={(next) => {
          setPasted(next);
          setAnswers(noAnswers);
        }}
      />
      {read && (
        <div className="mt-6 grid gap-x-10 gap-y-6 lg:grid-cols-[minmax(0,1fr)_24rem]">
          <div className="min-w-0">
            <ReadPlans read={read} answers={answers} answer={answer} />
            <PageQuestions read={read} answers={answers} answer={answer} />
            <div className="mt-5 flex flex-wrap items-baseline gap-x-5 gap-y-2">
              <Button look="main" disabled={!read.book || review.isPlaceholderData || take.isPending} onClick={put}>
                {read.candidates.length > 1
                  ? `Put these ${read.candidates.length} plans on the shelf and on the shortlist`
                  : 'Put it on the shelf and on the shortlist'}
              </Button>
              <p role="status" className="text-soft text-sm">
                {read.faults.length > 0
                  ? `${read.faults.length === 1 ? 'One question is' : `${read.faults.length} questions are`} open.`
                  : read.addsTo && `It joins your price list of ${read.addsTo}.`}
              </p>
              {take.error && (
                <p role="alert" className="text-red">
                  {take.error.message}
                </p>
              )}
            </div>
          </div>
          <PageWords page={read.page} />
        </div>
      )}
    </div>
  );
}
