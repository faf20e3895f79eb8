import type { ReactNode } from 'react';
import { cx } from './cx';

/** A block that may be wider than the screen; it can be scrolled by keyboard too. */
export function ScrollRegion({
  label,
  className,
  children,
}: {
  label: string;
  className?: string;
  children: ReactNode;
}) {
  return (
    <div role="region" aria-label={label} tabIndex={0} className={cx('overflow-x-auto', className)}>
      {children}
    </div>
  );
}
