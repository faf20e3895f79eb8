import { useEffect, useRef, useState } from 'react';
import { Button } from '../Button';
import { TextField } from '../fields/Field';

/** Typing in the code that was mailed; another one can be asked for. */
export function ConfirmMail({
  mail,
  code: first = '',
  fault,
  isBusy,
  mailbox,
  confirm,
  sendAgain,
}: {
  mail: string;
  /** What a link in the mail filled in. */
  code?: string;
  fault?: string;
  isBusy: boolean;
  /** Where the mail is read, in this simulated world. */
  mailbox?: string;
  confirm: (code: string) => void;
  sendAgain: () => void;
}) {
  const [code, setCode] = useState(first);
  const field = useRef<HTMLDivElement>(null);
  useEffect(() => field.current?.querySelector('input')?.focus(), []);
  return (
    <div ref={field} className="mt-3 flex max-w-md flex-col gap-2">
      <TextField
        label={`The six digits that were mailed to ${mail}`}
        required
        inputMode="numeric"
        autoComplete="one-time-code"
        value={code}
        onChange={(event) => setCode(event.target.value)}
        onKeyDown={(event) => {
          // It stands inside a larger form at times, which is not to be sent by this.
          if (event.key === 'Enter') {
            event.preventDefault();
            confirm(code);
          }
        }}
        fault={fault}
        hint={
          <>
            They count once, for 15 minutes. Everything here is simulated: the mail is on{' '}
            {mailbox ? (
              <a className="ink" href={mailbox} target="_blank" rel="noreferrer">
                the Mail page<span className="sr-only"> (in a new tab)</span>
              </a>
            ) : (
              'the Mail page'
            )}
            , here or in the browser that confirmed the address first.
          </>
        }
      />
      <div className="flex flex-wrap items-center gap-4">
        <Button look="main" disabled={isBusy} onClick={() => confirm(code)}>
          Confirm
        </Button>
        <Button look="text" disabled={isBusy} onClick={sendAgain}>
          Mail another code
        </Button>
      </div>
    </div>
  );
}
