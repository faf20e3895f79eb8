import { lazy, Suspense, useState } from 'react';
import type { DialogProps } from './DialogSheet';

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
