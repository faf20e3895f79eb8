import { useQuery } from '@tanstack/react-query';
import { useEffect, useRef } from 'react';
import type { UseFormReturn } from 'react-hook-form';
import { accountQuery, drafts } from '../../../api/account';
import { contactsOf, empty, lastContactQuery, type OrderForm } from './form';

/** Who orders is kept in this browser while it is typed, and filled in again; secrets are not. */
export function useDraft(form: UseFormReturn<OrderForm>, siteId: string) {
  const last = useQuery(lastContactQuery).data;
  const account = useQuery(accountQuery).data;
  const restored = useRef(false);
  useEffect(() => {
    if (!restored.current && last !== undefined && account) {
      restored.current = true;
      const draft = contactsOf(drafts.read(siteId));
      const known = { ...empty.contact, ...last, ...(account.mail ? { mail: account.mail } : {}) };
      if (!form.formState.isDirty) {
        form.reset({ ...empty, ...draft, contact: draft?.contact ?? known });
      }
    }
  }, [form, siteId, last, account]);
  useEffect(
    () =>
      form.subscribe({
        formState: { values: true },
        callback: ({ values: { contact, holder, isHeldByOther } }) =>
          drafts.keep(siteId, { contact, holder, isHeldByOther }),
      }),
    [form, siteId],
  );
}
