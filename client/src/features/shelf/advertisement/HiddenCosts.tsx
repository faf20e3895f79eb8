import type { ReactNode } from 'react';
import type { Schemas } from '../../../api/wire/client';
import { useSite } from '../../../api/site/site';
import { longDay } from '../../../format/dates';
import { money, sumMoney } from '../../../format/money';
import { partWords } from '../words';
import { Announced } from '../../../ui/said/Announced';

/** Beside the form, live: what the large print does not say. */
export function HiddenCosts({ costs, error }: { costs: Schemas['HiddenCostsWire'] | null; error: Error | null }) {
  const { settings } = useSite().page;
  return (
    <aside aria-label="What the large print hides" className="lg:sticky lg:top-4 lg:self-start">
      <h2 className="text-lg">What the large print hides</h2>
      {error && <p className="text-red mt-1">{error.message}</p>}
      {!costs ? (
        <p className="text-soft mt-1">
          Give the price, for how many months it holds, how it is paid and what comes afterwards: then this says what it
          really comes to.
        </p>
      ) : (
        <Announced as="div">
          <dl className="mt-2">
            <Figure name="A month, in large print">{money(costs.perMonth, costs.currency)}</Figure>
            <Figure name="Due today">{sumMoney(costs.dueToday, costs.currency)}</Figure>
            <Figure name="The first year">{sumMoney(costs.firstYear, costs.currency)}</Figure>
            <Figure name="Three years" whole>
              {sumMoney(costs.threeYears, costs.currency)}
            </Figure>
            {costs.afterFirstTerm ? (
              <Figure name={`A month from ${longDay(costs.afterFirstTerm.from)}`} red>
                {costs.afterFirstTerm.perMonth ? money(costs.afterFirstTerm.perMonth, costs.currency) : 'not stated'}
              </Figure>
            ) : (
              <Figure name="A month later on">the same</Figure>
            )}
            {costs.tickedInAdvance && (
              <Figure name="Left ticked, over 3 years" red>
                {money(costs.tickedInAdvance, costs.currency)} more
              </Figure>
            )}
          </dl>
          <p className="text-soft mt-2 text-sm">
            {settings.countTax ? `Tax of ${settings.taxPercent}% is in these sums` : 'Tax is not in these sums'}, but
            not in the price a month; nothing ticked in advance is.
          </p>
          {costs.notStated.length > 0 && (
            <>
              <h3 className="mt-3 text-base">The page does not say</h3>
              <ul className="text-red list-disc pl-5 text-[14px]">
                {costs.notStated.map((gap) => (
                  <li key={gap.part + gap.ref}>{partWords(gap.part, gap.ref, gap.name)}</li>
                ))}
              </ul>
            </>
          )}
        </Announced>
      )}
    </aside>
  );
}

function Figure({
  name,
  whole = false,
  red = false,
  children,
}: {
  name: string;
  whole?: boolean;
  red?: boolean;
  children: ReactNode;
}) {
  return (
    <div className={`border-rule flex items-baseline justify-between gap-4 py-1 ${whole ? 'double-rule' : 'border-b'}`}>
      <dt className={red ? 'text-red' : undefined}>{name}</dt>
      <dd className={`text-right font-semibold ${red ? 'text-red' : ''}`}>{children}</dd>
    </div>
  );
}
