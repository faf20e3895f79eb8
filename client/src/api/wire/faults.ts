import type { FieldValues, Path, UseFormReturn } from 'react-hook-form';
import { Refused, type Fault } from './client';

/** What the server found wrong, each with its place; nothing where it was not that. */
export const faultsOf = (error: unknown): readonly Fault[] => (error instanceof Refused ? error.faults : []);

/** What is wrong at a place of what was sent: "records[2].data"; or at any place under it. */
export function faultAt(error: unknown, where: string): string | undefined {
  return faultsOf(error).find((fault) => isAt(fault.where, where))?.message;
}

/** What is wrong that belongs to none of these places: a sentence to stand by the button. */
export function faultElsewhere(error: unknown, places: readonly string[]): string | undefined {
  if (!(error instanceof Refused)) {
    return error instanceof Error ? error.message : undefined;
  }

  const left = error.faults.filter((fault) => !places.some((place) => isAt(fault.where, place)));
  return left[0]?.message ?? (error.faults.length === 0 ? error.message : undefined);
}

/**
 * Shows each fault at the field of a form that it is about, and gives those that are about none of them.
 * @param fieldOf The field of a place; null: none. A place is "receipts[0].paid", its usual field "receipts.0.paid".
 */
export function showAtFields<T extends FieldValues>(
  form: Pick<UseFormReturn<T>, 'setError'>,
  faults: readonly Fault[],
  fieldOf: (where: string, code: string) => string | null,
): readonly Fault[] {
  return faults.filter(({ where, code, message }) => {
    const field = fieldOf(where, code);
    if (field !== null) {
      form.setError(field as Path<T>, { message }, { shouldFocus: true });
    }

    return field === null;
  });
}

/** "receipts[0].paid" as forms name it: "receipts.0.paid". */
export const pathOf = (where: string) => where.replace(/\[(\d+)\]/g, '.$1');

/** "domain.expires" is the field "expires": a command has its fields one deep. */
export const lastPart = (where: string) => where.split('.').at(-1) ?? where;

// "records[1]" is no part of "records[12]".
const isAt = (where: string, place: string) => where === place || where.startsWith(`${place}.`);
