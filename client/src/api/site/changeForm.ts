import type { BaseSyntheticEvent } from 'react';
import { useForm, type DefaultValues, type FieldValues, type Path, type UseFormReturn } from 'react-hook-form';
import type { Command } from './commands';
import { faultsOf, lastPart, showAtFields } from '../wire/faults';
import { useSite } from './site';

export interface ChangeForm<T extends FieldValues> {
  form: UseFormReturn<T>;
  submit: (event?: BaseSyntheticEvent) => void;
  /** A field's way into the form, with what is wrong with it. */
  field: (name: Path<T>) => ReturnType<UseFormReturn<T>['register']> & { fault: string | undefined };
}

/**
 * A form that ends in one change of the site. What the server finds wrong comes back to its fields and nothing typed is
 * lost; the form is done with only when the change is made.
 * @param command What to send; null where a fault was set instead.
 */
export function useChangeForm<T extends FieldValues>(
  defaultValues: DefaultValues<T>,
  command: (values: T, form: UseFormReturn<T>) => Command | null | Promise<Command | null>,
  done: () => void = () => undefined,
): ChangeForm<T> {
  const form = useForm<T>({ defaultValues });
  const { changes } = useSite();
  const errors = form.formState.errors;
  const send = form.handleSubmit(async (values) => {
    try {
      const wanted = await command(values, form);
      if (wanted) {
        await changes.changeAsync(wanted);
        done();
      }
    } catch (error) {
      showAtFields(form, faultsOf(error), lastPart);
    }
  });
  return {
    form,
    submit: (event) => void send(event),
    field: (name) => ({
      ...form.register(name),
      fault: messageOf(errors[name]),
    }),
  };
}

const messageOf = (error: unknown) =>
  typeof error === 'object' && error !== null && 'message' in error && typeof error.message === 'string'
    ? error.message
    : undefined;
