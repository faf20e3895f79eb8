import { Dialog as Radix } from 'radix-ui';
import { useEffect, useRef, type ReactNode } from 'react';
import { Button } from '../Button';
import { cx } from '../cx';

export interface DialogProps {
  open: boolean;
  onOpenChange: (open: boolean) => void;
  title: string;
  about?: string;
  wide?: boolean;
  children: ReactNode;
}

/** A sheet that floats over the page until it is closed. */
export default function DialogSheet({ open, onOpenChange, title, about, wide, children }: DialogProps) {
  const opener = useOpener(open);
  return (
    <Radix.Root open={open} onOpenChange={onOpenChange}>
      <Radix.Portal>
        <Radix.Overlay className="bg-ink/40 fixed inset-0 z-40 dark:bg-black/60" />
        <Radix.Content
          aria-describedby={about ? undefined : ''}
          onCloseAutoFocus={(event) => {
            // It is opened by the address as often as by a press beside it: what had the focus has it again.
            if (opener.current?.isConnected) {
              event.preventDefault();
              opener.current.focus();
            }
          }}
          className={cx(
            'bg-sheet border-rule fixed top-1/2 left-1/2 z-50 max-h-[90vh] w-[calc(100vw-1.5rem)] -translate-x-1/2 -translate-y-1/2 overflow-auto rounded-md border p-5 shadow-xl',
            wide ? 'max-w-[78rem]' : 'max-w-lg',
          )}
        >
          <div className="mb-3 flex items-start gap-4">
            <div className="grow">
              <Radix.Title className="text-xl">{title}</Radix.Title>
              {about && <Radix.Description className="text-soft">{about}</Radix.Description>}
            </div>
            <Radix.Close asChild>
              <Button look="text">Close</Button>
            </Radix.Close>
          </div>
          {children}
        </Radix.Content>
      </Radix.Portal>
    </Radix.Root>
  );
}

/** What had the focus before it opened: known from before, as the sheet itself takes it. */
function useOpener(open: boolean) {
  const opener = useRef<HTMLElement | null>(
    document.activeElement instanceof HTMLElement ? document.activeElement : null,
  );
  useEffect(() => {
    if (open) {
      return;
    }

    const remember = ({ target }: FocusEvent) => {
      opener.current = target instanceof HTMLElement ? target : null;
    };
    document.addEventListener('focusin', remember);
    return () => document.removeEventListener('focusin', remember);
  }, [open]);
  return opener;
}
