import { Popover as Radix } from 'radix-ui';
import { useState, type ReactNode } from 'react';
import { Button } from '../Button';
import { cx } from '../cx';

export interface PopoverProps {
  words: ReactNode;
  label: string;
  /** For a table. */
  wide?: boolean;
  children: (close: () => void) => ReactNode;
}

/** The small sheet itself, open as soon as it is there. */
export default function PopoverSheet({ words, label, wide = false, children }: PopoverProps) {
  const [open, setOpen] = useState(true);
  return (
    <Radix.Root open={open} onOpenChange={setOpen}>
      <Radix.Trigger asChild>
        <Button look="text" aria-label={label}>
          {words}
        </Button>
      </Radix.Trigger>
      <Radix.Portal>
        <Radix.Content
          aria-label={label}
          align="end"
          sideOffset={8}
          collisionPadding={12}
          className={cx(
            'bg-sheet border-rule z-50 max-w-[calc(100vw-1.5rem)] rounded-md border p-4 shadow-xl',
            wide ? 'w-[36rem]' : 'w-80',
          )}
        >
          {children(() => setOpen(false))}
        </Radix.Content>
      </Radix.Portal>
    </Radix.Root>
  );
}
