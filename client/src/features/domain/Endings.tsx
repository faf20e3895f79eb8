import { useQuery } from '@tanstack/react-query';
import { Link } from '@tanstack/react-router';
import { useEffect, useMemo, useState } from 'react';
import type { NameCost, Schemas } from '../../api/wire/client';
import { nameCostsQuery, useAnswers, useAsking } from '../../api/names/names';
import { namesHadQuery } from '../../api/names/ownDomain';
import { useHasCounterparts } from '../../api/session';
import { useSite } from '../../api/site/site';
import { money, sumFigure } from '../../format/money';
import { span } from '../../format/words';
import { Button } from '../../ui/Button';
import { SellerNotes } from '../../ui/said/SellerNotes';
import { Head, Heads, Table } from '../../ui/Table';
import { TickLine } from '../../ui/fields/TickLine';
import { AnswerMark } from '../../ui/said/AnswerMark';
import { answerSentence, askedWords } from '../../format/answers';
import { Ideas } from './Ideas';
import { nearest } from './costs';
import { SellerRow } from './SellerRow';
import { Announced } from '../../ui/said/Announced';

type Ending = Schemas['EndingWire'];

/**
 * A name under every ending that can be bought here: what the registrar says, and what it costs at each seller over the
 * years.
 */
export function Endings({ label, first }: { label: string; first: string | null }) {
  const hasCounterparts = useHasCounterparts();
  const { page } = useSite();
  const { endings, letter } = page.worksheet;
  const { ask, ...asking } = useAsking(page.id, letter);
  const costs = useQuery(nameCostsQuery(page.id, letter, page.revision)).data;
  const host = page.worksheet.candidate.hosting?.book ?? null;
  const [oneSeller, setOneSeller] = useState(false);
  const inOrder = [...endings].sort((left, right) => Number(right.ending === first) - Number(left.ending === first));
  const sold = useMemo(() => endings.map(({ ending }) => ending), [endings]);
  const isSold = first === null || sold.includes(first);
  const soldKey = sold.join(' ');

  useEffect(() => {
    void ask({ names: [label], endings: soldKey.split(' '), withRecord: true });
  }, [ask, label, soldKey]);

  return (
    <section aria-label={`Endings for ${label}`}>
      {!isSold && (
        <p className="border-red mt-3 border-l-2 pl-3">
          Nobody here sells “.{first}”. Sold here:{' '}
          {nearest(sold, first)
            .map((ending) => `.${ending}`)
            .join(', ')}
          . A seller who has it can still be used: <PutIn />.
        </p>
      )}
      <Ideas label={label} ending={isSold ? (first ?? sold[0]!) : nearest(sold, first)[0]!} />
      {host && costs?.some((cost) => cost.book !== host) && (
        <TickLine className="mt-3" checked={oneSeller} onChange={setOneSeller}>
          one seller only: leave out those who are not my host
        </TickLine>
      )}
      <Announced className="text-soft mt-3 text-sm">
        {asking.error ? (
          <span className="text-red">{asking.error.message}</span>
        ) : asking.pause ? (
          `${asking.pause.provider} asks for a pause of ${asking.pause.seconds} s …`
        ) : asking.isAsking ? (
          'Asking the registrars …'
        ) : (
          hasCounterparts && 'Asked again before anything is ordered.'
        )}
      </Announced>
      <Table className="mt-1 w-full" caption={`Endings for ${label}, with what the registrar says and what they cost`}>
        <Heads className="max-lg:sr-only">
          <Head>Domain</Head>
          <Head>Seller</Head>
          <Head figures>First year</Head>
          <Head figures>Then a year</Head>
          <Head figures>
            Over {span(page.settings.horizonMonths)}, {page.settings.currency}
            {page.settings.countTax && ' with tax'}
          </Head>
          <Head>Contact privacy</Head>
          <Head>
            <span className="sr-only">Choose</span>
          </Head>
        </Heads>
        {inOrder.map((offer) => (
          <EndingRows
            key={offer.ending}
            label={label}
            offer={offer}
            costs={costs?.filter((cost) => cost.ending === offer.ending && (!oneSeller || cost.book === host)) ?? []}
            isAsking={asking.isAsking}
            askAgain={() => void ask({ names: [label], endings: [offer.ending], again: true, withRecord: true })}
          />
        ))}
      </Table>
    </section>
  );
}

/** A price list of one's own makes a seller of an ending. */
function PutIn() {
  const { page } = useSite();
  return (
    <Link to="/sites/$siteId/shelf" params={{ siteId: page.id }} search={{}} className="ink">
      put its price list on the shelf
    </Link>
  );
}

/** A name that came with an order of the owner's. */
function Mine({ had }: { had: Schemas['NameHadWire'] }) {
  const { page, change } = useSite();
  const { letter, candidate } = page.worksheet;
  const isChosen = candidate.domains.some((domain) => `${domain.name ?? ''}.${domain.ending ?? ''}` === had.domain);
  return (
    <span className="block">
      Yours already, at <bdi>{had.seller}</bdi>: order {had.reference}.{' '}
      {!isChosen && (
        <Button look="text" onClick={() => change({ kind: 'choose-domain', letter, domain: { ...had.choice } })}>
          Use the one I have<span className="sr-only">: {had.domain}</span>
        </Button>
      )}
    </span>
  );
}

function EndingRows({
  label,
  offer,
  costs,
  isAsking,
  askAgain,
}: {
  label: string;
  offer: Ending;
  costs: NameCost[];
  isAsking: boolean;
  askAgain: () => void;
}) {
  const { page, change } = useSite();
  const domain = `${label}.${offer.ending}`;
  const answer = useAnswers(page.id, page.worksheet.letter)[domain];
  const mine = useQuery(namesHadQuery).data?.find((had) => had.domain === domain);
  const isHeld = page.held.some((held) => held.name === label && held.ending === offer.ending);
  const offered =
    answer?.buyable === 'anywhere'
      ? costs
      : answer?.buyable === 'where-asked' && answer.premiumCost
        ? [answer.premiumCost]
        : [];
  const held = { names: [{ name: label, ending: offer.ending }] };
  return (
    <tbody className="odd:bg-band border-rule border-b align-top max-lg:block max-lg:py-2">
      <tr className="max-lg:block [&>*]:px-2.5 [&>*]:py-1.5">
        <th
          scope="rowgroup"
          rowSpan={Math.max(1, offered.length)}
          className="font-normal max-lg:block lg:w-80 lg:max-w-80"
        >
          <bdi className="font-semibold">
            {label}
            <wbr />.{offer.ending}
          </bdi>
          {mine ? (
            <Mine had={mine} />
          ) : answer ? (
            <>
              <AnswerMark answer={answer} words={answerSentence(answer)} />
              {answer.state !== 'not-asked' && (
                <span className="text-soft block text-[13px]">{askedWords(answer)}</span>
              )}
            </>
          ) : (
            <span className="text-soft block">{isAsking ? 'asking …' : 'not asked yet'}</span>
          )}
          <span className="flex gap-x-4">
            {answer && !isAsking && (answer.state === 'unchecked' || answer.isOld || answer.isContradicted) && (
              <Button look="text" onClick={askAgain}>
                Ask again<span className="sr-only"> about {domain}</span>
              </Button>
            )}
            {answer && !mine && answer.state !== 'taken' && answer.state !== 'reserved' && (
              <Button
                look="text"
                className="text-[13px]"
                onClick={() => change({ kind: isHeld ? 'drop-names' : 'hold-names', ...held })}
              >
                {isHeld ? 'Remove' : 'Save for later'}
                <span className="sr-only"> {domain}</span>
              </Button>
            )}
          </span>
        </th>
        {offered[0] ? (
          <SellerCells cost={offered[0]} label={label} premium={answer?.premium ?? null} />
        ) : (
          <td colSpan={6} className="max-lg:hidden" />
        )}
      </tr>
      {offered.slice(1).map((cost) => (
        <tr key={cost.book} className="border-rule border-t max-lg:block [&>*]:px-2.5 [&>*]:py-1.5">
          <SellerCells cost={cost} label={label} premium={null} />
        </tr>
      ))}
    </tbody>
  );
}

/** No money, written with the decimals of a price. */
const nothing = (price: string) => price.replace(/[1-9]/g, '0').replace(/^0+(?=0)/, '');

/** What one seller takes for it. */
function SellerCells({
  cost,
  label,
  premium,
}: {
  cost: NameCost;
  label: string;
  premium: Schemas['PremiumWire'] | null;
}) {
  const { page, books } = useSite();
  const beforeTax = books.find((book) => book.id === cost.book)?.pricesIncludeTax === false;
  const price = (amount: string | null) => (amount ? money(amount, cost.currency) : 'not stated');
  return (
    <>
      <SellerRow.Name cost={cost} />
      <td className="text-right max-lg:inline-block">
        <span className="text-soft lg:hidden">first year </span>
        {cost.included === 'spent' && cost.register ? (
          <>
            <span className="text-green font-semibold">{price(nothing(cost.register))}</span>
            <span className="text-soft block text-[13px]">instead of {price(cost.register)}</span>
          </>
        ) : (
          price(cost.register)
        )}
        {beforeTax && <span className="text-soft block text-[12.5px]">before tax</span>}
      </td>
      <td className="text-right max-lg:inline-block">
        <span className="text-soft lg:hidden">then </span>
        {price(cost.renew)}
        {beforeTax && <span className="text-soft block text-[12.5px]">before tax</span>}
      </td>
      <td className="text-right font-semibold max-lg:block max-lg:text-left">
        <span className="text-soft font-normal lg:hidden">
          over {span(page.settings.horizonMonths)}, {page.settings.currency}{' '}
        </span>
        {cost.horizon ? sumFigure(cost.horizon) : 'not known'}
        <SellerNotes of={[cost.book]} />
        <SellerRow.Years cost={cost} />
      </td>
      <SellerRow.Privacy cost={cost} />
      <SellerRow.Take cost={cost} label={label} premium={premium} />
    </>
  );
}
