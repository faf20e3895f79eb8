import { useMutation } from '@tanstack/react-query';
import { useState } from 'react';
import { useForm } from 'react-hook-form';
import { api, expect } from '../../api/client';
import { useSite } from '../../api/site';
import { Button } from '../../ui/Button';
import { InkSelect, TextField } from '../../ui/Field';
import { adviceWords, type Name } from './nameWords';

const orders = {
  best: ['least to think twice about first', () => 0],
  short: ['the shortest first', (left: Name, right: Name) => left.label.length - right.label.length],
  letters: ['from A to Z', (left: Name, right: Name) => left.label.localeCompare(right.label)],
} as const;

/** Names made of what the business is called, what it does and where; one that is pressed is looked up above. */
export function Ideas({ take }: { take: (name: string) => void }) {
  const { page } = useSite();
  const { register, handleSubmit } = useForm({ defaultValues: { business: page.name, trade: '', town: '' } });
  const ideas = useMutation({
    mutationFn: async (body: { business: string; trade: string; town: string }) =>
      expect(await api.POST('/api/names/ideas', { body: { ...body, customersIn: null } })),
  });
  return (
    <section className="mt-8" aria-labelledby="ideas">
      <h2 id="ideas" className="text-lg">
        No name yet?
      </h2>
      <form
        className="mt-2 grid max-w-4xl items-end gap-3 sm:grid-cols-[1fr_1fr_1fr_auto]"
        onSubmit={(event) => void handleSubmit((typed) => ideas.mutate(typed))(event)}
      >
        <TextField label="The business is called" maxLength={100} {...register('business')} />
        <TextField label="It does" maxLength={100} placeholder="clock and barometer repairs" {...register('trade')} />
        <TextField label="In" maxLength={100} placeholder="the town" {...register('town')} />
        <Button type="submit" disabled={ideas.isPending}>
          Give me ideas
        </Button>
      </form>
      {ideas.error && (
        <p role="alert" className="text-red mt-1">
          {ideas.error.message}
        </p>
      )}
      {ideas.data && <Given key={ideas.submittedAt} names={ideas.data} take={take} />}
    </section>
  );
}

function Given({ names, take }: { names: Name[]; take: (name: string) => void }) {
  const [order, setOrder] = useState<keyof typeof orders>('best');
  const [isPlain, setPlain] = useState(names.some((name) => name.advice.length === 0));
  const shown = names.filter((name) => !isPlain || name.advice.length === 0).sort(orders[order][1]);
  return (
    <div className="mt-3" aria-live="polite">
      <p className="flex flex-wrap items-baseline gap-x-4">
        <span>
          {names.length} {names.length === 1 ? 'idea' : 'ideas'}, {shown.length} shown,{' '}
          <InkSelect
            label="Order of the ideas"
            value={order}
            onChange={(event) => setOrder(event.target.value as keyof typeof orders)}
          >
            {Object.entries(orders).map(([key, [words]]) => (
              <option key={key} value={key}>
                {words}
              </option>
            ))}
          </InkSelect>
        </span>
        <label className="flex items-baseline gap-2">
          <input
            type="checkbox"
            checked={isPlain}
            onChange={(event) => setPlain(event.target.checked)}
            className="translate-y-0.5"
          />
          only those with nothing to think twice about
        </label>
      </p>
      <ul className="mt-2 grid gap-x-6 gap-y-1 sm:grid-cols-3 lg:grid-cols-5">
        {shown.map((name) => (
          <li key={name.label}>
            <Button look="text" onClick={() => take(name.label)}>
              <bdi>{name.label}</bdi>
            </Button>
            {name.advice.map((advice) => (
              <span key={advice.code} className="text-soft block text-[13px]">
                {adviceWords(advice)}
              </span>
            ))}
          </li>
        ))}
      </ul>
    </div>
  );
}
