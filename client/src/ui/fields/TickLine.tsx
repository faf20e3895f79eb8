import type { ReactNode } from 'react';

/** A box to tick with its words, on one line. */
export function TickLine({
  checked,
  onChange,
  className = '',
  children,
}: {
  checked: boolean;
  onChange: (checked: boolean) => void;
  className?: string;
  children: ReactNode;
}) {
  return (
    <label className={`flex items-baseline gap-2 ${className}`}>
      <input
        type="checkbox"
        className="translate-y-0.5"
        checked={checked}
        onChange={(event) => onChange(event.target.checked)}
      />
      {children}
    </label>
  );
}
