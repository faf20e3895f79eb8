import { useEffect, useId, useRef, useState } from 'react';
import { Button } from '../../../ui/Button';
import { cx } from '../../../ui/cx';
import { useReview } from './review';
import { isOf, marked, placeable, planName, shownWords, valueOf, whyWords } from './words';

const mostLeft = 30;

/** The page's own words, each value marked where it stands, and the amounts that went nowhere below. */
export function PageWords() {
  const { read, selected, select } = useReview();
  const { page } = read;
  const lit = useRef<HTMLButtonElement>(null);
  useEffect(() => {
    void lit.current?.scrollIntoView({ block: 'nearest' });
  }, [selected]);
  const pieces = marked(page);
  const isLit = (ats: string[]) => selected !== null && ats.some((at) => isOf(at, selected));
  const first = pieces.findIndex(({ ats }) => isLit(ats));
  return (
    <aside aria-label="The page’s own words" className="min-w-0 lg:sticky lg:top-4 lg:self-start">
      <h2 className="text-lg">The page’s own words</h2>
      <p className="text-soft text-sm">What was read is marked. Press a mark to see what it was taken for.</p>
      <div
        role="region"
        aria-label="Words of the page"
        tabIndex={0}
        className="border-rule mt-2 max-h-96 overflow-auto border px-3 py-2 text-sm break-words whitespace-pre-wrap"
      >
        {pieces.map(({ words, ats }, index) =>
          ats.length > 0 ? (
            <button
              key={index}
              type="button"
              ref={index === first ? lit : undefined}
              aria-pressed={isLit(ats)}
              className={cx(
                'inline border-b text-left break-words whitespace-pre-wrap',
                isLit(ats) ? 'bg-blue text-on-blue border-blue' : 'bg-band text-ink border-blue',
              )}
              onClick={() => select(isLit(ats) ? null : firstShown(ats))}
            >
              {shownWords(words)}
            </button>
          ) : (
            <span key={index}>{shownWords(words)}</span>
          ),
        )}
      </div>
      {page.notPlaced.length > 0 && (
        <>
          <h3 className="mt-4 font-semibold">Amounts that were left out</h3>
          <ul className="text-sm">
            {page.notPlaced.slice(0, mostLeft).map((left) => (
              <li key={left.from}>
                <b>{shownWords(left.words)}</b> <span className="text-soft">{whyWords(left.why)}</span>{' '}
                <PlaceIt from={left.from} />
              </li>
            ))}
            {page.notPlaced.length > mostLeft && (
              <li className="text-soft">and {page.notPlaced.length - mostLeft} more</li>
            )}
          </ul>
        </>
      )}
    </aside>
  );
}

// A sentence that several values were read from shows the first that stands in the table.
const firstShown = (ats: string[]) => valueOf(ats.find((at) => at.startsWith('/plans/')) ?? ats[0]!);

/** An amount that was left out, given to a plan by hand. */
function PlaceIt({ from }: { from: number }) {
  const { read, change, select } = useReview();
  const id = useId();
  const [isOpen, setOpen] = useState(false);
  const [plan, setPlan] = useState('0');
  const [as, setAs] = useState('ways/0/price');
  const { plans } = read.page;
  if (plans.length === 0) {
    return null;
  }

  return isOpen ? (
    <span className="my-1 flex flex-wrap items-baseline gap-x-2 gap-y-1">
      <label htmlFor={`${id}-as`}>It is</label>
      <select
        id={`${id}-as`}
        value={as}
        onChange={(event) => setAs(event.target.value)}
        className="border-blue bg-sheet border"
      >
        {placeable.map(({ field, words }) => (
          <option key={field} value={field}>
            {words}
          </option>
        ))}
      </select>
      <label htmlFor={`${id}-of`}>of</label>
      <select
        id={`${id}-of`}
        value={plan}
        onChange={(event) => setPlan(event.target.value)}
        className="border-blue bg-sheet border"
      >
        {plans.map((known, index) => (
          <option key={index} value={index}>
            {planName(known, index)}
          </option>
        ))}
      </select>
      <Button
        look="text"
        onClick={() => {
          const at = `/plans/${plan}/${as}`;
          change({ at, from });
          select(at);
        }}
      >
        Place it there
      </Button>
      <Button look="text" onClick={() => setOpen(false)}>
        Leave it out
      </Button>
    </span>
  ) : (
    <Button look="text" onClick={() => setOpen(true)}>
      Place it
    </Button>
  );
}
