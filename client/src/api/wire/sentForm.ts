import { useForm, type DefaultValues, type FieldValues, type Path, type UseFormReturn } from 'react-hook-form';
import { faultAt } from './faults';

/**
 * A form that is sent whole: each field comes with what the last answer found wrong at its place, until it is sent
 * again. (One that ends in a change of the site is a change form, `api/site/changeForm`.)
 * @param error What came of sending it last.
 * @param at Where its values stand in what is sent: "page."; empty: at the top.
 */
export function useSentForm<T extends FieldValues>(defaultValues: DefaultValues<T>, error: unknown, at = '') {
  const form = useForm<T>({ defaultValues });
  const field = (name: Path<T>, options?: Parameters<UseFormReturn<T>['register']>[1]) => ({
    ...form.register(name, options),
    fault: faultAt(error, `${at}${name}`),
  });
  return { form, field };
}
