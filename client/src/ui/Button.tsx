import type { ComponentProps } from 'react';
import { cx } from './cx';

type Look = 'main' | 'plain' | 'text';

const looks: Record<Look, string> = {
  main: 'bg-blue text-on-blue border-blue px-4 py-2 font-semibold hover:opacity-90',
  plain: 'border-blue text-blue bg-sheet px-4 py-2 font-semibold hover:bg-band',
  text: 'words border-transparent px-0 text-left',
};

/**
 * A button says what happens. Blue ink: it is the owner's to press. One that cannot be pressed just now keeps the focus
 * and says so: a button that is busy would lose it to the page.
 */
export function Button({
  look = 'plain',
  className,
  type = 'button',
  disabled = false,
  onClick,
  'aria-disabled': isBusy,
  ...props
}: ComponentProps<'button'> & { look?: Look }) {
  return (
    <button
      type={type}
      aria-disabled={disabled || isBusy || undefined}
      className={cx('rounded border aria-disabled:cursor-default aria-disabled:opacity-50', looks[look], className)}
      onClick={(event) => {
        if (disabled) {
          event.preventDefault(); // Nor does it send its form.
        } else {
          onClick?.(event);
        }
      }}
      {...props}
    />
  );
}
