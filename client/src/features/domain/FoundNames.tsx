import { useNavigate } from '@tanstack/react-router';
import { memo, useState } from 'react';
import type { NameAnswer, NameCost } from '../../api/wire/client';
import { useAnswers, type SoughtNames } from '../../api/names/names';
import { useSite } from '../../api/site/site';
import { sumMoney } from '../../format/money';
import { count, span } from '../../format/words';
import { Button } from '../../ui/Button';
import { InkSelect } from '../../ui/fields/Field';
import { ScrollRegion } from '../../ui/ScrollRegion';
import { Head, Heads, Row, Table } from '../../ui/Table';
import { TickLine } from '../../ui/fields/TickLine';
import { AnswerMark } from '../../ui/said/AnswerMark';
import { answerWord, askedWords } from '../../format/answers';
import { leastOf, rankOf } from './costs';
import { adviceWords, type Name } from './nameWords';

const atFirst = 40;

const orders = {
  given: 'as they came',
  cost: 'what costs least first',
  short: 'the shortest first',
  plain: 'least to think twice about first',
  letters: 'from A to Z',
} as const;

/** What was found: names down, endings across. */
export function FoundNames({ list, costs }: { list: SoughtNames; costs: readonly NameCost[] }) {
  const { page } = useSite();
  const answers = useAnswers(page.id, page.worksheet.letter);
  const [order, setOrder] = useState<keyof typeof orders>('given');
  const [only, setOnly] = useState({ free: false, plain: false });
  const [more, setMore] = useState(1);
  const answersOf = ({ label }: Name) => list.endings.map((ending) => answers[`${label}.${ending}`]);
  const compare: Record<keyof typeof orders, (left: Name, right: Name) => number> = {
    given: () => 0,
    cost: (left, right) => rankOf(answersOf(left), costs) - rankOf(answersOf(right), costs),
    short: (left, right) => left.label.length - right.label.length,
    plain: (left, right) => left.advice.length - right.advice.length,
    letters: (left, right) => left.label.localeCompare(right.label),
  };
  const names = list.names
    .filter((name) => !only.plain || name.advice.length === 0)
    .filter((name) => !only.free || answersOf(name).some((answer) => answer && answer.buyable !== 'nowhere'))
    .sort(compare[order]);
  const shown = names.slice(0, more * atFirst);
  return (
    <div className="mt-2">
      <div className="flex flex-wrap items-baseline gap-x-5 gap-y-1">
        <span>
          {count(names.length)} of {count(list.names.length)} names,{' '}
          <InkSelect
            label="Order of the names"
            value={order}
            onChange={(event) => setOrder(event.target.value as keyof typeof orders)}
          >
            {Object.entries(orders).map(([key, words]) => (
              <option key={key} value={key}>
                {words}
              </option>
            ))}
          </InkSelect>
        </span>
        <TickLine checked={only.free} onChange={(free) => setOnly({ ...only, free })}>
          only those that can be had
        </TickLine>
        <TickLine checked={only.plain} onChange={(plain) => setOnly({ ...only, plain })}>
          only those with nothing to think twice about
        </TickLine>
      </div>
      <ScrollRegion label="Names and endings">
        <Table className="mt-1 w-full" caption="Names and what the registrars say of them">
          <Heads className="max-md:sr-only">
            <Head>Name</Head>
            {list.endings.map((ending) => (
              <Head key={ending}>.{ending}</Head>
            ))}
          </Heads>
          <tbody>
            {shown.map((name) => (
              <Row
                key={name.label}
                className="max-md:block max-md:py-1.5 max-md:[&>*]:block"
                label={
                  <>
                    <bdi className="font-semibold break-all">{name.label}</bdi>
                    {name.advice.map((advice) => (
                      <span key={advice.code} className="text-soft block text-[13px]">
                        {adviceWords(advice)}
                      </span>
                    ))}
                  </>
                }
              >
                {list.endings.map((ending) => (
                  <AnswerCell
                    key={ending}
                    label={name.label}
                    ending={ending}
                    answer={answers[`${name.label}.${ending}`]}
                    isHeld={page.held.some((held) => held.name === name.label && held.ending === ending)}
                    costs={costs}
                  />
                ))}
              </Row>
            ))}
          </tbody>
        </Table>
      </ScrollRegion>
      {names.length > shown.length && (
        <Button look="text" className="mt-2" onClick={() => setMore(more + 1)}>
          Show {count(Math.min(atFirst, names.length - shown.length))} more
        </Button>
      )}
    </div>
  );
}

// As many as there are names and endings: one is drawn anew only when its own answer comes.
const AnswerCell = memo(function AnswerCell({
  label,
  ending,
  answer,
  isHeld,
  costs,
}: {
  label: string;
  ending: string;
  answer: NameAnswer | undefined;
  isHeld: boolean;
  costs: readonly NameCost[];
}) {
  const { page, change } = useSite();
  const navigate = useNavigate();
  const domain = `${label}.${ending}`;
  const least = answer?.premiumCost ?? leastOf(costs, ending);
  return (
    <td>
      <span className="text-soft mr-2 md:hidden">.{ending}</span>
      {!answer ? (
        <span className="text-soft">not asked yet</span>
      ) : (
        <>
          <span title={`${askedWords(answer)}${answer.why ? `. ${answer.why}` : ''}`} className="max-md:inline-flex">
            <AnswerMark answer={answer} words={`${answerWord(answer)}${answer.isOld ? ', asked too long ago' : ''}`} />
          </span>
          {answer.buyable !== 'nowhere' && (
            <span className="block text-[13px]">
              {least?.horizon && (
                <span className="text-soft block">
                  {sumMoney(least.horizon, page.settings.currency)} over {span(page.settings.horizonMonths)}
                </span>
              )}
              <span className="flex gap-x-3">
                <Button
                  look="text"
                  onClick={() =>
                    void navigate({
                      to: '/sites/$siteId/domain',
                      params: { siteId: page.id },
                      search: (search) => ({ view: search.view, name: domain }),
                    })
                  }
                >
                  Look<span className="sr-only"> at {domain}</span>
                </Button>
                <Button
                  look="text"
                  onClick={() =>
                    change({ kind: isHeld ? 'drop-names' : 'hold-names', names: [{ name: label, ending }] })
                  }
                >
                  {isHeld ? 'Remove' : 'Save for later'}
                  <span className="sr-only"> {domain}</span>
                </Button>
              </span>
            </span>
          )}
        </>
      )}
    </td>
  );
});
