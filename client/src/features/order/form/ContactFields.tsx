import { useQuery } from '@tanstack/react-query';
import { useWatch, type UseFormReturn } from 'react-hook-form';
import { FillAll, SelectField, TextField } from '../../../ui/fields/Field';
import { AsCard } from '../placed/AsCard';
import { countriesQuery, countryName } from './countries';
import type { Contact, OrderForm } from './form';

/**
 * Who orders, and who holds the domain. What a field must hold is the server's to say; its faults come back to the
 * fields.
 */
export function ContactFields({ form, holdsDomain }: { form: UseFormReturn<OrderForm>; holdsDomain: boolean }) {
  const isHeldByOther = useWatch({ control: form.control, name: 'isHeldByOther' });
  return (
    <section className="mt-7">
      <h2 className="text-lg">Who you are</h2>
      <p className="text-soft text-sm">
        Registries ask for the holder of a domain, and may show this in their public record unless you take contact
        privacy.
      </p>
      <FillAll />
      <Fields form={form} of="contact" />
      <AsCard form={form} />
      {holdsDomain && (
        <>
          <label className="mt-4 flex gap-2.5">
            <input type="checkbox" {...form.register('isHeldByOther')} />
            <span>The domain belongs to somebody else: they are its holder, I pay.</span>
          </label>
          {isHeldByOther && (
            <fieldset className="mt-3">
              <legend className="font-semibold">Who holds the domain</legend>
              <Fields form={form} of="holder" />
            </fieldset>
          )}
        </>
      )}
    </section>
  );
}

function Fields({ form, of }: { form: UseFormReturn<OrderForm>; of: 'contact' | 'holder' }) {
  const faults = form.formState.errors[of];
  const known = useQuery(countriesQuery).data ?? [{ code: 'GB', asksPostcode: true, asksState: false }];
  const code = useWatch({ control: form.control, name: `${of}.country` });
  const country = known.find((one) => one.code === code);
  const isOwn = of === 'contact';
  const field = (name: keyof Contact, complete: string, optional = false) => ({
    ...form.register(`${of}.${name}`),
    required: !optional,
    optional,
    fault: faults?.[name]?.message,
    autoComplete: isOwn ? complete : 'off',
  });
  return (
    <div className="mt-3 grid gap-3 sm:grid-cols-2">
      <TextField label="Name" {...field('name', 'name')} />
      <TextField label="Mail address" type="email" {...field('mail', 'email')} />
      <TextField
        label={isOwn ? 'Organisation, if it isn’t for yourself' : 'Organisation, if they hold it for one'}
        wide
        {...field('organisation', 'organization', true)}
      />
      <TextField label="Street and number" wide {...field('street', 'street-address')} />
      <TextField label="Town" {...field('town', 'address-level2')} />
      {country?.asksState && <TextField label="State or province" {...field('state', 'address-level1')} />}
      {country?.asksPostcode !== false && <TextField label="Postcode" {...field('postcode', 'postal-code')} />}
      <SelectField label="Country" {...field('country', 'country')}>
        {known.map((one) => (
          <option key={one.code} value={one.code}>
            {countryName(one.code)}
          </option>
        ))}
      </SelectField>
      <TextField label="Telephone" type="tel" {...field('telephone', 'tel', true)} />
    </div>
  );
}
