import { useQuery } from '@tanstack/react-query';
import { Check, CircleHelp, Gem, Lock, X } from 'lucide-react';
import { api, expect, type Book, type DomainAnswer } from '../../api/client';
import { shortDay } from '../../format/dates';
import { money } from '../../format/money';
import { Button } from '../../ui/Button';
import { cx } from '../../ui/cx';
import { useSite } from '../site/SiteContext';

/** A name under every ending that can be bought here, each with the registrar's answer and its prices. */
export function Endings({ label, first }: { label: string; first: string | null }) {
  const { books, page } = useSite();
  const host = page.worksheet.candidate.hosting?.book;
  const sellers = books.filter((book) => book.plans.length === 0 || book.id === host);
  const all = [...new Set(sellers.flatMap((book) => book.domains.map((price) => price.ending)))];
  const endings = first && all.includes(first) ? [first, ...all.filter((ending) => ending !== first)] : all;
  return (
    <div className="mt-4">
      <table className="w-full text-left">
        <caption className="sr-only">Endings for {label}, with what the registrar says and what they cost</caption>
        <thead className="max-md:sr-only">
          <tr className="text-soft [&>*]:border-ink [&>*]:border-b [&>*]:px-2.5 [&>*]:py-1.5 [&>*]:text-[13px] [&>*]:font-semibold">
            <th scope="col">Domain</th>
            <th scope="col">The registrar says</th>
            <th scope="col">First year, then each year, before tax where the book adds it</th>
          </tr>
        </thead>
        <tbody>
          {endings.map((ending) => (
            <EndingRow
              key={ending}
              label={label}
              ending={ending}
              sellers={sellers.filter((book) => book.domains.some((price) => price.ending === ending))}
            />
          ))}
        </tbody>
      </table>
    </div>
  );
}

function EndingRow({ label, ending, sellers }: { label: string; ending: string; sellers: Book[] }) {
  const { page } = useSite();
  const host = page.worksheet.candidate.hosting?.book;
  const asked = (sellers.find((book) => book.id === host) ?? sellers[0])?.id;
  const check = useQuery({
    queryKey: ['check', label, ending, asked],
    queryFn: async ({ signal }) =>
      expect(await api.GET('/api/domains/check', { params: { query: { label, ending, book: asked } }, signal })),
    staleTime: 60_000,
    retry: false,
  });
  const answer = check.isFetching ? undefined : check.data;
  const buyable =
    answer?.state === 'free'
      ? sellers
      : answer?.state === 'premium'
        ? sellers.filter((book) => book.id === answer.book)
        : [];
  return (
    <tr className="odd:bg-band align-top max-md:block max-md:py-1.5 [&>*]:px-2.5 max-md:[&>*]:block max-md:[&>*]:py-0.5 md:[&>*]:py-2">
      <th scope="row" className="text-left font-normal">
        <bdi className="font-semibold">
          {label}
          <wbr />.{ending}
        </bdi>
      </th>
      <td aria-live="polite" className="max-w-md">
        {answer ? (
          <Answer answer={answer} />
        ) : check.isFetching ? (
          <span className="text-soft">asking …</span>
        ) : (
          <span className="text-red">{check.error?.message}</span>
        )}
        {!check.isFetching && (answer?.state === 'unchecked' || check.error) && (
          <Button look="text" className="ml-3" onClick={() => void check.refetch()}>
            Ask again
          </Button>
        )}
      </td>
      <td>
        {buyable.map((book) => (
          <Offer key={book.id} book={book} answer={answer!} ending={ending} label={label} />
        ))}
      </td>
    </tr>
  );
}

const marks = { free: Check, taken: X, premium: Gem, reserved: Lock, unchecked: CircleHelp };

/** Five answers, each with its own mark and words. */
function Answer({ answer }: { answer: DomainAnswer }) {
  const { state } = answer;
  const Mark = marks[state];
  const since = answer.registration?.registered ? ` since ${shortDay(answer.registration.registered)}` : '';
  const until = answer.registration?.expires ? `, paid until ${shortDay(answer.registration.expires)}` : '';
  const words = {
    free: 'Free.',
    taken: `Taken${since}${until}.`,
    premium: 'Free, but a premium name: it costs its own price and is never included.',
    reserved: 'Reserved: the registry lets nobody have it.',
    unchecked: `Could not be checked: ${answer.why ?? ''} That does not mean it is free.`,
  };
  return (
    <span
      className={cx(
        'flex gap-2',
        state === 'free'
          ? 'text-green font-semibold'
          : state === 'premium' || state === 'unchecked'
            ? 'text-red'
            : 'text-soft',
      )}
    >
      <Mark aria-hidden className="mt-0.5 size-4 shrink-0" />
      <span>{words[state]}</span>
    </span>
  );
}

function Offer({ book, answer, label, ending }: { book: Book; answer: DomainAnswer; label: string; ending: string }) {
  const { page, change } = useSite();
  const { letter, candidate } = page.worksheet;
  const price = book.domains.find((known) => known.ending === ending);
  const { register, renew } = answer.premium ?? { register: price?.register ?? null, renew: price?.renew ?? null };
  const [chosen] = candidate.domains;
  const isChosen =
    chosen?.route === 'register' && chosen.book === book.id && chosen.name === label && chosen.ending === ending;
  const plan = book.plans.find((known) => known.id === candidate.hosting?.plan);
  const included = !answer.premium && plan?.includedDomain?.endings.includes(ending) ? plan.includedDomain : null;
  return (
    <div className="flex flex-wrap items-baseline gap-x-3">
      <span>
        <bdi>{book.provider}</bdi>: {register ? money(register, book.currency) : 'not stated'}, then{' '}
        {renew ? money(renew, book.currency) : 'not stated'}
        {included && (
          <span className="text-green">
            {' '}
            (a year comes with {plan?.name} from {included.minCommitMonths} months on)
          </span>
        )}
      </span>
      {isChosen ? (
        <span className="text-green font-semibold">on {letter} now</span>
      ) : (
        <Button
          look="text"
          onClick={() =>
            change({
              kind: 'choose-domain',
              letter,
              domain: {
                route: 'register',
                book: book.id,
                name: label,
                ending,
                years: 1,
                premium: answer.premium,
                addOns: [],
                codes: [],
              },
            })
          }
        >
          Take it for {letter}
          <span className="sr-only">
            : {label}.{ending} from {book.provider}
          </span>
        </Button>
      )}
    </div>
  );
}
