import type { ReactNode } from 'react';
import { AccountLink } from './AccountLink';
import { Logo } from './Logo';
import { ThemeSwitch } from './ThemeSwitch';

/** The top of every page: the way home first; account, help and colours last and always in this order. */
export function Header({ help, children, below }: { help: ReactNode; children?: ReactNode; below?: ReactNode }) {
  return (
    <header className="no-print mx-auto w-full max-w-[1440px] px-4 pt-2.5 sm:px-6">
      <div className="flex flex-wrap items-baseline gap-x-4 gap-y-1">
        <Logo />
        {children}
        <AccountLink />
        {help}
        <ThemeSwitch />
      </div>
      {below ?? <div className="h-2.5" />}
    </header>
  );
}
