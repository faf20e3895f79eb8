import { TextField } from '../../../ui/fields/Field';
import { Choice } from './Choice';
import { useReview } from './review';

/** What the page says of itself, and what it does not: who sells, in which currency, with tax or without. */
export function PageQuestions() {
  const { read, answers, answer } = useReview();
  const { provider, currency, tax, refundDays, domains, extras, codes } = read.page;
  const said = [
    provider && `Sold by ${provider}`,
    currency && `prices in ${currency}`,
    tax && (tax === 'inside' ? 'tax included' : 'tax on top'),
    refundDays !== null && (refundDays === 0 ? 'no money back' : `money back within ${refundDays} days`),
    domains.length > 0 && `${domains.length} domain ${domains.length === 1 ? 'ending' : 'endings'} with prices`,
    extras.length > 0 &&
      `${extras.length} ${extras.length === 1 ? 'extra' : 'extras'}: ${extras.map(({ name }) => name).join(', ')}`,
    codes.length > 0 && `the code ${codes.map(({ code }) => code).join(', ')}`,
  ].filter(Boolean);
  return (
    <section aria-label="About the page" className="mt-5">
      {said.length > 0 && <p>{said.join('; ')}.</p>}
      <div className="mt-2 flex flex-wrap gap-x-5 gap-y-2">
        {!provider && (
          <TextField
            label={<span className="text-red">Who sells?</span>}
            value={answers.provider}
            onChange={(event) => answer({ provider: event.target.value })}
          />
        )}
        {!currency && (
          <TextField
            label={<span className="text-red">In which currency are the prices?</span>}
            hint="Its code, such as USD."
            maxLength={3}
            className="uppercase"
            value={answers.currency}
            onChange={(event) => answer({ currency: event.target.value })}
          />
        )}
      </div>
      {!tax && (
        <Choice
          question="Do the prices include tax?"
          options={[
            { value: 'inside', words: 'Yes, tax is included' },
            { value: 'on-top', words: 'No, tax comes on top' },
          ]}
          chosen={answers.tax}
          choose={(value) => answer({ tax: value })}
        />
      )}
    </section>
  );
}
