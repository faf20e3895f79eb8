import { useState, type ComponentType } from 'react';
import { Button } from '../Button';
import type { PopoverProps } from './PopoverSheet';

type Children = PopoverProps['children'];

type Props = Omit<PopoverProps, 'children'> &
  (
    | { children: Children; inside?: undefined }
    /** Where what stands on the sheet is, if it is to come with it: `() => import('./TaxSheet')`. */
    | { inside: () => Promise<{ default: ComponentType<{ close: () => void }> }>; children?: undefined }
  );

interface Loaded {
  Sheet: ComponentType<PopoverProps>;
  children: Children;
}

/**
 * A small sheet that opens under words in blue ink. Its contents get a way to close it. What it takes comes when it is
 * first reached for, and it opens when all of that is there.
 */
export function InkPopover({ children, inside, ...props }: Props) {
  const [loaded, setLoaded] = useState<Loaded | null>(null);
  const load = async (): Promise<Loaded> => {
    const [sheet, part] = await Promise.all([import('./PopoverSheet'), inside?.()]);
    const Inside = part?.default;
    return { Sheet: sheet.default, children: Inside ? (close) => <Inside close={close} /> : children! };
  };
  return loaded ? (
    <loaded.Sheet {...props}>{children ?? loaded.children}</loaded.Sheet>
  ) : (
    <Button
      look="text"
      aria-label={props.label}
      aria-haspopup="dialog"
      aria-expanded={false}
      onPointerEnter={() => void load()}
      onFocus={() => void load()}
      onClick={() => void load().then(setLoaded)}
    >
      {props.words}
    </Button>
  );
}
