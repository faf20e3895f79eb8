import { lazy, Suspense, useState } from 'react';
import { Button } from '../Button';
import type { PopoverProps } from './PopoverSheet';

const load = () => import('./PopoverSheet');
const Sheet = lazy(load);

/**
 * A small sheet that opens under words in blue ink. Its contents get a way to close it. What it takes comes when it is
 * first reached for.
 */
export function InkPopover(props: PopoverProps) {
  const [asked, setAsked] = useState(false);
  const words = (
    <Button
      look="text"
      aria-label={props.label}
      aria-haspopup="dialog"
      aria-expanded={false}
      onPointerEnter={() => void load()}
      onFocus={() => void load()}
      onClick={() => setAsked(true)}
    >
      {props.words}
    </Button>
  );
  return asked ? (
    <Suspense fallback={words}>
      <Sheet {...props} />
    </Suspense>
  ) : (
    words
  );
}
