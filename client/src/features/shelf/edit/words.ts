/** What the fields of an offer book are called on the page; one without a name here is shown by its own. */
const names: Record<string, string> = {
  id: 'Id, as other parts name it',
  provider: 'Seller',
  name: 'Name',
  support: 'Ways to get help',
  facts: 'Facts, one a comma',
  asOf: 'Prices read on',
  currency: 'Currency',
  tax: 'Tax',
  pricesInclude: 'The prices include tax',
  charged: 'Tax is charged',
  plans: 'Plans',
  features: 'What it allows',
  billing: 'Ways to pay',
  everyMonths: 'Months of a bill',
  commitMonths: 'Months of commitment',
  setupFee: 'Set-up fee',
  freeMonths: 'Months free on top of the first bill',
  readFrom: 'Their own words',
  of: 'Of what',
  words: 'Words',
  on: 'Read on',
  prices: 'Prices',
  periods: 'For how many bills',
  amount: 'Amount',
  includes: 'Extras it holds (ids)',
  includedDomain: 'Included domain',
  minCommitMonths: 'From how many months of commitment',
  endings: 'Endings',
  transfer: 'Moving one in',
  everyYear: 'A domain-year every year',
  claimWithinMonths: 'To be claimed within months',
  dataCentres: 'Data centres',
  region: 'Region',
  perMonth: 'A month more',
  addOns: 'Extras',
  for: 'For',
  provides: 'What it meets (tag)',
  adds: 'What one adds',
  preselected: 'Ticked in advance',
  unit: 'One of it is a',
  about: 'What it is for',
  charge: 'Charge',
  every: 'Charged',
  priceIfBoughtLater: 'If taken later',
  domains: 'Endings and their prices',
  ending: 'Ending',
  register: 'First year',
  renew: 'Each later year',
  maxYears: 'At most years',
  requires: 'What it requires',
  lapse: 'When it is not renewed',
  graceDays: 'Days to renew as usual',
  redemptionDays: 'Days to redeem it',
  redemptionFee: 'Fee to redeem it',
  pendingDays: 'Days until it is gone',
  publicRecord: 'The public record',
  shows: 'What it shows',
  privacy: 'How it is hidden: sold, by-default or forbidden',
  promotions: 'Codes and offers',
  code: 'Code',
  automatic: 'Without a code',
  percent: 'Per cent off',
  appliesTo: 'Off what',
  bills: 'On how many bills, or all',
  minEveryMonths: 'From how many months a bill',
  from: 'From',
  until: 'Until',
  newCustomersOnly: 'For new customers alone',
  combinable: 'Beside other codes',
  refund: 'Money back',
  days: 'Within days',
  excludes: 'But not for',
  deductsIncludedDomain: 'What the included domain cost is kept',
  change: 'Changing plan',
  credit: 'Unused time',
  firstPrice: 'The first price counts again',
};

const options: Record<string, string> = {
  hosting: 'the hosting',
  domain: 'a domain',
  once: 'once',
  month: 'each month',
  year: 'each year',
  cycle: 'with each bill',
  days: 'is credited by the day',
  none: 'is not credited',
};

export const fieldName = (key: string) => names[key] ?? key;

export const optionWords = (value: string) => options[value] ?? value;

/** What one item of a list is called, from its name, ending, way to pay or code. */
export function itemName(item: unknown, number: number): string {
  const { name, id, ending, code, everyMonths } = (item ?? {}) as Record<string, unknown>;
  const said = [name, ending && `.${ending as string}`, code, id].find(
    (word) => typeof word === 'string' && word !== '',
  );
  return typeof everyMonths === 'number'
    ? everyMonths === 1
      ? 'Monthly'
      : `Every ${everyMonths} months`
    : ((said as string | undefined) ?? `${number + 1}`);
}

/**
 * "plans[0].billing[1].setupFee" in words, with the names that the book itself gives: "Plans, Slipway, Ways to pay,
 * Every 12 months, Set-up fee".
 */
export function placeWords(where: string, document: unknown): string {
  let at = document;
  return where
    .split(/[.[\]]+/)
    .filter(Boolean)
    .map((key) => {
      at = at !== null && typeof at === 'object' ? (at as Record<string, unknown>)[key] : undefined;
      return /^\d+$/.test(key) ? itemName(at, Number(key)) : fieldName(key);
    })
    .join(', ');
}
