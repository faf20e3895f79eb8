import { Dialog as Radix } from 'radix-ui';
import type { ReactNode } from 'react';
import { Button } from './Button';
import { cx } from './cx';

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
  return (
    <Radix.Root open={open} onOpenChange={onOpenChange}>
      <Radix.Portal>
        <Radix.Overlay className="bg-ink/40 fixed inset-0 z-40 dark:bg-black/60" />
        <Radix.Content
          aria-describedby={about ? undefined : ''}
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
