import type { Answers, PageReview } from '../../../api/pages';
import { Button } from '../../../ui/Button';

/** What the page does not say about itself: who sells, in which currency, with tax or without. */
export function PageQuestions({
  read,
  answers,
  answer,
}: {
  read: PageReview;
  answers: Answers;
  answer: (more: Partial<Answers>) => void;
}) {
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
      {!provider && (
        <label className="mt-2 block">
          Who sells?{' '}
          <input
            value={answers.provider}
            onChange={(event) => answer({ provider: event.target.value })}
            className="border-blue bg-sheet rounded border px-2 py-1"
          />
        </label>
      )}
      {!currency && (
        <label className="mt-2 block">
          In which currency are the prices? Its code, such as USD{' '}
          <input
            value={answers.currency}
            maxLength={3}
            onChange={(event) => answer({ currency: event.target.value })}
            className="border-blue bg-sheet w-20 rounded border px-2 py-1 uppercase"
          />
        </label>
      )}
      {!tax && (
        <div role="group" aria-label="Do the prices include tax?" className="mt-2 flex flex-wrap gap-x-4">
          <span>Do the prices include tax?</span>
          {(
            [
              ['inside', 'Yes, tax is included'],
              ['on-top', 'No, tax comes on top'],
            ] as const
          ).map(([value, words]) => (
            <Button key={value} look="text" aria-pressed={answers.tax === value} onClick={() => answer({ tax: value })}>
              {answers.tax === value ? `✓ ${words}` : words}
            </Button>
          ))}
        </div>
      )}
    </section>
  );
}
