import { useId, type ReactNode } from 'react';
import { cx } from '../../ui/cx';
import { InkPopover } from '../../ui/sheets/Popover';

/**
 * A question in the owner's words, its answer, and the requirement that it becomes: to be written over where the answer
 * is only a rough one.
 */
export function Question({
  ask,
  about,
  becomes,
  edit,
  children,
}: {
  ask: string;
  /** What the question is about, for who has never bought hosting: behind "What is this?". */
  about?: string;
  /** Empty: no preference. */
  becomes: string;
  edit?: (close: () => void) => ReactNode;
  children: ReactNode;
}) {
  const words = becomes || 'no preference';
  const id = useId();
  return (
    <div
      role="group"
      aria-labelledby={id}
      className="border-rule grid items-start gap-x-5 gap-y-1 border-b py-2 sm:grid-cols-[1fr_15.5rem_11rem]"
    >
      <div className="font-semibold sm:font-normal">
        <p id={id}>{ask}</p>
        {about && (
          <details className="text-[13px] font-normal">
            <summary className="text-blue cursor-pointer font-semibold">
              What is this?<span className="sr-only"> {ask}</span>
            </summary>
            <p className="text-soft max-w-prose">{about}</p>
          </details>
        )}
      </div>
      <div>{children}</div>
      <div className={cx('text-[13px]', becomes ? 'text-ink' : 'text-soft')}>
        {edit ? (
          <InkPopover words={words} label={`${words}: ${ask} Write the requirement`}>
            {edit}
          </InkPopover>
        ) : (
          words
        )}
      </div>
    </div>
  );
}
