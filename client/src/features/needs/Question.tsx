import type { ReactNode } from 'react';
import { cx } from '../../ui/cx';
import { InkPopover } from '../../ui/Popover';

/** A question in the owner's words, its answer, and the requirement that it becomes: to be written over where the answer is only a rough one. */
export function Question({
  ask,
  becomes,
  edit,
  children,
}: {
  ask: string;
  /** Empty: no preference. */
  becomes: string;
  edit?: (close: () => void) => ReactNode;
  children: ReactNode;
}) {
  const words = becomes || 'no preference';
  return (
    <div className="border-rule grid items-start gap-x-5 gap-y-1 border-b py-2 sm:grid-cols-[1fr_15.5rem_11rem]">
      <p className="font-semibold sm:font-normal">{ask}</p>
      <div>{children}</div>
      <div className={cx('text-[13px]', becomes ? 'text-ink' : 'text-soft')}>
        {edit ? (
          <InkPopover words={words} label={`${ask} It becomes: ${words}. Write the requirement`}>
            {edit}
          </InkPopover>
        ) : (
          words
        )}
      </div>
    </div>
  );
}
