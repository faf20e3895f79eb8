import type { UseFormReturn } from 'react-hook-form';
import { SelectField, TextField } from '../../ui/Field';
import { countries } from './countries';
import type { Contact, OrderForm } from './form';

/** Who orders. What a field must hold is the server's to say; its faults come back to the fields. */
export function ContactFields({ form }: { form: UseFormReturn<OrderForm> }) {
  const faults = form.formState.errors.contact;
  const field = (name: keyof Contact) => ({ ...form.register(`contact.${name}`), fault: faults?.[name]?.message });
  return (
    <section className="mt-7">
      <h2 className="text-lg">Who you are</h2>
      <p className="text-soft text-sm">
        Registries ask for the holder of a domain, and may show this in their public record unless you take contact
        privacy.
      </p>
      <div className="mt-3 grid gap-3 sm:grid-cols-2">
        <TextField label="Name" autoComplete="name" {...field('name')} />
        <TextField label="Mail address" type="email" autoComplete="email" {...field('mail')} />
        <TextField label="Street and number" autoComplete="street-address" wide {...field('street')} />
        <TextField label="Town" autoComplete="address-level2" {...field('town')} />
        <TextField label="Postcode" autoComplete="postal-code" {...field('postcode')} />
        <SelectField label="Country" autoComplete="country" {...field('country')}>
          {countries.map(([code, name]) => (
            <option key={code} value={code}>
              {name}
            </option>
          ))}
        </SelectField>
        <TextField label="Telephone, if you like" type="tel" autoComplete="tel" {...field('telephone')} />
      </div>
    </section>
  );
}
