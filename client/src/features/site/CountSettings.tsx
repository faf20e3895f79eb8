import { useState, type FormEvent } from 'react';
import { longDay, shortDay } from '../../format/dates';
import { currencyWord } from '../../format/money';
import { shortSpan } from '../../format/words';
import { Button } from '../../ui/Button';
import { SelectField, TextField } from '../../ui/Field';
import { InkPopover } from '../../ui/Popover';
import { useSite } from './SiteContext';

const horizons = [12, 24, 30, 36, 48, 60, 84, 120];

/** How everything is added up: over how long, from when, with which tax. Each opens where it is said. */
export function CountSettings() {
  const { page } = useSite();
  const { horizonMonths, startDate, taxPercent, countTax } = page.settings;
  const { currency } = page.settings;
  const tax = countTax ? `with ${taxPercent}% tax` : 'tax got back';
  return (
    <p className="flex flex-wrap items-baseline gap-x-5 text-[14px]">
      <span>
        Added up over{' '}
        <InkPopover words={shortSpan(horizonMonths)} label={`Added up over ${shortSpan(horizonMonths)}: change`}>
          {(close) => <Horizon key={horizonMonths} close={close} />}
        </InkPopover>
      </span>
      <span>
        from{' '}
        <InkPopover words={shortDay(startDate)} label={`Counted from ${shortDay(startDate)}: change`}>
          {(close) => <Start key={startDate} close={close} />}
        </InkPopover>
      </span>
      <span>
        in {currencyWord(currency)},{' '}
        <InkPopover words={tax} label={`Counted ${tax}: change`}>
          {(close) => (
            <>
              <Tax key={`${taxPercent}${countTax}`} close={close} />
              <Rates />
            </>
          )}
        </InkPopover>
      </span>
    </p>
  );
}

function Horizon({ close }: { close: () => void }) {
  const { page, change } = useSite();
  const now = page.settings.horizonMonths;
  const [months, setMonths] = useState(String(now));
  const choices = horizons.includes(now) ? horizons : [...horizons, now].sort((left, right) => left - right);
  const submit = (event: FormEvent) => {
    event.preventDefault();
    change({ kind: 'set-horizon', months: Number(months) });
    close();
  };
  return (
    <form onSubmit={submit} className="flex flex-col gap-3">
      <SelectField
        label="Count what is due over"
        hint="Longer shows what happens after the first price has run out."
        value={choices.includes(Number(months)) ? months : ''}
        onChange={(event) => setMonths(event.target.value)}
      >
        {choices.map((choice) => (
          <option key={choice} value={choice}>
            {shortSpan(choice)}
          </option>
        ))}
        {!choices.includes(Number(months)) && <option value="">another number</option>}
      </SelectField>
      <TextField
        label="or so many months"
        type="number"
        min={1}
        max={120}
        step={1}
        required
        value={months}
        onChange={(event) => setMonths(event.target.value)}
      />
      <Button type="submit">Count over this</Button>
    </form>
  );
}

function Start({ close }: { close: () => void }) {
  const { page, change } = useSite();
  const { startDate, startsToday, businessDate } = page.settings;
  const [date, setDate] = useState(startDate);
  const submit = (event: FormEvent) => {
    event.preventDefault();
    change({ kind: 'set-start', date: date === businessDate ? null : date });
    close();
  };
  return (
    <form onSubmit={submit} className="flex flex-col gap-3">
      <TextField
        label="Count from"
        type="date"
        required
        hint={`Today is ${longDay(businessDate)}. An order starts on the day it is placed.`}
        value={date}
        onChange={(event) => setDate(event.target.value)}
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
  const { page, change } = useSite();
  const [percent, setPercent] = useState(page.settings.taxPercent);
  const [counted, setCounted] = useState(page.settings.countTax);
  const submit = (event: FormEvent) => {
    event.preventDefault();
    change({ kind: 'set-tax', percent, counted });
    close();
  };
  return (
    <form onSubmit={submit} className="flex flex-col gap-3">
      <TextField
        label="Tax, in percent"
        inputMode="decimal"
        required
        pattern="[0-9]+([.][0-9]+)?"
        title="Digits, with a point where needed: 20 or 8.875"
        hint="It is added where an offer book's prices do not hold it already."
        value={percent}
        onChange={(event) => setPercent(event.target.value)}
      />
      <label className="flex gap-2">
        <input type="checkbox" checked={!counted} onChange={(event) => setCounted(!event.target.checked)} />
        My business gets this tax back: leave it out of what things cost me
      </label>
      <Button type="submit">Count like this</Button>
    </form>
  );
}

/** What a unit of each foreign currency in the books is worth: without it nothing priced in it can be counted. */
function Rates() {
  const { page, books } = useSite();
  const { currency } = page.settings;
  const foreign = [...new Set(books.map((book) => book.currency))].filter((code) => code !== currency);
  return foreign.map((code) => <Rate key={code} code={code} />);
}

function Rate({ code }: { code: string }) {
  const { page, change } = useSite();
  const { currency, rates } = page.settings;
  const [rate, setRate] = useState(rates[code] ?? '');
  const submit = (event: FormEvent) => {
    event.preventDefault();
    change({ kind: 'set-rate', currency: code, rate });
  };
  return (
    <form className="border-rule mt-4 flex items-end gap-2 border-t pt-3" onSubmit={submit}>
      <TextField
        label={`One ${code} is worth, in ${currency}`}
        required
        inputMode="decimal"
        pattern="[0-9]+([.][0-9]+)?"
        title="Digits, with a point where needed: 0.79"
        value={rate}
        onChange={(event) => setRate(event.target.value)}
      />
      <Button type="submit">Use</Button>
    </form>
  );
}
