import type { ComponentProps } from 'react';
import { currencySign } from '../../format/money';
import { TextField } from '../../ui/Field';
import { useSite } from '../site/SiteContext';

type Field = Omit<ComponentProps<'input'>, 'onChange'> & { set: (value: string) => void };

/** The name ends at the first dot: what follows is the ending, whoever sells it. */
export function partsOf(domain: string): { name: string; ending: string } {
  const text = domain
    .trim()
    .toLowerCase()
    .replace(/^(https?:\/\/)?(www\.)?/, '')
    .replace(/\/$/, '');
  const dot = text.indexOf('.');
  return { name: text.slice(0, dot), ending: text.slice(dot + 1) };
}

/** A domain that the owner has, with its ending. */
export function WholeDomainField({ set, ...props }: Field) {
  return (
    <TextField
      label="Your domain"
      required
      placeholder="ostlerwren.com"
      pattern="(https?://)?[A-Za-z0-9-]+([.][A-Za-z0-9-]+)+/?"
      title="The whole domain with its ending, such as ostlerwren.com"
      onChange={(event) => set(event.target.value)}
      {...props}
    />
  );
}

export function ExpiresField({ set, ...props }: Field) {
  return (
    <TextField label="It runs out on" type="date" required onChange={(event) => set(event.target.value)} {...props} />
  );
}

/** When a name chosen later is bought. */
export function InMonthsField({ set, ...props }: Field) {
  return (
    <TextField
      label="In so many months"
      type="number"
      min={0}
      max={120}
      step={1}
      required
      onChange={(event) => set(event.target.value)}
      {...props}
    />
  );
}

/** What the registrar outside takes for a year, in the currency that the site is counted in. */
export function RenewalField({ set, ...props }: Field) {
  const { page } = useSite();
  return (
    <TextField
      label={`A renewal costs, with tax, ${currencySign(page.settings.currency)}`}
      required
      inputMode="decimal"
      pattern="[0-9]+([.][0-9]{1,4})?"
      title="Digits, with a point where needed: 14.20"
      onChange={(event) => set(event.target.value)}
      {...props}
    />
  );
}
