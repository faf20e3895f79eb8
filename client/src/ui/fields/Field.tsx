import { useId, type ComponentProps, type ReactNode } from 'react';
import { cx } from '../cx';

type Shared = { label: ReactNode; hint?: ReactNode; fault?: string | null; wide?: boolean; optional?: boolean };

const box =
  'border-blue bg-sheet text-blue w-full rounded border px-2.5 py-1.5 font-semibold placeholder:font-normal placeholder:text-soft aria-invalid:border-red aria-invalid:text-red';

function Frame({ id, label, hint, fault, wide, optional, children }: Shared & { id: string; children: ReactNode }) {
  return (
    <div className={cx('flex flex-col gap-1', wide && 'sm:col-span-2')}>
      <label htmlFor={id} className="font-semibold">
        {label}
        {optional && (
          <>
            {' '}
            <span className="text-soft font-normal">(optional)</span>
          </>
        )}
      </label>
      {children}
      {fault ? (
        <p id={`${id}-fault`} className="text-red text-sm">
          {fault}
        </p>
      ) : hint ? (
        <p id={`${id}-hint`} className="text-soft text-sm">
          {hint}
        </p>
      ) : null}
    </div>
  );
}

function described(id: string, { hint, fault }: Shared) {
  return {
    'aria-invalid': fault ? true : undefined,
    'aria-describedby': fault ? `${id}-fault` : hint ? `${id}-hint` : undefined,
  };
}

/** One line of text with its label, a hint, and what is wrong with it. */
export function TextField({
  label,
  hint,
  fault,
  wide,
  optional,
  className,
  ...props
}: Shared & ComponentProps<'input'>) {
  const id = useId();
  return (
    <Frame id={id} {...{ label, hint, fault, wide, optional }}>
      <input id={id} className={cx(box, className)} {...described(id, { label, hint, fault })} {...props} />
    </Frame>
  );
}

/** Several lines of text. */
export function TextArea({
  label,
  hint,
  fault,
  wide,
  optional,
  className,
  ...props
}: Shared & ComponentProps<'textarea'>) {
  const id = useId();
  return (
    <Frame id={id} {...{ label, hint, fault, wide, optional }}>
      <textarea id={id} className={cx(box, className)} {...described(id, { label, hint, fault })} {...props} />
    </Frame>
  );
}

export function SelectField({
  label,
  hint,
  fault,
  wide,
  optional,
  className,
  children,
  ...props
}: Shared & ComponentProps<'select'>) {
  const id = useId();
  return (
    <Frame id={id} {...{ label, hint, fault, wide, optional }}>
      <select id={id} className={cx(box, className)} {...described(id, { label, hint, fault })} {...props}>
        {children}
      </select>
    </Frame>
  );
}

/** A choice inside a sentence or row, in blue ink; its label is for those who cannot see the row. */
export function InkSelect({ label, className, ...props }: { label: string } & ComponentProps<'select'>) {
  return (
    <select
      aria-label={label}
      className={cx('border-blue text-blue border-b border-dotted bg-transparent py-0.5 font-semibold', className)}
      {...props}
    />
  );
}

/** Says of a form that all of its fields must be filled but those marked otherwise. */
export function FillAll() {
  return <p className="text-soft text-sm">Fill in every field that isn’t marked optional.</p>;
}
