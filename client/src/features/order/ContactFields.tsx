import { useQuery } from '@tanstack/react-query';
import { useWatch, type UseFormReturn } from 'react-hook-form';
import { SelectField, TextField } from '../../ui/Field';
import { AsCard } from './AsCard';
import { countriesQuery, countryName } from './countries';
import type { Contact, OrderForm } from './form';

/** Who orders. What a field must hold is the server's to say; its faults come back to the fields. */
export function ContactFields({ form }: { form: UseFormReturn<OrderForm> }) {
  const faults = form.formState.errors.contact;
  const known = useQuery(countriesQuery).data ?? [{ code: 'GB', asksPostcode: true, asksState: false }];
  const code = useWatch({ control: form.control, name: 'contact.country' });
  const country = known.find((one) => one.code === code);
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
        <TextField
          label="Organisation, if it is not for yourself"
          autoComplete="organization"
          wide
          {...field('organisation')}
        />
        <TextField label="Street and number" autoComplete="street-address" wide {...field('street')} />
        <TextField label="Town" autoComplete="address-level2" {...field('town')} />
        {country?.asksState && (
          <TextField label="State or province" autoComplete="address-level1" {...field('state')} />
        )}
        {country?.asksPostcode !== false && (
          <TextField label="Postcode" autoComplete="postal-code" {...field('postcode')} />
        )}
        <SelectField label="Country" autoComplete="country" {...field('country')}>
          {known.map((one) => (
            <option key={one.code} value={one.code}>
              {countryName(one.code)}
            </option>
          ))}
        </SelectField>
        <TextField label="Telephone, if you like" type="tel" autoComplete="tel" {...field('telephone')} />
      </div>
      <AsCard form={form} />
    </section>
  );
}
