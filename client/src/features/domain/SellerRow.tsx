import type { NameCost, Schemas } from '../../api/wire/client';
import { useSite } from '../../api/site/site';
import { shortDay } from '../../format/dates';
import { isZero, money, sumFigure } from '../../format/money';
import { span } from '../../format/words';
import { Button } from '../../ui/Button';
import { InkPopover } from '../../ui/sheets/Popover';
import { ScrollRegion } from '../../ui/ScrollRegion';
import { Cell, Head, Heads, Row, Table } from '../../ui/Table';
import { includedWords, privacyWords, recordField } from '../../format/answers';

/** Who sells it, what makes them the simplest or the cheapest, and what becomes of the plan's domain-year there. */
function Name({ cost }: { cost: NameCost }) {
  const { page } = useSite();
  const { currency, horizonMonths } = page.settings;
  const more = cost.simplestCostsMore;
  const included = includedWords(cost);
  return (
    <td className="max-lg:block">
      <bdi className="font-semibold">{cost.provider}</bdi>
      {cost.isSimplest && <span className="text-soft block text-[13px]">your host: nothing to join by hand</span>}
      {cost.isCheapest && (
        <span className="text-green block text-[13px]">
          the least over {span(horizonMonths)}
          {more && !isZero(more) && `: ${money(more, currency)} less than at the host`}
        </span>
      )}
      {included && (
        <span className={cost.included === 'spent' ? 'text-green block text-[13px]' : 'text-soft block text-[13px]'}>
          {included}
        </span>
      )}
    </td>
  );
}

/** Paid for 1 to 10 years at once: what that comes to, and until when. */
function Years({ cost }: { cost: NameCost }) {
  const { page } = useSite();
  const { currency, horizonMonths } = page.settings;
  const nearest = cost.years.find((years) => years.isNearest);
  if (cost.years.length < 2) {
    return null;
  }

  return (
    <span className="block text-[13px] font-normal">
      <InkPopover
        wide
        label={`1 to ${cost.years.length} years at once: .${cost.ending} at ${cost.provider}`}
        words={`1 to ${cost.years.length} years at once`}
      >
        {() => (
          <ScrollRegion label="Years at once" className="max-h-96">
            <Table className="mt-1" caption="What paying for more years at once comes to">
              <Heads>
                <Head figures>Years</Head>
                <Head figures>Today, {currency}</Head>
                <Head figures>Over {span(horizonMonths)}</Head>
                <Head>Paid until</Head>
                <Head>From the hosting’s end of term</Head>
              </Heads>
              <tbody>
                {cost.years.map((years) => (
                  <Row key={years.years} label={years.years}>
                    <Cell figures>{sumFigure(years.today)}</Cell>
                    <Cell figures>{sumFigure(years.horizon)}</Cell>
                    <Cell>{shortDay(years.expires)}</Cell>
                    <Cell>
                      {years.daysApart === null
                        ? ''
                        : years.daysApart === 0
                          ? 'the same day'
                          : `${years.daysApart} days apart`}
                    </Cell>
                  </Row>
                ))}
              </tbody>
            </Table>
            <p className="text-soft mt-1 max-w-96">
              These are what the domain adds to the candidate, its renewals over {span(horizonMonths)} counted.
            </p>
          </ScrollRegion>
        )}
      </InkPopover>
      {nearest && (
        <span className="text-soft block">{nearest.years} years bring it nearest to the hosting’s end of term</span>
      )}
    </span>
  );
}

function Privacy({ cost }: { cost: NameCost }) {
  return (
    <td className="max-lg:block">
      <span className="text-soft lg:hidden">contact privacy </span>
      <span className={cost.privacy === 'forbidden' ? 'text-red' : undefined}>{privacyWords(cost)}</span>
      <WhatIsSeen cost={cost} />
    </td>
  );
}

/** The public record of a name, field by field, with contact privacy and without. */
function WhatIsSeen({ cost }: { cost: NameCost }) {
  const { shownWithout, shownWith } = cost;
  return (
    <span className="block text-[13px]">
      <InkPopover label={`what is seen of you: .${cost.ending} at ${cost.provider}`} words="what is seen of you">
        {() =>
          shownWithout && shownWith ? (
            <Table className="mt-1" caption={`What the public record of .${cost.ending} shows`}>
              <Heads>
                <Head>Of the holder</Head>
                <Head>Without privacy</Head>
                <Head>With it</Head>
              </Heads>
              <tbody>
                {shownWithout.map((field) => (
                  <Row key={field} label={recordField(field)}>
                    <Cell>{cost.privacy === 'by-default' ? 'of a business only' : 'seen'}</Cell>
                    <Cell className={shownWith.includes(field) ? undefined : 'text-green'}>
                      {shownWith.includes(field) ? 'seen' : 'not shown'}
                    </Cell>
                  </Row>
                ))}
              </tbody>
            </Table>
          ) : (
            <p>
              {cost.provider} does not state what the public record of .{cost.ending} shows.
            </p>
          )
        }
      </InkPopover>
    </span>
  );
}

/** Puts it on the candidate: in the place of its domain, or beside it. */
function Take({ cost, label, premium }: { cost: NameCost; label: string; premium: Schemas['PremiumWire'] | null }) {
  const { page, change } = useSite();
  const { letter, candidate } = page.worksheet;
  const chosen = candidate.domains.find((known) => known.name === label && known.ending === cost.ending);
  const isChosen = chosen?.route === 'register' && chosen.book === cost.book;
  const domain = {
    route: 'register' as const,
    book: cost.book,
    name: label,
    ending: cost.ending,
    years: 1,
    premium,
    addOns: [],
    codes: [],
  };
  const of = (
    <span className="sr-only">
      : {label}.{cost.ending} from {cost.provider}
    </span>
  );
  return (
    <td className="max-lg:block lg:w-32">
      {isChosen ? (
        <span className="text-green font-semibold">on {letter} now</span>
      ) : (
        <span className="flex flex-col items-start gap-1 max-lg:flex-row max-lg:gap-4">
          <Button look="text" onClick={() => change({ kind: 'choose-domain', letter, domain })}>
            Use this name<span className="sr-only"> for {letter}</span>
            {of}
          </Button>
          {candidate.domains.some((known) => known.name !== null) && !chosen && (
            <Button look="text" className="text-[13px]" onClick={() => change({ kind: 'add-domain', letter, domain })}>
              Add it beside
              {of}
            </Button>
          )}
        </span>
      )}
    </td>
  );
}

export const SellerRow = { Name, Years, Privacy, Take };
