import { useId, type ReactNode } from 'react';
import { useForm } from 'react-hook-form';
import { cx } from '../../ui/cx';

const box =
  'border-blue text-blue w-full rounded border bg-sheet px-2 py-1 font-semibold placeholder:font-normal placeholder:text-soft aria-invalid:border-red';

/** One of a few answers. */
export function Choice<T extends string>({
  label,
  value,
  set,
  children,
}: {
  label: string;
  value: T;
  set: (value: T) => void;
  children: ReactNode;
}) {
  return (
    <select aria-label={label} className={box} value={value} onChange={(event) => set(event.target.value as T)}>
      {children}
    </select>
  );
}

/** Saved when it is left, so that an answer half typed asks nothing; what cannot be an answer stays, and says why. */
export function TextAnswer({
  label,
  value,
  placeholder = 'not said',
  faultOf = () => null,
  set,
}: {
  label: string;
  value: string;
  placeholder?: string;
  faultOf?: (text: string) => string | null;
  set: (text: string) => void;
}) {
  const id = useId();
  // What is typed holds until another value comes, be it saved or undone.
  const form = useForm({ values: { text: value }, mode: 'onChange' });
  const fault = form.formState.errors.text?.message;
  const save = form.handleSubmit(({ text }) => {
    if (text.trim() !== value) {
      set(text.trim());
    }
  });
  return (
    <form onSubmit={(event) => void save(event)}>
      <input
        aria-label={label}
        aria-invalid={fault ? true : undefined}
        aria-describedby={fault ? id : undefined}
        className={box}
        placeholder={placeholder}
        maxLength={40}
        inputMode="decimal"
        {...form.register('text', {
          validate: (text) => (text === value ? true : (faultOf(text) ?? true)),
          onBlur: () => void save(),
        })}
      />
      {fault && (
        <p id={id} className="text-red text-[13px]">
          {fault}
        </p>
      )}
    </form>
  );
}

export function NumberAnswer({ label, value, set }: { label: string; value: number; set: (value: number) => void }) {
  return (
    <TextAnswer
      label={label}
      value={value > 0 ? String(value) : ''}
      faultOf={(text) =>
        numberOf(text) === null
          ? 'Digits only, with a decimal point if needed, such as 5000. Leave it empty to ask for nothing.'
          : null
      }
      set={(text) => set(numberOf(text) ?? 0)}
    />
  );
}

function numberOf(text: string): number | null {
  const digits = text.replace(/[ ,]/g, '');
  return digits === '' ? 0 : /^\d{1,12}(\.\d{1,3})?$/.test(digits) ? Number(digits) : null;
}

/** Any of some, each with the word that the requirement knows it by. */
export function Ticks({
  of,
  chosen,
  set,
  columns,
}: {
  of: readonly (readonly [word: string, label: string])[];
  chosen: readonly string[];
  set: (chosen: string[]) => void;
  columns?: boolean;
}) {
  return (
    <div className={cx(columns && 'grid grid-cols-2 gap-x-3')}>
      {of.map(([word, label]) => (
        <Tick
          key={word}
          label={label}
          on={chosen.includes(word)}
          set={(on) => set(on ? [...chosen, word] : chosen.filter((known) => known !== word))}
        />
      ))}
    </div>
  );
}

export function Tick({ label, on, set }: { label: ReactNode; on: boolean; set: (on: boolean) => void }) {
  return (
    <label className="flex gap-2">
      <input type="checkbox" checked={on} onChange={(event) => set(event.target.checked)} />
      {label}
    </label>
  );
}

/** A requirement in the trade's word, with the field to write it. */
export function Requirement({ word, children }: { word: string; children: ReactNode }) {
  return (
    <div className="flex flex-col gap-1">
      <p className="font-semibold">{word}</p>
      {children}
    </div>
  );
}
