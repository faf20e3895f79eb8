import { lazy, Suspense, useState, type ReactNode } from 'react';

export interface DialogProps {
  open: boolean;
  onOpenChange: (open: boolean) => void;
  title: string;
  about?: string;
  wide?: boolean;
  children: ReactNode;
}

const Sheet = lazy(() => import('./DialogSheet'));

/** A sheet that floats over the page until it is closed. What it takes comes when it is first opened. */
export function Dialog(props: DialogProps) {
  const [used, setUsed] = useState(props.open);
  if (props.open && !used) {
    setUsed(true);
  }

  return used ? (
    <Suspense>
      <Sheet {...props} />
    </Suspense>
  ) : null;
}
