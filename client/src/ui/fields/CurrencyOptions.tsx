import { useQuery } from '@tanstack/react-query';
import { currenciesQuery } from '../../api/wire/queries';
import { currencyWord } from '../../format/money';

/** Every currency there is to choose from: those in use here first. */
export function CurrencyOptions({ first }: { first: readonly string[] }) {
  const { data: codes = [] } = useQuery(currenciesQuery);
  const near = [...new Set(first)];
  return (
    <>
      <optgroup label="In use here">{near.map(option)}</optgroup>
      {codes.length > 0 && (
        <optgroup label="All others">{codes.filter((code) => !near.includes(code)).map(option)}</optgroup>
      )}
    </>
  );
}

const option = (code: string) => (
  <option key={code} value={code}>
    {code}, {currencyWord(code)}
  </option>
);
