import { Link } from '@tanstack/react-router';
import { useState } from 'react';
import { useSite } from '../../../api/site/site';
import { wayToPay } from '../../../format/words';
import { InkSelect } from '../../../ui/fields/Field';
import { MadeUpSellers } from '../../../ui/said/MadeUpSellers';
import { ScrollRegion } from '../../../ui/ScrollRegion';
import { CodeField, CodesEntered } from '../../../ui/fields/CodeField';
import { HowToPay } from './HowToPay';
import { PlanTable } from './PlanTable';
import { chosenWay, inOrder, keyOf, type Order, type PlanWay } from './ways';

/** The ways to pay on top; under them the plans sold so, which can be narrowed and put in another order. */
export default function Plans({ ways, choose }: { ways: readonly PlanWay[]; choose: (way: PlanWay) => void }) {
  const { page, books } = useSite();
  const [paid, setPaid] = useState(() => chosenWay(ways));
  const [only, setOnly] = useState('');
  const [fitting, setFitting] = useState(false);
  const [all, setAll] = useState(false);
  const [order, setOrder] = useState<Order>('horizon');
  const asked = (ways[0]?.fits ?? []).length > 0;
  const wanted = ways.filter((way) => (only === '' || way.book === only) && (!fitting || way.does));
  const shown = inOrder(
    wanted.filter((way) => (paid === '' ? way.isLeast : keyOf(way) === paid)),
    order,
    books,
  );
  const sold = new Set(shown.map((way) => `${way.book} ${way.plan}`));
  const others = new Set(wanted.map((way) => `${way.book} ${way.plan}`)).size - sold.size;
  const hosts = books.filter((book) => ways.some((way) => way.book === book.id));
  return (
    <>
      <HowToPay ways={ways} paid={paid} setPaid={setPaid} />
      <p className="my-2 flex flex-wrap items-baseline gap-x-6 gap-y-1 text-[14px]">
        <span>
          Plans of{' '}
          <InkSelect label="Plans of" value={only} onChange={(event) => setOnly(event.target.value)}>
            <option value="">every seller</option>
            {hosts.map((book) => (
              <option key={book.id} value={book.id}>
                {book.provider}
              </option>
            ))}
          </InkSelect>
        </span>
        <span>
          Sorted by{' '}
          <InkSelect label="Sorted by" value={order} onChange={(event) => setOrder(event.target.value as Order)}>
            <option value="horizon">total cost</option>
            <option value="today">what is due today</option>
            <option value="seller">seller</option>
          </InkSelect>
        </span>
        {asked && (
          <label className="flex gap-2">
            <input type="checkbox" checked={fitting} onChange={(event) => setFitting(event.target.checked)} />
            only plans that do what I need
          </label>
        )}
        <label className="flex gap-2 max-md:hidden">
          <input type="checkbox" checked={all} onChange={(event) => setAll(event.target.checked)} />
          show all limits
        </label>
      </p>
      {shown.length === 0 ? (
        <p className="my-3">
          {wanted.length === 0
            ? 'None of these plans does what you need.'
            : `None of these plans is sold ${payWords(paid)}. Choose another way to pay above.`}
        </p>
      ) : (
        <ScrollRegion label="Plans">
          <PlanTable ways={shown} all={all} showsPay={paid === ''} choose={choose} />
        </ScrollRegion>
      )}
      {shown.length > 0 && others > 0 && (
        <p className="text-soft mt-1 text-[13px]">
          {others === 1 ? 'One more plan is' : `${others} more plans are`} not sold {payWords(paid)}.
        </p>
      )}
      <div className="mt-3 flex flex-wrap items-baseline gap-x-6 gap-y-2 text-[14px]">
        <Link to="/sites/$siteId/shelf/page" params={{ siteId: page.id }} className="ink">
          Paste a seller’s page to add its plans
        </Link>
        <CodeField />
        <CodesEntered />
        <MadeUpSellers />
      </div>
    </>
  );
}

const payWords = (key: string) => {
  const [every, commit] = key.split('/').map(Number);
  return wayToPay(every ?? 1, commit ?? every ?? 1);
};
