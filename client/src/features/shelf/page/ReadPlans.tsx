import type { Answers, PageReview, Paid, ReadPlan, ReadWay } from '../../../api/pages';
import { money } from '../../../format/money';
import { Button } from '../../../ui/Button';
import { ScrollRegion } from '../../../ui/ScrollRegion';
import { featureList, laterWords, paidWords, perWords, termWords } from './words';

type Props = { read: PageReview; answers: Answers; answer: (more: Partial<Answers>) => void };

/** The plans of the page in a table, with what each comes to, and the questions that its words leave open. */
export function ReadPlans({ read, answers, answer }: Props) {
  const { plans } = read.page;
  if (plans.length === 0) {
    return <p>No plan with a price was found in these words. Copy the part of the page that has the prices.</p>;
  }

  return (
    <section aria-labelledby="read-plans">
      <h2 id="read-plans" className="text-lg">
        {plans.length === 1 ? 'One plan was read' : `${plans.length} plans were read`}
      </h2>
      <ScrollRegion label="Plans of the page">
        <table className="mt-2 w-full text-left">
          <thead>
            <tr className="border-ink border-b">
              <th scope="col" className="py-1 pr-4">
                Take
              </th>
              <th scope="col" className="py-1 pr-4">
                Plan
              </th>
              <th scope="col" className="py-1 pr-4">
                Price
              </th>
              <th scope="col" className="py-1 text-right">
                Costs in all
              </th>
            </tr>
          </thead>
          <tbody>
            {plans.map((plan, index) => (
              <PlanRow key={index} plan={plan} index={index} {...{ read, answers, answer }} />
            ))}
          </tbody>
        </table>
      </ScrollRegion>
    </section>
  );
}

function PlanRow({ plan, index, read, answers, answer }: Props & { plan: ReadPlan; index: number }) {
  const cost = read.costs[index];
  const name = plan.name ?? answers.names[index] ?? '';
  const isTaken = !answers.left.includes(index);
  return (
    <tr className="border-rule border-b align-top">
      <td className="py-2 pr-4">
        <input
          type="checkbox"
          aria-label={`Take ${name || 'this plan'}`}
          checked={isTaken}
          onChange={() =>
            answer({ left: isTaken ? [...answers.left, index] : answers.left.filter((left) => left !== index) })
          }
        />
      </td>
      <td className="py-2 pr-4">
        {plan.name ? (
          <bdi className="font-semibold">{plan.name}</bdi>
        ) : (
          <input
            aria-label="What the plan is called"
            placeholder="Its name"
            value={answers.names[index] ?? ''}
            onChange={(event) => answer({ names: { ...answers.names, [index]: event.target.value } })}
            className="border-blue bg-sheet w-32 rounded border px-2 py-1"
          />
        )}
        <span className="text-soft block text-sm">{featureList(plan)}</span>
      </td>
      <td className="py-2 pr-4">
        {plan.ways.map((way, number) => (
          <Way key={number} way={way} at={`${index}.${number}`} {...{ read, answers, answer }} />
        ))}
        {plan.setupFee && Number(plan.setupFee) > 0 && (
          <span className="text-soft block text-sm">{plan.setupFee} to set up</span>
        )}
      </td>
      <td className="py-2 text-right whitespace-nowrap">
        {cost ? (
          <>
            {cost.atLeast && <span className="text-red block text-sm">at least</span>}
            <span className="font-semibold">{money(cost.total, cost.currency)}</span>
            <span className="text-soft block text-sm">over {cost.months} months</span>
          </>
        ) : (
          <span className="text-soft text-sm">once it is answered</span>
        )}
      </td>
    </tr>
  );
}

function Way({ way, at, answers, answer }: Omit<Props, 'read'> & { way: ReadWay; at: string }) {
  const months = way.months ?? answers.months[at];
  const paid = (way.paid as Paid | null) ?? answers.paid[at];
  return (
    <div className="mb-1">
      <span>
        <span className="font-semibold">{way.price}</span> {perWords(way)}
        {way.struck && (
          <>
            {' '}
            <s className="text-soft">
              <span className="sr-only">instead of </span>
              {way.struck}
            </s>
          </>
        )}
        , {termWords(months, way.freeMonths)}
        {paid && `, ${paidWords(paid)}`}; {laterWords(way)}
      </span>
      {way.months === null && (
        <Choice
          question={`For how long does the ${way.price} hold?`}
          options={[1, 12, 24, 36].map((count) => ({
            value: count,
            words: count === 1 ? '1 month' : `${count} months`,
          }))}
          chosen={answers.months[at]}
          choose={(count) => answer({ months: { ...answers.months, [at]: count } })}
        />
      )}
      {way.paid === null && (
        <Choice
          question={`How is the ${way.price} paid?`}
          options={(['at-once', 'monthly-bound', 'monthly-free'] as const).map((value) => ({
            value,
            words: paidWords(value),
          }))}
          chosen={answers.paid[at]}
          choose={(value) => answer({ paid: { ...answers.paid, [at]: value } })}
        />
      )}
    </div>
  );
}

function Choice<Value extends string | number>({
  question,
  options,
  chosen,
  choose,
}: {
  question: string;
  options: { value: Value; words: string }[];
  chosen: Value | undefined;
  choose: (value: Value) => void;
}) {
  return (
    <div role="group" aria-label={question} className="mt-1 flex flex-wrap items-baseline gap-x-4 gap-y-1 text-sm">
      <span className="text-red">{question}</span>
      {options.map(({ value, words }) => (
        <Button key={value} look="text" aria-pressed={chosen === value} onClick={() => choose(value)}>
          {chosen === value ? `✓ ${words}` : words}
        </Button>
      ))}
    </div>
  );
}
