import type { ReactNode } from 'react';
import { useFieldArray, useWatch } from 'react-hook-form';
import { emptyWay } from '../../../api/books/fromPage';
import { CurrencyOptions } from '../../../ui/fields/CurrencyOptions';
import { Button } from '../../../ui/Button';
import { AdField, AdSelect } from './AdField';
import { useAdvertisement } from './draft';

const common = ['GBP', 'EUR', 'USD'];

/** Ten questions, in the order in which a seller's page answers them. */
export function AdvertisementFields() {
  return (
    <ol className="flex flex-col">
      <Question title="Who sells?">
        <AdField name="provider" label="The seller" placeholder="Brightwater Hosting" />
      </Question>
      <Question title="Which plan?">
        <AdField name="plan" label="The plan’s name" placeholder="Lantern" />
        <Currency />
      </Question>
      <Question title="What is in large print?">
        <Way at="" />
      </Question>
      <Question title="And afterwards?">
        <Later at="" />
      </Question>
      <Question title="Other ways to pay?" hint="Monthly, or for a longer term. Leave it out if you would not take it.">
        <OtherWays />
      </Question>
      <Question title="A set-up fee?">
        <AdField name="setupFee" label="Set-up fee" inputMode="decimal" hint="Leave it empty if there is none." />
      </Question>
      <Question title="A domain in the price?">
        <Domain />
      </Question>
      <Question title="And the tax?">
        <AdSelect name="tax" label="The prices are">
          <option value="on-top">before tax: it comes on top</option>
          <option value="inside">with tax inside</option>
        </AdSelect>
      </Question>
      <Question title="Money back?">
        <AdField
          name="refundDays"
          label="Within how many days"
          inputMode="numeric"
          hint="Leave it empty if the page does not say."
        />
      </Question>
      <Question
        title="What is ticked in advance?"
        hint="Look in the order form: extras that are added unless you object."
      >
        <Ticked />
      </Question>
    </ol>
  );
}

function Question({ title, hint, children }: { title: string; hint?: string; children: ReactNode }) {
  return (
    <li className="border-rule grid gap-x-6 gap-y-2 border-t py-3 sm:grid-cols-[11rem_minmax(0,1fr)]">
      <div>
        <h2 className="text-base">{title}</h2>
        {hint && <p className="text-soft text-sm">{hint}</p>}
      </div>
      <div className="grid gap-3 sm:grid-cols-2">{children}</div>
    </li>
  );
}

function Currency() {
  const { form } = useAdvertisement();
  const chosen = useWatch({ control: form.control, name: 'currency' });
  return (
    <AdSelect name="currency" label="Its prices are in">
      <CurrencyOptions first={[...common, ...(chosen ? [chosen] : [])]} />
    </AdSelect>
  );
}

/** The path of a field: the headline's own, or one of another way to pay. */
const of = (at: string, field: string) => `${at}${field}`;

function Way({ at }: { at: string }) {
  return (
    <>
      <AdField name={of(at, 'price')} label="Price" inputMode="decimal" placeholder="2.99" />
      <AdSelect name={of(at, 'pricePer')} label="That is">
        <option value="month">a month</option>
        <option value="year">a year</option>
        <option value="term">for the whole term</option>
      </AdSelect>
      <AdField
        name={of(at, 'months')}
        label="It holds for, in months"
        inputMode="numeric"
        placeholder="12"
        hint="The first term: a year is 12."
      />
      <AdSelect name={of(at, 'paid')} label="It is paid">
        <option value="at-once">all at once</option>
        <option value="monthly-free">each month, free to leave</option>
        <option value="monthly-bound">each month, bound for the term</option>
      </AdSelect>
    </>
  );
}

function Later({ at }: { at: string }) {
  const { form } = useAdvertisement();
  const later = useWatch({ control: form.control, name: of(at, 'later') as 'later' });
  return (
    <>
      <AdSelect name={of(at, 'later')} label="After that term" wide>
        <option value="stated">it costs another price, which is stated</option>
        <option value="same">it stays the same</option>
        <option value="not-stated">the page does not say</option>
      </AdSelect>
      {later === 'stated' && (
        <>
          <AdField name={of(at, 'laterPrice')} label="The price then" inputMode="decimal" placeholder="8.99" />
          <AdSelect name={of(at, 'laterPer')} label="That is">
            <option value="month">a month</option>
            <option value="year">a year</option>
            <option value="term">for the whole term</option>
          </AdSelect>
        </>
      )}
    </>
  );
}

function OtherWays() {
  const { form } = useAdvertisement();
  const { fields, append, remove } = useFieldArray({ control: form.control, name: 'otherWays' });
  return (
    <div className="flex flex-col gap-3 sm:col-span-2">
      {fields.map((field, index) => (
        <fieldset key={field.id} className="border-rule grid gap-3 border-b pb-3 sm:grid-cols-2">
          <legend className="sr-only">Another way to pay, {index + 1}</legend>
          <Way at={`otherWays[${index}].`} />
          <Later at={`otherWays[${index}].`} />
          <Button look="text" className="w-fit" onClick={() => remove(index)}>
            Leave this way out
          </Button>
        </fieldset>
      ))}
      <Button look="text" className="w-fit" onClick={() => append(emptyWay)}>
        Add {fields.length === 0 ? 'another way to pay' : 'one more'}
      </Button>
    </div>
  );
}

function Domain() {
  const { form, settle, found } = useAdvertisement();
  const includes = useWatch({ control: form.control, name: 'includesDomain' });
  return (
    <>
      <label className="flex items-baseline gap-2 sm:col-span-2">
        <input
          type="checkbox"
          {...form.register('includesDomain', { onChange: () => settle('includesDomain') })}
          className="translate-y-0.5"
        />
        <span>
          A domain-year is in the price
          {found.includesDomain && (
            <>
              : <span className="text-soft">“{found.includesDomain}”</span>{' '}
              <Button look="text" onClick={() => settle('includesDomain')}>
                That is right<span className="sr-only">: a domain-year is in the price</span>
              </Button>
            </>
          )}
        </span>
      </label>
      {includes && (
        <>
          <AdField name="endings" label="With which endings" placeholder="com, co.uk" />
          <AdField
            name="domainFromMonths"
            label="From which term on, in months"
            inputMode="numeric"
            hint="Empty: with every term."
          />
        </>
      )}
    </>
  );
}

function Ticked() {
  const { form } = useAdvertisement();
  const { fields, append, remove } = useFieldArray({ control: form.control, name: 'ticked' });
  return (
    <div className="flex flex-col gap-3 sm:col-span-2">
      {fields.map((field, index) => (
        <fieldset key={field.id} className="border-rule grid gap-3 border-b pb-3 sm:grid-cols-3">
          <legend className="sr-only">Ticked in advance, {index + 1}</legend>
          <AdField name={`ticked[${index}].name`} label="What" placeholder="Daily backup" />
          <AdField name={`ticked[${index}].price`} label="Price" inputMode="decimal" />
          <AdSelect name={`ticked[${index}].every`} label="That is">
            <option value="month">a month</option>
            <option value="year">a year</option>
            <option value="once">once</option>
          </AdSelect>
          <Button look="text" className="w-fit" onClick={() => remove(index)}>
            Leave it out
          </Button>
        </fieldset>
      ))}
      <Button look="text" className="w-fit" onClick={() => append({ name: '', price: '', every: 'month' })}>
        Add {fields.length === 0 ? 'an extra that is ticked' : 'one more'}
      </Button>
    </div>
  );
}
