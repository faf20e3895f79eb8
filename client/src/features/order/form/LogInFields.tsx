import { useQuery } from '@tanstack/react-query';
import { keys } from '../../../api/wire/keys';
import { useState } from 'react';
import { useWatch, type UseFormReturn } from 'react-hook-form';
import { api, expect } from '../../../api/wire/client';
import { useSite } from '../../../api/site/site';
import { cx } from '../../../ui/cx';
import { TextField } from '../../../ui/fields/Field';
import { useSettled } from '../../../ui/useSettled';
import type { OrderForm } from './form';

/** The log-in at the host, by the host's own rules, which stand beside it and are ticked off while it is typed. */
export function LogInFields({ form, book }: { form: UseFormReturn<OrderForm>; book: string }) {
  const { books } = useSite();
  const provider = books.find((known) => known.id === book)?.provider;
  const typed = useWatch({ control: form.control, name: 'logIn' });
  const settled = useSettled(typed, 250);
  const check = useQuery({
    queryKey: keys.logIn(book, settled),
    queryFn: async () =>
      expect(await api.POST('/api/sellers/{book}/log-in-check', { params: { path: { book } }, body: settled })),
    placeholderData: (before) => before,
    gcTime: 0,
    retry: false,
  });
  const faults = form.formState.errors.logIn;
  const [isFilling, setFilling] = useState(false);
  // The rules matter while a name is made up: beside empty fields they would only frighten.
  const rules = isFilling || typed.user || typed.passcode ? (check.data?.rules ?? []) : [];
  return (
    <section
      className="mt-7"
      onFocus={(event) => setFilling(event.target instanceof HTMLInputElement)}
      onBlur={() => setFilling(false)}
    >
      <h2 className="text-lg">
        Your log-in at <bdi>{provider}</bdi>
      </h2>
      <p className="text-soft text-sm">
        Leave both empty and the host makes a user name. The first password it makes itself; you see it once, on the key
        sheet. The passcode is what its telephone support asks you for: we hand it on and do not keep it.
      </p>
      <div className="mt-3 grid gap-3 sm:grid-cols-2">
        <TextField
          label="User name"
          optional
          autoComplete="off"
          autoCapitalize="none"
          spellCheck={false}
          {...form.register('logIn.user')}
          fault={faults?.user?.message ?? (check.data?.isTaken ? 'Somebody has that name already.' : undefined)}
        />
        <TextField
          label="Passcode for the telephone"
          optional
          inputMode="numeric"
          autoComplete="off"
          {...form.register('logIn.passcode')}
          fault={faults?.passcode?.message}
        />
      </div>
      {check.error && <p className="text-soft mt-2 text-sm">{check.error.message}</p>}
      <ul className="mt-2 text-sm" aria-label="What the host asks of it" hidden={rules.length === 0}>
        {rules.map((rule) => (
          <li
            key={rule.rule}
            className={cx('flex', rule.isMet === null ? 'text-soft' : rule.isMet ? 'text-green' : 'text-red')}
          >
            <span aria-hidden="true" className="w-5 shrink-0">
              {rule.isMet === null ? '·' : rule.isMet ? '✓' : '✗'}
            </span>
            <span>
              {rule.words}
              {rule.isMet !== null && <span className="sr-only">{rule.isMet ? ' (yes)' : ' (not yet)'}</span>}
            </span>
          </li>
        ))}
      </ul>
    </section>
  );
}
