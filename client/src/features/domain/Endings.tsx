import { OldPrices } from '../../ui/OldPrices';
import { useQuery } from '@tanstack/react-query';
import { Check, CircleHelp, Gem, Lock, X } from 'lucide-react';
import { api, expect, type DomainAnswer, type Schemas } from '../../api/client';
import { shortDay } from '../../format/dates';
import { money } from '../../format/money';
import { Button } from '../../ui/Button';
import { cx } from '../../ui/cx';
import { Head, Heads, Row, Table } from '../../ui/Table';
import { useSite } from '../../api/site';

type Ending = Schemas['EndingWire'];
type Seller = Schemas['EndingSellerWire'];

/** A name under every ending that can be bought here, each with the registrar's answer and its prices. */
export function Endings({ label, first }: { label: string; first: string | null }) {
  const { endings } = useSite().page.worksheet;
  const inOrder = [...endings].sort((left, right) => Number(right.ending === first) - Number(left.ending === first));
  return (
    <Table className="mt-4 w-full" caption={`Endings for ${label}, with what the registrar says and what they cost`}>
      <Heads className="max-md:sr-only">
        <Head>Domain</Head>
        <Head>The registrar says</Head>
        <Head>First year, then each year, before tax where the book adds it</Head>
      </Heads>
      <tbody>
        {inOrder.map((offer) => (
          <EndingRow key={offer.ending} label={label} offer={offer} />
        ))}
      </tbody>
    </Table>
  );
}

function EndingRow({ label, offer }: { label: string; offer: Ending }) {
  const { ending, asked } = offer;
  const check = useQuery({
    queryKey: ['check', label, ending, asked],
    queryFn: async ({ signal }) =>
      expect(await api.GET('/api/domains/check', { params: { query: { label, ending, book: asked } }, signal })),
    staleTime: 60_000,
    retry: false,
  });
  const answer = check.isFetching ? undefined : check.data;
  const sellers =
    answer?.buyable === 'anywhere'
      ? offer.sellers
      : answer?.buyable === 'where-asked'
        ? offer.sellers.filter((seller) => seller.book === answer.book)
        : [];
  return (
    <Row
      className="max-md:block max-md:py-1.5 max-md:[&>*]:block max-md:[&>*]:py-0.5 md:[&>*]:py-2"
      label={
        <bdi className="font-semibold">
          {label}
          <wbr />.{ending}
        </bdi>
      }
    >
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
        {answer &&
          sellers.map((seller) => (
            <Offer key={seller.book} seller={seller} answer={answer} ending={ending} label={label} />
          ))}
      </td>
    </Row>
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

function Offer({
  seller,
  answer,
  label,
  ending,
}: {
  seller: Seller;
  answer: DomainAnswer;
  label: string;
  ending: string;
}) {
  const { page, change } = useSite();
  const { letter, candidate } = page.worksheet;
  const { register, renew } = answer.premium ?? seller;
  const [chosen] = candidate.domains;
  const isChosen =
    chosen?.route === 'register' && chosen.book === seller.book && chosen.name === label && chosen.ending === ending;
  return (
    <div className="flex flex-wrap items-baseline gap-x-3">
      <span>
        <bdi>{seller.provider}</bdi>: {register ? money(register, seller.currency) : 'not stated'}, then{' '}
        {renew ? money(renew, seller.currency) : 'not stated'}
        {seller.includedFromMonths !== null && !answer.premium && (
          <span className="text-green"> (a year comes with the plan from {seller.includedFromMonths} months on)</span>
        )}
        <OldPrices of={[seller.book]} />
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
                book: seller.book,
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
            : {label}.{ending} from {seller.provider}
          </span>
        </Button>
      )}
    </div>
  );
}
