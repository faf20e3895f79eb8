const codes =
  'AT AU BE BG CA CH CY CZ DE DK EE ES FI FR GB GR HR HU IE IN IS IT JP LT LU LV MT NL NO NZ PL PT RO SE SI SK TR UA US ZA'.split(
    ' ',
  );
const names = new Intl.DisplayNames('en-GB', { type: 'region' });

/** Codes and names of the countries an order can come from, by name. */
export const countries: [string, string][] = codes
  .map((code): [string, string] => [code, names.of(code) ?? code])
  .sort(([, left], [, right]) => left.localeCompare(right, 'en-GB'));
