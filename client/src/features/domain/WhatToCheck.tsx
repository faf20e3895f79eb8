import { useId, useState } from 'react';
import { useForm } from 'react-hook-form';
import { useSite } from '../../api/site/site';
import { Button } from '../../ui/Button';
import { TextField } from '../../ui/fields/Field';

export interface Question {
  text?: string | null;
  ideas?: { business: string; trade: string; town: string } | null;
  endings: string[];
}

const usual = ['com', 'co.uk', 'org', 'shop'];

/** Where the names come from, and under which endings they are looked for. */
export function WhatToCheck({ check, isBusy }: { check: (question: Question) => Promise<void>; isBusy: boolean }) {
  const { page } = useSite();
  const sold = page.worksheet.endings.map(({ ending }) => ending);
  const [endings, setEndings] = useState(() => sold.filter((ending) => usual.includes(ending)));
  const [from, setFrom] = useState<'ideas' | 'list'>('ideas');
  return (
    <div className="mt-4 max-w-5xl">
      <fieldset className="flex flex-wrap gap-x-5">
        <legend className="sr-only">Where the names come from</legend>
        <Choice name="from" checked={from === 'ideas'} onChange={() => setFrom('ideas')}>
          Give me ideas
        </Choice>
        <Choice name="from" checked={from === 'list'} onChange={() => setFrom('list')}>
          I have a list
        </Choice>
      </fieldset>
      <fieldset className="mt-2 flex flex-wrap gap-x-5">
        <legend className="float-left mr-5 font-semibold">Under</legend>
        {sold.map((ending) => (
          <label key={ending} className="flex items-baseline gap-1.5">
            <input
              type="checkbox"
              className="translate-y-0.5"
              checked={endings.includes(ending)}
              onChange={(event) =>
                setEndings(sold.filter((one) => (one === ending ? event.target.checked : endings.includes(one))))
              }
            />
            .{ending}
          </label>
        ))}
      </fieldset>
      {from === 'ideas' ? (
        <FromIdeas check={(ideas) => check({ ideas, endings })} isBusy={isBusy} />
      ) : (
        <FromList check={(text) => check({ text, endings })} isBusy={isBusy} />
      )}
    </div>
  );
}

function Choice({ children, ...props }: { name: string; checked: boolean; onChange: () => void; children: string }) {
  return (
    <label className="flex items-baseline gap-1.5">
      <input type="radio" className="translate-y-0.5" {...props} />
      {children}
    </label>
  );
}

function FromIdeas({
  check,
  isBusy,
}: {
  check: (ideas: NonNullable<Question['ideas']>) => Promise<void>;
  isBusy: boolean;
}) {
  const { page } = useSite();
  const { register, handleSubmit } = useForm({ defaultValues: { business: page.name, trade: '', town: '' } });
  return (
    <form
      className="mt-2 grid items-end gap-3 sm:grid-cols-[1fr_1fr_1fr_auto]"
      onSubmit={(event) => void handleSubmit((typed) => void check(typed))(event)}
    >
      <TextField label="The business is called" maxLength={100} {...register('business')} />
      <TextField label="It does" maxLength={100} placeholder="clock and barometer repairs" {...register('trade')} />
      <TextField label="In" maxLength={100} placeholder="the town" {...register('town')} />
      <Button type="submit" disabled={isBusy}>
        Think of names and check them
      </Button>
    </form>
  );
}

function FromList({ check, isBusy }: { check: (text: string) => Promise<void>; isBusy: boolean }) {
  const id = useId();
  const [text, setText] = useState('');
  return (
    <form
      className="mt-2"
      onSubmit={(event) => {
        event.preventDefault();
        void check(text);
      }}
    >
      <div className="flex flex-wrap items-baseline gap-x-4">
        <label htmlFor={id} className="font-semibold">
          Names, one a line
        </label>
        <label className="text-soft text-sm">
          or a CSV file with a column of them:{' '}
          <input
            type="file"
            accept=".csv,.tsv,.txt,text/csv"
            className="text-blue max-w-full"
            onChange={(event) => {
              void event.target.files?.[0]?.text().then(setText);
              event.target.value = '';
            }}
          />
        </label>
      </div>
      <textarea
        id={id}
        rows={5}
        value={text}
        spellCheck={false}
        onChange={(event) => setText(event.target.value)}
        placeholder={'Ostler & Wren\nwrenclocks.co.uk\nthebarometershop'}
        className="border-blue bg-sheet placeholder:text-soft mt-1 w-full rounded border px-2.5 py-1.5"
      />
      <Button type="submit" className="mt-1" disabled={isBusy || text.trim() === ''}>
        Check them
      </Button>
    </form>
  );
}
