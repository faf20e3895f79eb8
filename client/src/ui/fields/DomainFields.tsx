import type { ComponentProps } from 'react';
import { currencySign } from '../../format/money';
import { DateField } from './DateField';
import { TextField } from './Field';

type Field = Omit<ComponentProps<typeof TextField>, 'label'>;

/** A domain that the owner has, with its ending. */
export function WholeDomainField(props: Field) {
  return <TextField label="Your domain" required hint="With its ending." placeholder="ostlerwren.com" {...props} />;
}

/** What is typed is a day in words: `daySent` makes the day of it. */
export function ExpiresField(props: Field) {
  return <DateField label="It expires on" {...props} />;
}

/** When a name chosen later is bought. */
export function InMonthsField(props: Field) {
  return <TextField label="How many months from now" type="number" min={0} max={120} step={1} required {...props} />;
}

/** What the registrar outside takes for a year. */
export function RenewalField({ currency, ...props }: Field & { currency: string }) {
  return (
    <TextField
      label={`A renewal costs, with tax, ${currencySign(currency)}`}
      inputMode="decimal"
      pattern="[0-9]+([.][0-9]{1,4})?"
      title="Digits, with a decimal point if needed: 14.20"
      {...props}
    />
  );
}
