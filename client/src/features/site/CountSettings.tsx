import { useWatch } from 'react-hook-form';
import { useChangeForm } from '../../api/site/changeForm';
import { longDay, shortDay } from '../../format/dates';
import { currencyWord } from '../../format/money';
import { daySent } from '../../format/typedDates';
import { span } from '../../format/words';
import { Button } from '../../ui/Button';
import { DateField } from '../../ui/fields/DateField';
import { SelectField, TextField } from '../../ui/fields/Field';
import { InkPopover } from '../../ui/sheets/Popover';
import { DisplayCurrency } from './DisplayCurrency';
import { useSite } from '../../api/site/site';

const horizons = [12, 24, 30, 36, 48, 60, 84, 120];

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
        <InkPopover words={span(horizonMonths)} label={`${span(horizonMonths)}: change how long is counted`}>
          {(close) => <Horizon key={horizonMonths} close={close} />}
        </InkPopover>
      </span>
      <span>
        from{' '}
        <InkPopover words={shortDay(startDate)} label={`${shortDay(startDate)}: change the day it starts`}>
          {(close) => <Start key={startDate} close={close} />}
        </InkPopover>
      </span>
      <span>
        in{' '}
        <InkPopover words={currencyWord(currency)} label={`${currencyWord(currency)}: change the currency`}>
          {(close) => <DisplayCurrency key={page.revision} close={close} />}
        </InkPopover>
        ,{' '}
        <InkPopover words={tax} label={`${tax}: change the tax`}>
          {(close) => <Tax key={`${taxPercent}${countTax}`} close={close} />}
        </InkPopover>
      </span>
      <span>
        <InkPopover words={customer} label={`${customer}: change whether you are new there`}>
          {(close) => <Customer close={close} />}
        </InkPopover>
      </span>
    </p>
  );
}

function Horizon({ close }: { close: () => void }) {
  const { page } = useSite();
  const now = page.settings.horizonMonths;
  const choices = horizons.includes(now) ? horizons : [...horizons, now].sort((left, right) => left - right);
  const { form, field, submit } = useChangeForm(
    { months: now },
    ({ months }) => ({ kind: 'set-horizon', months }),
    close,
  );
  const months = useWatch({ control: form.control, name: 'months' });
  return (
    <form onSubmit={submit} className="flex flex-col gap-3">
      <SelectField
        label="Count what is due over"
        hint="Longer shows what happens after the first price has run out."
        value={choices.includes(months) ? months : ''}
        onChange={(event) => form.setValue('months', Number(event.target.value))}
      >
        {choices.map((choice) => (
          <option key={choice} value={choice}>
            {span(choice)}
          </option>
        ))}
        {!choices.includes(months) && <option value="">another number</option>}
      </SelectField>
      <TextField
        label="or so many months"
        type="number"
        min={1}
        max={120}
        step={1}
        required
        {...field('months')}
        {...form.register('months', { valueAsNumber: true })}
      />
      <Button type="submit">Count over this</Button>
    </form>
  );
}

function Start({ close }: { close: () => void }) {
  const { page, change } = useSite();
  const { startDate, startsToday, businessDate } = page.settings;
  const { field, submit } = useChangeForm(
    { date: longDay(startDate) },
    ({ date }) => ({ kind: 'set-start', date: daySent(date) === businessDate ? null : daySent(date) }),
    close,
  );
  return (
    <form onSubmit={submit} className="flex flex-col gap-3">
      <DateField
        label="Count from"
        required
        hint={`Today is ${longDay(businessDate)}. An order starts on the day it is placed.`}
        {...field('date')}
      />
      <div className="flex gap-2">
        <Button type="submit">Count from this day</Button>
        {!startsToday && (
          <Button
            onClick={() => {
              change({ kind: 'set-start', date: null });
              close();
            }}
          >
            From today
          </Button>
        )}
      </div>
    </form>
  );
}

function Tax({ close }: { close: () => void }) {
  const { page } = useSite();
  const { form, field, submit } = useChangeForm(
    { percent: page.settings.taxPercent, reclaimed: !page.settings.countTax },
    ({ percent, reclaimed }) => ({ kind: 'set-tax', percent, counted: !reclaimed }),
    close,
  );
  return (
    <form onSubmit={submit} className="flex flex-col gap-3">
      <TextField
        label="Tax, in percent"
        inputMode="decimal"
        required
        pattern="[0-9]+([.][0-9]+)?"
        title="Digits, with a decimal point if needed: 20 or 8.875"
        hint="It is added where a seller’s prices do not include it."
        {...field('percent')}
      />
      <label className="flex gap-2">
        <input type="checkbox" {...form.register('reclaimed')} />
        My business reclaims this tax: leave it out of what things cost me
      </label>
      <Button type="submit">Count like this</Button>
    </form>
  );
}

/** Some codes and offers are for new customers only; and how sure the owner is to go on makes the expected cost. */
function Customer({ close }: { close: () => void }) {
  const { page, change } = useSite();
  const { newCustomer, keepChancePercent } = page.settings;
  const { field, submit } = useChangeForm(
    { percent: keepChancePercent ?? '' },
    ({ percent }) => ({ kind: 'set-keep-chance', percent: percent.trim() || null }),
    close,
  );
  return (
    <div className="flex flex-col gap-4">
      <label className="flex gap-2">
        <input
          type="checkbox"
          checked={newCustomer}
          onChange={(event) => change({ kind: 'set-new-customer', isNew: event.target.checked })}
        />
        I am new to all these sellers, so codes for new customers work
      </label>
      <form onSubmit={submit} className="border-rule flex flex-col gap-2 border-t pt-3">
        <TextField
          label="How likely the site still runs a year from now, in percent"
          inputMode="decimal"
          placeholder="not said"
          pattern="[0-9]+([.][0-9]+)?"
          title="A number from 0 to 100, or nothing"
          hint="The expected cost comes from it: what is due later counts for less, as you may have stopped by then."
          {...field('percent')}
        />
        <Button type="submit">Count like this</Button>
      </form>
    </div>
  );
}
