import { useWatch, type FieldErrors, type FieldValues } from 'react-hook-form';
import { useChangeForm } from '../../api/site/changeForm';
import { shortDay } from '../../format/dates';
import { Button } from '../../ui/Button';
import { CurrencyOptions } from '../../ui/fields/CurrencyOptions';
import { SelectField, TextField } from '../../ui/fields/Field';
import { useSite } from '../../api/site/site';

const common = ['GBP', 'EUR', 'USD'];

/**
 * The currency that sums are shown in, and what one unit of each other currency in the books is worth: typed by the
 * owner, with the day it was typed.
 */
export default function DisplayCurrencySheet({ close }: { close: () => void }) {
  const { page, books } = useSite();
  const { settings } = page;
  const { form, submit } = useChangeForm<{ currency: string; rates: Record<string, string> }>(
    { currency: settings.currency, rates: settings.rates },
    (typed) => ({
      kind: 'set-display',
      currency: typed.currency,
      rates: Object.fromEntries(
        Object.entries(typed.rates)
          .map(([code, rate]) => [code, rate.trim()] as const)
          .filter(([code, rate]) => rate && code !== typed.currency),
      ),
    }),
    close,
  );
  const currency = useWatch({ control: form.control, name: 'currency' });
  const rates = useWatch({ control: form.control, name: 'rates' });
  const faults = form.formState.errors;
  const priced = [...new Set(books.map((book) => book.currency))].sort();
  const foreign = priced.filter((code) => code !== currency);
  return (
    <form onSubmit={submit} className="flex flex-col gap-3">
      <SelectField
        label="Show sums in"
        value={currency}
        onChange={(event) => {
          // What a unit is worth in one currency says nothing of another.
          const wanted = event.target.value;
          const none = Object.fromEntries(priced.map((code) => [code, '']));
          form.reset({ currency: wanted, rates: wanted === settings.currency ? { ...none, ...settings.rates } : none });
        }}
      >
        <CurrencyOptions first={[...common, ...priced, settings.currency]} />
      </SelectField>
      {foreign.map((code) => (
        <TextField
          key={code}
          label={`One ${code} is worth, in ${currency}`}
          inputMode="decimal"
          pattern="[0-9]+([.][0-9]+)?"
          title="Digits, with a decimal point if needed: 0.79"
          placeholder="not said"
          hint={
            currency === settings.currency && rates[code] === settings.rates[code] && settings.rateDates[code]
              ? `As you typed it on ${shortDay(settings.rateDates[code])}.`
              : `Without it nothing priced in ${code} can be counted.`
          }
          {...form.register(`rates.${code}`)}
          fault={faultOf(faults, code)}
        />
      ))}
      <Button type="submit">Count like this</Button>
    </form>
  );
}

// The server names a rate by its currency alone.
const faultOf = (faults: FieldErrors<FieldValues>, code: string) => {
  const message = faults[code]?.message;
  return typeof message === 'string' ? message : undefined;
};
