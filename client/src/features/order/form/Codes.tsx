import type { Schemas } from '../../../api/wire/client';
import { useSite } from '../../../api/site/site';
import { verdictWords } from '../../../format/codes';
import { money } from '../../../format/money';
import { Button } from '../../../ui/Button';
import { CodeField } from '../../../ui/fields/CodeField';

/** Codes, where the sum to pay stands: those entered with what became of them, and the place for another. */
export function Codes({ codes }: { codes: readonly Schemas['CodeWire'][] }) {
  const { page, books, change } = useSite();
  const { letter } = page.worksheet;
  return (
    <section className="mt-5" aria-labelledby="codes">
      <h2 id="codes" className="text-lg">
        A discount code?
      </h2>
      <ul>
        {codes.map((code) => (
          <li key={code.book + code.code} className="flex flex-wrap items-baseline gap-x-3">
            <bdi className="font-semibold">{code.code}</bdi>
            {code.saves ? (
              <span className="text-green">
                saves {money(code.saves, page.settings.currency)} in total. <AtRenewal code={code} />
              </span>
            ) : (
              <span className="text-red">
                does not count.{' '}
                {verdictWords(
                  code,
                  books.find((book) => book.id === code.book)!,
                )}
              </span>
            )}
            <Button look="text" onClick={() => change({ kind: 'drop-code', letter, code: code.code })}>
              take off<span className="sr-only"> the code {code.code}</span>
            </Button>
          </li>
        ))}
      </ul>
      <CodeField />
    </section>
  );
}

/** Whether it counts when the first term is over. */
function AtRenewal({ code }: { code: Schemas['CodeWire'] }) {
  const { knownCodes } = useSite().page.worksheet;
  const known = knownCodes.find((place) => place.code === code.code && place.book === code.book);
  return known === undefined
    ? null
    : known.bills === null
      ? 'It counts on every bill, renewals too.'
      : known.bills === 1
        ? 'It counts once: renewals cost the full price.'
        : `It counts on the first ${known.bills} bills; after them the full price is due.`;
}
