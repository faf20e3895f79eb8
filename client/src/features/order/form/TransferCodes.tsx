import type { UseFormReturn } from 'react-hook-form';
import { TextField } from '../../../ui/fields/Field';
import type { OrderForm } from './form';

/** The transfer code of each domain that is moved in; handed on to the registrar and kept nowhere here. */
export function TransferCodes({ form, domains }: { form: UseFormReturn<OrderForm>; domains: readonly string[] }) {
  return domains.length === 0 ? null : (
    <section className="mt-7">
      <h2 className="text-lg">Moving your domain</h2>
      <p className="text-soft text-sm">
        Unlock it at its present seller and ask there for its transfer code. We hand the code on and do not keep it.
      </p>
      <div className="mt-3 grid gap-3 sm:grid-cols-2">
        {domains.map((domain, index) => (
          <TextField
            key={domain}
            label={`Transfer code of ${domain}`}
            autoComplete="off"
            spellCheck={false}
            {...form.register(`transfers.${index}`)}
            fault={form.formState.errors.transfers?.[index]?.message}
          />
        ))}
      </div>
    </section>
  );
}
