import { useSite } from '../../../api/site/site';
import { money } from '../../../format/money';
import { wayToPay } from '../../../format/words';
import { waysToPay, type PlanWay } from './ways';

/**
 * The ways to pay that any plan has, each with a price a month: of the plan that is chosen, else of the one that costs
 * least so.
 */
export function HowToPay({
  ways,
  paid,
  setPaid,
}: {
  ways: readonly PlanWay[];
  paid: string;
  setPaid: (paid: string) => void;
}) {
  return (
    <fieldset>
      <legend className="font-semibold">How do you want to pay?</legend>
      <div className="mt-1 flex flex-wrap gap-x-7 gap-y-1.5 text-[14px] max-md:grid max-md:grid-cols-2 max-md:gap-x-4">
        <Way
          value=""
          paid={paid}
          setPaid={setPaid}
          words="whatever costs least"
          price="each plan in its cheapest way"
        />
        {waysToPay(ways).map(({ key, told }) => (
          <Way
            key={key}
            value={key}
            paid={paid}
            setPaid={setPaid}
            words={wayToPay(told.everyMonths, told.commitMonths)}
            price={<FirstAndLater way={told} />}
          />
        ))}
      </div>
    </fieldset>
  );
}

function Way({
  value,
  paid,
  setPaid,
  words,
  price,
}: {
  value: string;
  paid: string;
  setPaid: (paid: string) => void;
  words: string;
  price: React.ReactNode;
}) {
  return (
    <label className="flex gap-2">
      <input
        type="radio"
        name="plans-paid"
        className="mt-1 self-start"
        checked={paid === value}
        onChange={() => setPaid(value)}
      />
      <span>
        {words}
        <span className="text-soft block text-[12.5px]">{price}</span>
      </span>
    </label>
  );
}

/** "Slipway £2.99 a month, then £8.99". */
function FirstAndLater({ way }: { way: PlanWay }) {
  const { books } = useSite();
  const book = books.find((known) => known.id === way.book);
  const currency = book?.currency ?? 'GBP';
  const later =
    way.later === null ? ', later not stated' : way.later === way.first ? '' : `, then ${money(way.later, currency)}`;
  return (
    <>
      <bdi>{book?.plans.find((known) => known.id === way.plan)?.name}</bdi> {money(way.first, currency)} a month{later}
    </>
  );
}
