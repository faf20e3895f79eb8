import type { Schemas } from '../../api/wire/client';
import { useSite } from '../../api/site/site';
import { reasonWords } from '../../format/needs';

/** Plans that cannot meet the needs, each with its reasons. */
export function Rejected({ rejected }: { rejected: Schemas['RejectedPlanWire'][] }) {
  const { books } = useSite();
  return rejected.length === 0 ? null : (
    <section className="mt-5">
      <h2 className="text-base">Plans that don’t fit</h2>
      <ul className="mt-1">
        {rejected.map((plan) => {
          const book = books.find((known) => known.id === plan.book);
          return (
            <li key={plan.book + plan.plan} className="odd:bg-band px-2.5 py-1.5">
              <bdi className="font-semibold">
                {book?.provider}, {book?.plans.find((known) => known.id === plan.plan)?.name}
              </bdi>
              <span className="text-soft block text-[13.5px]">{plan.reasons.map(reasonWords).join('; ')}</span>
            </li>
          );
        })}
      </ul>
    </section>
  );
}
