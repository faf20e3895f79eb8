import { useState } from 'react';
import { Button } from './Button';
import { Announced } from './said/Announced';

/** Copies a value with one press, and says so. */
export function Copy({ name, text }: { name: string; text: string }) {
  const [copied, setCopied] = useState(false);
  return (
    <span className="no-print ml-2 text-[13px] font-normal">
      <Button look="text" onClick={() => void navigator.clipboard.writeText(text).then(() => setCopied(true))}>
        Copy<span className="sr-only">: {name}</span>
      </Button>
      <Announced as="span" className="text-soft ml-1.5">
        {copied && 'copied'}
      </Announced>
    </span>
  );
}
