import { useQueryClient } from '@tanstack/react-query';
import { useNavigate } from '@tanstack/react-router';
import { useEffect, useRef } from 'react';
import { useConfirming } from '../../api/account';
import { sessionQuery } from '../../api/wire/queries';
import { useSite } from '../../api/site/site';
import { ConfirmMail } from './ConfirmMail';

/** The mail address is confirmed before anything is ordered or noted: then that goes on by itself. */
export function ConfirmFirst({ mail, then, goOn }: { mail: string; then: string; goOn: () => void }) {
  const { send, confirm } = useConfirming();
  const { page } = useSite();
  const queries = useQueryClient();
  const navigate = useNavigate();
  // A site that nobody changed is not the browser's to bring along: whoever comes back finds their own instead.
  const isHere = () =>
    queries.getQueryData(sessionQuery.queryKey)?.sites.some((site) => site.id === page.id)
      ? goOn()
      : void navigate({ to: '/' });
  const asked = useRef('');
  useEffect(() => {
    if (asked.current !== mail) {
      asked.current = mail;
      send.mutate(mail);
    }
  });
  return (
    <section className="border-blue mt-4 border-l-2 pl-3" aria-labelledby="confirm-first">
      <h2 id="confirm-first" className="text-lg">
        Is this your mail address?
      </h2>
      <p className="text-soft text-sm">
        We mailed you a code. It makes your account, or opens the one you have; then {then}.
      </p>
      <ConfirmMail
        mail={mail}
        mailbox={`/sites/${page.id}/mail`}
        fault={confirm.error?.message ?? send.error?.message}
        isBusy={confirm.isPending || send.isPending}
        confirm={(code) => confirm.mutate({ mail, code }, { onSuccess: isHere })}
        sendAgain={() => send.mutate(mail)}
      />
    </section>
  );
}
