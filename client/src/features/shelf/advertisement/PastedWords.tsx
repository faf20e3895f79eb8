import { useMutation } from '@tanstack/react-query';
import { useId, useState } from 'react';
import { readAdvertisement, type Finding } from '../../../api/books/fromPage';
import { Button } from '../../../ui/Button';
import { Announced } from '../../../ui/said/Announced';

/** The page's own words, pasted: what they say for certain fills in the form. */
export function PastedWords({ read }: { read: (findings: Finding[]) => void }) {
  const id = useId();
  const [text, setText] = useState('');
  const reading = useMutation({ mutationFn: readAdvertisement, onSuccess: read });
  return (
    <section className="border-blue rounded border border-dashed px-4 py-3">
      <label htmlFor={id} className="font-semibold">
        The page’s own words
      </label>
      <textarea
        id={id}
        rows={4}
        maxLength={20000}
        value={text}
        onChange={(event) => setText(event.target.value)}
        placeholder="£2.99 a month for 36 months, billed upfront. Renews at £8.99 a month …"
        className="border-blue bg-sheet placeholder:text-soft mt-1 w-full rounded border px-2.5 py-1.5"
      />
      <div className="mt-1 flex flex-wrap items-baseline gap-x-4 gap-y-1">
        <Button disabled={text.trim() === '' || reading.isPending} onClick={() => reading.mutate(text)}>
          Read them
        </Button>
        <Announced className="text-sm">
          {reading.error ? (
            <span className="text-red">{reading.error.message}</span>
          ) : reading.data ? (
            saidOf(reading.data.length)
          ) : (
            <span className="text-soft">Only what is certain is filled in; you say yes to each before it counts.</span>
          )}
        </Announced>
      </div>
    </section>
  );
}

const saidOf = (count: number) =>
  count === 0
    ? 'Nothing in these words is certain: type the answers below.'
    : `${count} ${count === 1 ? 'answer was' : 'answers were'} read. Look at each below; the others are yours to type.`;
