import type { ReactNode } from 'react';
import { cx } from '../cx';

/** A note in the margin: red looks out, green saves. The words say so too. */
export function Note({
  ink,
  children,
  className,
}: {
  ink: 'red' | 'green' | 'soft';
  children: ReactNode;
  className?: string;
}) {
  const inks = { red: 'border-red text-red', green: 'border-green text-green', soft: 'border-rule text-soft' };
  return (
    <span className={cx('note block border-l-2 py-0.5 pl-3 text-[13px] leading-[18px]', inks[ink], className)}>
      {children}
    </span>
  );
}
