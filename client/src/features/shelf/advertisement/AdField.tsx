import type { ComponentProps, ReactNode } from 'react';
import type { Path } from 'react-hook-form';
import type { Draft } from '../../../api/books/fromPage';
import { Button } from '../../../ui/Button';
import { SelectField, TextField } from '../../../ui/fields/Field';
import { useAdvertisement, type FoundField } from './draft';

type Shared = { name: string; label: string; hint?: string; wide?: boolean };

/** A field's way into the form, with what is wrong with it, and the words it was read from until the owner says yes. */
function useField({ name, label, hint }: Shared) {
  const { form, found, settle, faultOf } = useAdvertisement();
  const words = found[name as FoundField];
  const path = name.replace(/\[(\d+)\]/g, '.$1') as Path<Draft>;
  return {
    ...form.register(path, { onChange: () => settle(name) }),
    label,
    fault: faultOf(name),
    hint: words ? <Words words={words} label={label} settle={() => settle(name)} /> : hint,
  };
}

function Words({ words, label, settle }: { words: string; label: string; settle: () => void }) {
  return (
    <>
      from “<bdi>{words}</bdi>”{' '}
      <Button look="text" onClick={settle}>
        That is right<span className="sr-only">: {label}</span>
      </Button>
    </>
  );
}

export function AdField({ name, label, hint, ...props }: Shared & Omit<ComponentProps<'input'>, keyof Shared>) {
  return <TextField {...props} autoComplete="off" {...useField({ name, label, hint })} />;
}

export function AdSelect({ name, label, hint, wide, children }: Shared & { children: ReactNode }) {
  return (
    <SelectField wide={wide} {...useField({ name, label, hint })}>
      <option value="">choose …</option>
      {children}
    </SelectField>
  );
}
