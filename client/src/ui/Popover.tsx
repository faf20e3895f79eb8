import { Popover as Radix } from 'radix-ui';
import { useState, type ReactNode } from 'react';
import { Button } from './Button';

/** A small sheet that opens under words in blue ink. Its contents get a way to close it. */
export function InkPopover({
  words,
  label,
  children,
}: {
  words: ReactNode;
  label: string;
  children: (close: () => void) => ReactNode;
}) {
  const [open, setOpen] = useState(false);
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
          className="bg-sheet border-rule z-50 w-80 max-w-[calc(100vw-1.5rem)] rounded-md border p-4 shadow-xl"
        >
          {children(() => setOpen(false))}
        </Radix.Content>
      </Radix.Portal>
    </Radix.Root>
  );
}
