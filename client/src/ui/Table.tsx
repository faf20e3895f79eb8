import type { ComponentProps, ReactNode } from 'react';
import { cx } from './cx';

const stacked =
  'max-sm:block max-sm:[&>thead]:sr-only max-sm:[&>tbody]:block max-sm:[&>tbody>tr]:flex max-sm:[&>tbody>tr]:flex-wrap max-sm:[&>tbody>tr>th]:w-full';

type Props<T extends 'table' | 'tr' | 'th' | 'td'> = ComponentProps<T>;

/**
 * A ruled table. Its caption is for those who cannot see what stands above it, unless it is to be shown. One that
 * stacks has its cells one beside another under the row's name where there is no room for columns.
 */
export function Table({
  caption,
  shown = false,
  stacks = false,
  className,
  children,
  ...props
}: Props<'table'> & { caption: ReactNode; shown?: boolean; stacks?: boolean }) {
  return (
    <table className={cx('text-left text-[14px]', stacks && stacked, className)} {...props}>
      <caption className={shown ? 'text-soft text-left' : 'sr-only'}>{caption}</caption>
      {children}
    </table>
  );
}

/** The row of heads, with the line under it. */
export function Heads({ className, children }: { className?: string; children: ReactNode }) {
  return (
    <thead className={className}>
      <tr className="text-soft [&>*]:border-ink align-bottom text-[13px] [&>*]:border-b [&>*]:px-2.5 [&>*]:py-1 [&>*]:font-semibold">
        {children}
      </tr>
    </thead>
  );
}

/** The head of a column of words; of figures, where it says so. */
export function Head({ figures = false, className, ...props }: Props<'th'> & { figures?: boolean }) {
  return <th scope="col" className={cx(figures && 'text-right', className)} {...props} />;
}

/** A row on the paper or, every second, on a band; named by its first cell. */
export function Row({ label, className, children, ...props }: Props<'tr'> & { label: ReactNode }) {
  return (
    <tr className={cx('odd:bg-band align-top [&>*]:px-2.5 [&>*]:py-1', className)} {...props}>
      <th scope="row" className="font-normal">
        {label}
      </th>
      {children}
    </tr>
  );
}

export function Cell({ figures = false, className, ...props }: Props<'td'> & { figures?: boolean }) {
  return <td className={cx(figures && 'text-right', className)} {...props} />;
}

/** What a cell of a table that stacks is, where its column has no head to be seen. */
export function InNarrow({ children }: { children: string }) {
  return <span className="text-soft sm:hidden">{children} </span>;
}
