import type { ComponentProps } from 'react';
import { cx } from './cx';

type Look = 'main' | 'plain' | 'text';

const looks: Record<Look, string> = {
  main: 'bg-blue text-on-blue border-blue px-4 py-2 font-semibold hover:opacity-90',
  plain: 'border-blue text-blue bg-sheet px-4 py-2 font-semibold hover:bg-band',
  text: 'border-transparent text-blue border-b border-dotted border-b-blue rounded-none px-0 text-left font-semibold hover:border-solid hover:border-x-transparent hover:border-t-transparent',
};

/** A button says what happens. Blue ink: it is the owner's to press. */
export function Button({
  look = 'plain',
  className,
  type = 'button',
  ...props
}: ComponentProps<'button'> & { look?: Look }) {
  return (
    <button
      type={type}
      className={cx('rounded border disabled:cursor-default disabled:opacity-50', looks[look], className)}
      {...props}
    />
  );
}
