import type { ReactNode } from 'react';

/** For tests: rows of the ledger without its columns, their notes in the last cell. */
export function LedgerRow({ kind, notes, children }: { kind?: string; notes?: ReactNode; children: ReactNode }) {
  return (
    <tr>
      <td>{kind}</td>
      {children}
      <td>{notes}</td>
    </tr>
  );
}

export const Choice = ({ children }: { children: ReactNode }) => <td>{children}</td>;

export const Figures = ({ of }: { of?: { total: { amount: string } } | null }) => <td>{of?.total.amount}</td>;
