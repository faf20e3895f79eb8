import { shortDay } from '../../format/dates';
import { currencyWord } from '../../format/money';
import { span } from '../../format/words';
import { InkPopover } from '../../ui/sheets/Popover';
import { useSite } from '../../api/site/site';

/** How everything is added up: over how long, from when, with which tax. Each opens where it is said. */
export function CountSettings() {
  const { page } = useSite();
  const { horizonMonths, startDate, taxPercent, countTax } = page.settings;
  const { currency } = page.settings;
  const customer = page.settings.newCustomer ? 'as a new customer' : 'as an existing customer';
  const tax = countTax ? `with ${taxPercent}% tax` : 'tax reclaimed';
  return (
    <p className="flex flex-wrap items-baseline gap-x-5 text-[14px]">
      <span>
        Added up over{' '}
        <InkPopover
          words={span(horizonMonths)}
          label={`${span(horizonMonths)}: change how long is counted`}
          inside={() => import('./HorizonSheet')}
        />
      </span>
      <span>
        from{' '}
        <InkPopover
          words={shortDay(startDate)}
          label={`${shortDay(startDate)}: change the day it starts`}
          inside={() => import('./StartSheet')}
        />
      </span>
      <span>
        in{' '}
        <InkPopover
          words={currencyWord(currency)}
          label={`${currencyWord(currency)}: change the currency`}
          inside={() => import('./DisplayCurrencySheet')}
        />
        , <InkPopover words={tax} label={`${tax}: change the tax`} inside={() => import('./TaxSheet')} />
      </span>
      <span>
        <InkPopover
          words={customer}
          label={`${customer}: change whether you are new there`}
          inside={() => import('./CustomerSheet')}
        />
      </span>
    </p>
  );
}
