import { useState, type FormEvent } from 'react';
import { shortDay } from '../../format/dates';
import { currencyWord } from '../../format/money';
import { Button } from '../../ui/Button';
import { SelectField, TextField } from '../../ui/Field';
import { useSite } from './SiteContext';

const common = ['GBP', 'EUR', 'USD'];

/** The currency that sums are shown in, and what one unit of each other currency in the books is worth: typed by the owner, with the day it was typed. */
export function DisplayCurrency({ close }: { close: () => void }) {
  const { page, books, change } = useSite();
  const { settings } = page;
  const [currency, setCurrency] = useState(settings.currency);
  const [rates, setRates] = useState<Record<string, string>>(settings.rates);
  const priced = [...new Set(books.map((book) => book.currency))].sort();
  const foreign = priced.filter((code) => code !== currency);
  const submit = (event: FormEvent) => {
    event.preventDefault();
    const given = foreign.flatMap((code) => (rates[code]?.trim() ? [[code, rates[code].trim()]] : []));
    change({ kind: 'set-display', currency, rates: Object.fromEntries(given) as Record<string, string> });
    close();
  };
  return (
    <form onSubmit={submit} className="flex flex-col gap-3">
      <SelectField
        label="Show sums in"
        value={currency}
        onChange={(event) => {
          // What a unit is worth in one currency says nothing of another.
          setCurrency(event.target.value);
          setRates(event.target.value === settings.currency ? settings.rates : {});
        }}
      >
        {[...new Set([...common, ...priced, settings.currency])].map((code) => (
          <option key={code} value={code}>
            {code}, {currencyWord(code)}
          </option>
        ))}
      </SelectField>
      {foreign.map((code) => (
        <TextField
          key={code}
          label={`One ${code} is worth, in ${currency}`}
          inputMode="decimal"
          pattern="[0-9]+([.][0-9]+)?"
          title="Digits, with a point where needed: 0.79"
          placeholder="not said"
          hint={
            currency === settings.currency && rates[code] === settings.rates[code] && settings.rateDates[code]
              ? `As you typed it on ${shortDay(settings.rateDates[code])}.`
              : `Without it nothing priced in ${code} can be counted.`
          }
          value={rates[code] ?? ''}
          onChange={(event) => setRates({ ...rates, [code]: event.target.value })}
        />
      ))}
      <Button type="submit">Count like this</Button>
    </form>
  );
}
