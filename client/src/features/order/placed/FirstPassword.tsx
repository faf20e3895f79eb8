import { useMutation } from '@tanstack/react-query';
import { useBlocker } from '@tanstack/react-router';
import { useEffect, useRef, useState } from 'react';
import { api, expect } from '../../../api/wire/client';
import { Button } from '../../../ui/Button';
import { Announced } from '../../../ui/said/Announced';

/** Shown or copied once, never printed nor kept: the host makes one until it is told that one was seen. */
export function FirstPassword({ orderId }: { orderId: string }) {
  const [copied, setCopied] = useState(false);
  const shown = useMutation({
    mutationFn: async ({ copies }: { copies: boolean }) => {
      const answer = expect(await api.POST('/api/orders/{orderId}/first-password', { params: { path: { orderId } } }));
      if (copies && answer.password) {
        await navigator.clipboard.writeText(answer.password);
        setCopied(true);
      }

      return answer;
    },
    // It has reached the page: the host need not keep it any longer. Where this is lost, it can be shown once more, and
    // no harm is done.
    onSuccess: async (answer) => {
      if (answer.password) {
        await api.POST('/api/orders/{orderId}/first-password/seen', { params: { path: { orderId } } });
      }
    },
    gcTime: 0,
  });
  const answer = useRef<HTMLSpanElement>(null);
  const isThere = shown.data !== undefined;
  useEffect(() => {
    if (isThere) {
      answer.current?.focus();
    }
  }, [isThere]);

  if (shown.data) {
    return (
      <span ref={answer} tabIndex={-1} className="outline-none">
        {!shown.data.password ? (
          <span className="font-normal">
            It has been shown already. If you lost it, ask the host for a new one on its log-in page.
          </span>
        ) : copied ? (
          <span className="font-normal">
            The password is copied. Paste it where you keep passwords: it is not shown again. Change it when you first
            log in.
          </span>
        ) : (
          <Shown password={shown.data.password} />
        )}
      </span>
    );
  }

  return (
    <span className="no-print">
      <span className="flex flex-wrap gap-x-4">
        <Button look="text" aria-disabled={shown.isPending} onClick={() => shown.mutate({ copies: true })}>
          Copy it without showing it
        </Button>
        <Button look="text" aria-disabled={shown.isPending} onClick={() => shown.mutate({ copies: false })}>
          Show it once
        </Button>
      </span>
      {shown.error && (
        <Announced as="span" className="text-red block text-sm font-normal">
          {shown.error.message}
        </Announced>
      )}
    </span>
  );
}

/** The password itself. Leaving before it is noted asks first: it is not shown again. */
function Shown({ password }: { password: string }) {
  const [noted, setNoted] = useState(false);
  const [copied, setCopied] = useState(false);
  const kept = noted || copied;
  useBlocker({
    shouldBlockFn: () => !window.confirm('The first password is not shown again. Leave without having noted it?'),
    enableBeforeUnload: true,
    disabled: kept,
  });
  return (
    <>
      <code className="no-print">{password}</code>
      <span className="text-red block text-sm font-normal">
        Write it down now: it is not shown again. Change it when you first log in.
      </span>
      <span className="no-print flex flex-wrap gap-x-4 text-sm font-normal">
        <Button look="text" onClick={() => void navigator.clipboard.writeText(password).then(() => setCopied(true))}>
          Copy it
        </Button>
        {kept ? (
          <span className="text-green">{copied ? 'Copied.' : 'Noted.'}</span>
        ) : (
          <Button look="text" onClick={() => setNoted(true)}>
            I have noted it
          </Button>
        )}
      </span>
    </>
  );
}
