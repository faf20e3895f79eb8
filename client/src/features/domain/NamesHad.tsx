import { useQuery } from '@tanstack/react-query';
import { namesHadQuery } from '../../api/names/ownDomain';
import { useSite } from '../../api/site/site';
import { longDay } from '../../format/dates';
import { money } from '../../format/money';
import { Button } from '../../ui/Button';

/** The names that came with the owner's orders: any of them can lead to this hosting too. */
export function NamesHad() {
  const { page, change } = useSite();
  const { letter, candidate } = page.worksheet;
  const names = useQuery(namesHadQuery).data ?? [];
  return names.length === 0 ? null : (
    <section aria-labelledby="names-had" className="mt-4 max-w-4xl">
      <h2 id="names-had" className="text-lg">
        Names you have
      </h2>
      <ul className="mt-1">
        {names.map((had) => {
          const isChosen = candidate.domains.some(
            (domain) => `${domain.name ?? ''}.${domain.ending ?? ''}` === had.domain && domain.route === 'keep',
          );
          return (
            <li
              key={had.domain + had.orderId}
              className="odd:bg-band flex flex-wrap items-baseline gap-x-4 px-2.5 py-1"
            >
              <bdi className="font-semibold break-all">{had.domain}</bdi>
              <span className="grow">
                at <bdi>{had.seller}</bdi>, paid until {longDay(had.expires)}
                {had.renewal && had.currency && `, then ${money(had.renewal, had.currency)} a year`}; order{' '}
                {had.reference}
              </span>
              {isChosen ? (
                <span className="text-green font-semibold">on {letter} now</span>
              ) : (
                <Button
                  look="text"
                  onClick={() => change({ kind: 'choose-domain', letter, domain: { ...had.choice } })}
                >
                  Use it for {letter}
                  <span className="sr-only">: {had.domain}</span>
                </Button>
              )}
            </li>
          );
        })}
      </ul>
    </section>
  );
}
