import { useState, type ReactNode } from 'react';
import type { Paid, ReadPlan, ReadWay } from '../../../api/books/pages';
import { isZero, money } from '../../../format/money';
import { Button } from '../../../ui/Button';
import { cx } from '../../../ui/cx';
import { Choice } from './Choice';
import { useReview } from './review';
import { ValueEditor } from './ValueEditor';
import {
  costWords,
  doubtWords,
  featureWords,
  freeWords,
  laterWords,
  paidWords,
  perWords,
  planName,
  termWords,
} from './words';

/** The plans of the page in a table: every value to select, and what each plan comes to. */
export function ReadPlans() {
  const { read } = useReview();
  const { plans } = read.page;
  const [right, setRight] = useState<number[]>([]);
  if (plans.length === 0) {
    return <p>No plan with a price was found in these words. Copy the part of the page that has the prices.</p>;
  }

  return (
    <section aria-labelledby="read-plans">
      <h2 id="read-plans" className="text-lg">
        {plans.length === 1 ? 'One plan was read' : `${plans.length} plans were read`}
      </h2>
      <table className="mt-2 w-full text-left max-md:block">
        <caption className="sr-only">Plans as they were read from the page</caption>
        <thead className="max-md:sr-only">
          <tr className="border-ink border-b [&>*]:py-1 [&>*]:pr-4">
            <th scope="col">Plan</th>
            <th scope="col">Price</th>
            <th scope="col">What it has</th>
            <th scope="col" className="text-right md:!pr-0">
              Costs in total
            </th>
          </tr>
        </thead>
        <tbody className="max-md:block">
          {plans.map((plan, index) => (
            <PlanRow
              key={index}
              plan={plan}
              index={index}
              isRight={right.includes(index)}
              setRight={(isRight) =>
                setRight((before) => (isRight ? [...before, index] : before.filter((known) => known !== index)))
              }
            />
          ))}
        </tbody>
      </table>
    </section>
  );
}

function PlanRow({
  plan,
  index,
  isRight,
  setRight,
}: {
  plan: ReadPlan;
  index: number;
  isRight: boolean;
  setRight: (isRight: boolean) => void;
}) {
  const { read, answers, answer, selected } = useReview();
  const sum = useSum();
  const cost = read.costs[index];
  const isTaken = !answers.left.includes(index);
  const at = `/plans/${index}`;
  const doubts = read.page.doubts.filter((doubt) => doubt.at.startsWith(`${at}/`)).map(({ code }) => doubtWords(code));
  return (
    <>
      <tr
        className={cx(
          'border-rule border-t align-top max-md:flex max-md:flex-col [&>*]:py-2 md:[&>*]:pr-4',
          !isTaken && 'opacity-60',
        )}
      >
        <th scope="row" className="font-normal">
          <Value at={`${at}/name`} label="name" strong>
            {plan.name ? <bdi>{plan.name}</bdi> : null}
          </Value>
          <label className="mt-1 flex gap-2 text-sm">
            <input
              type="checkbox"
              checked={isTaken}
              onChange={() =>
                answer({ left: isTaken ? [...answers.left, index] : answers.left.filter((left) => left !== index) })
              }
            />
            <span>
              Take it<span className="sr-only">: {planName(plan, index)}</span>
            </span>
          </label>
          <Button look="text" className="mt-1 text-sm" aria-pressed={isRight} onClick={() => setRight(!isRight)}>
            {isRight ? '✓ These are right' : 'These are right'}
            <span className="sr-only">: {planName(plan, index)}</span>
          </Button>
        </th>
        <td className="max-md:!pt-0">
          {plan.ways.map((way, number) => (
            <Way key={number} way={way} at={`${at}/ways/${number}`} />
          ))}
          {plan.setupFee && (
            <span className="block text-sm">
              <Value at={`${at}/setupFee`} label="set-up fee">
                {isZero(plan.setupFee) ? 'nothing to set up' : `${sum(plan.setupFee)} to set up`}
              </Value>
            </span>
          )}
          {!isRight &&
            [...new Set(doubts)].filter(Boolean).map((words) => (
              <span key={words} className="text-soft block text-sm">
                {words}
              </span>
            ))}
        </td>
        <td className="text-sm max-md:!pt-0">
          <ul>
            {Object.entries(plan.features).map(([key, value]) => (
              <li key={key}>
                <Value at={`${at}/features/${key}`} label={key}>
                  {featureWords(key, value)}
                </Value>
              </li>
            ))}
            {plan.domain && (
              <li>
                <Value at={`${at}/domain`} label="domain">
                  {domainWords(plan.domain)}
                </Value>
              </li>
            )}
            {plan.includes.map((kind) => (
              <li key={kind}>{kind.replaceAll('-', ' ')}</li>
            ))}
          </ul>
        </td>
        <td className="max-md:!pt-0 md:!pr-0 md:text-right">
          {cost ? (
            <>
              <span className="font-semibold whitespace-nowrap">
                {cost.atLeast && 'at least '}
                {money(cost.total, cost.currency)}
              </span>
              <span className="text-soft block text-sm md:ml-auto md:max-w-44">{costWords(cost)}</span>
            </>
          ) : (
            <span className="text-soft text-sm">known once the red questions are answered</span>
          )}
        </td>
      </tr>
      {selected?.startsWith(`${at}/`) && (
        <tr className="max-md:block">
          <td colSpan={4} className="max-md:block">
            <ValueEditor key={selected} at={selected} plan={plan} index={index} />
          </td>
        </tr>
      )}
    </>
  );
}

function Way({ way, at }: { way: ReadWay; at: string }) {
  const { change } = useReview();
  const sum = useSum();
  return (
    <div className="mb-2">
      <Value at={`${at}/price`} label="price" strong>
        {`${sum(way.price)} ${perWords(way.per)}`}
      </Value>
      {way.struck && (
        <>
          {' '}
          <Value at={`${at}/struck`} label="price before">
            <span className="sr-only">instead of </span>
            <s>{sum(way.struck)}</s>
          </Value>
        </>
      )}
      <span className="block text-sm">
        {way.months !== null && (
          <Value at={`${at}/months`} label="how long">
            {termWords(way.months)}
          </Value>
        )}
        {way.freeMonths > 0 && (
          <>
            {' and '}
            <Value at={`${at}/freeMonths`} label="free months">
              {freeWords(way.freeMonths)}
            </Value>
          </>
        )}
        {way.paid && (
          <>
            {way.months !== null && ', '}
            <Value at={`${at}/paid`} label="how it is paid">
              {paidWords(way.paid as Paid)}
            </Value>
          </>
        )}
        {way.setupFee && (
          <>
            {', '}
            <Value at={`${at}/setupFee`} label="set-up fee">
              {`${sum(way.setupFee)} to set up`}
            </Value>
          </>
        )}
      </span>
      <span className="block text-sm">
        <Value at={`${at}/later`} label="later price">
          {laterWords(way, sum)}
        </Value>
      </span>
      {way.months === null && (
        <Choice
          question={`For how long does the ${sum(way.price)} hold?`}
          options={[1, 12, 24, 36].map((count) => ({
            value: count,
            words: count === 1 ? '1 month' : `${count} months`,
          }))}
          choose={(count) => change({ at: `${at}/months`, value: String(count) })}
        />
      )}
      {way.paid === null && (
        <Choice
          question={`How is the ${sum(way.price)} paid?`}
          options={(['at-once', 'monthly-bound', 'monthly-free'] as const).map((value) => ({
            value,
            words: paidWords(value),
          }))}
          choose={(value) => change({ at: `${at}/paid`, value })}
        />
      )}
    </div>
  );
}

/** Amounts with their sign, once the currency is known. */
function useSum() {
  const { read, answers } = useReview();
  const currency =
    read.page.currency ?? (/^[A-Za-z]{3}$/.test(answers.currency) ? answers.currency.toUpperCase() : null);
  return (amount: string) => (currency ? money(amount, currency) : amount);
}

/** A value that was read: press it to see its words, and to mend it. */
function Value({ at, label, strong, children }: { at: string; label: string; strong?: boolean; children: ReactNode }) {
  const { selected, select } = useReview();
  const isSelected = selected === at;
  return (
    <button
      type="button"
      aria-pressed={isSelected}
      className={cx(
        'rounded-sm border-b border-dotted text-left',
        isSelected ? 'bg-blue text-on-blue border-blue px-1' : 'border-b-blue hover:bg-band',
        strong && 'font-semibold',
        children === null && !isSelected && 'text-red',
      )}
      onClick={() => select(isSelected ? null : at)}
    >
      {children ?? 'What is it called?'}
      <span className="sr-only">, {label}</span>
    </button>
  );
}

function domainWords({ endings, fromMonths, everyYear }: NonNullable<ReadPlan['domain']>) {
  const which = endings.length > 0 ? `a ${endings.map((ending) => `.${ending}`).join(' or ')} domain` : 'a domain';
  return `${which}${everyYear ? ' every year' : ''}${fromMonths ? `, from ${fromMonths} months on` : ''}`;
}
