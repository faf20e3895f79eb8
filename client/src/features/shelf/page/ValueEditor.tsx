import { useEffect, useId, useRef, useState, type FormEvent } from 'react';
import type { ReadPlan } from '../../../api/books/pages';
import { Button } from '../../../ui/Button';
import { useReview } from './review';
import { choicesOf, fieldOf, fieldWords, isMovable, isOf, isRemovable, planName, shownWords, typedOf } from './words';

/** One value of a plan: the words it was read from, and what it may be instead. */
export function ValueEditor({ at, plan, index }: { at: string; plan: ReadPlan; index: number }) {
  const { read, change, select } = useReview();
  const field = fieldOf(at);
  const [typed, setTyped] = useState(typedOf(plan, at));
  const id = useId();
  const box = useRef<HTMLInputElement>(null);
  useEffect(() => {
    box.current?.focus({ preventScroll: true });
  }, []);
  const sources = read.page.sources.filter((source) => isOf(source.at, at));
  const choices = choicesOf(field);
  const say = (value: string | null) => {
    change({ at, value });
    select(null);
  };
  const others = read.page.plans
    .map((other, place) => ({ place, words: planName(other, place) }))
    .filter(({ place }) => place !== index);
  return (
    <form
      className="border-blue bg-band mb-3 border-l-4 px-4 py-2 text-sm"
      aria-label={`${fieldWords(field)} of ${planName(plan, index)}`}
      onSubmit={(event: FormEvent) => {
        event.preventDefault();
        if (typed.trim() !== '') {
          say(typed.trim());
        }
      }}
    >
      <p>
        <b>{fieldWords(field)}</b>{' '}
        {sources.length > 0 ? (
          <>
            was read from{' '}
            {[...new Set(sources.map(({ words }) => words))].map((words) => (
              <q key={words} className="mr-1">
                {shownWords(words)}
              </q>
            ))}
          </>
        ) : (
          'is not said on the page, or you said it.'
        )}
      </p>
      <div className="mt-1 flex flex-wrap items-baseline gap-x-4 gap-y-1">
        {choices.map(({ value, words }) => (
          <Button key={words} look="text" onClick={() => say(value)}>
            {words}
          </Button>
        ))}
        <span className="flex items-baseline gap-2">
          <label htmlFor={id}>{choices.length > 0 ? 'or' : 'It is'}</label>
          <input
            id={id}
            ref={box}
            value={typed}
            onChange={(event) => setTyped(event.target.value)}
            onKeyDown={(event) => event.key === 'Escape' && select(null)}
            className="border-blue bg-sheet w-36 rounded border px-2 py-0.5"
          />
          {field === 'later' && <span className="text-soft">with month, year or term behind it</span>}
          <Button look="text" type="submit">
            Change it
          </Button>
        </span>
        {isRemovable(field) && (
          <Button look="text" onClick={() => say(null)}>
            The page does not say it
          </Button>
        )}
        {isMovable(field) &&
          others.slice(0, 6).map(({ place, words }) => (
            <Button
              key={place}
              look="text"
              onClick={() => {
                change({ at, toPlan: place });
                select(null);
              }}
            >
              It is of {words}
            </Button>
          ))}
        <Button look="text" onClick={() => select(null)}>
          It is right
        </Button>
      </div>
    </form>
  );
}
