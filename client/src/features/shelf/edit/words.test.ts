import { expect, it } from 'vitest';
import { placeWords } from './words';

const book = {
  plans: [{ name: 'Slipway', billing: [{ everyMonths: 1 }, { everyMonths: 12 }] }],
  domains: [{ ending: 'com' }],
};

it.each([
  ['plans[0].billing[1].setupFee', 'Plans, Slipway, Ways to pay, Every 12 months, Set-up fee'],
  ['plans[0].billing[0].prices[0].amount', 'Plans, Slipway, Ways to pay, Monthly, Prices, 1, Amount'],
  ['domains[0].renew', 'Endings and their prices, .com, Each later year'],
  ['plans[7].name', 'Plans, 8, Name'],
  ['unheard', 'unheard'],
  ['', ''],
])('%s is %s', (where, words) => expect(placeWords(where, book)).toBe(words));
