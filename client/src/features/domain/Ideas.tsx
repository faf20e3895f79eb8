import { useQuery } from '@tanstack/react-query';
import { nameCostsQuery, useAnswers } from '../../api/names/names';
import { useSite } from '../../api/site/site';
import { sumMoney } from '../../format/money';
import { span } from '../../format/words';
import { Button } from '../../ui/Button';
import { Announced } from '../../ui/said/Announced';
import { leastOf } from './costs';
import { useIdeas } from '../../api/names/ideas';

/**
 * Beneath a name that somebody has: others like it that are available, each with what it costs, to take at one press.
 */
export function Ideas({ label, ending }: { label: string; ending: string }) {
  const { page } = useSite();
  const answer = useAnswers(page.id, page.worksheet.letter)[`${label}.${ending}`];
  const isGone = answer && !answer.isContradicted && (answer.state === 'taken' || answer.state === 'reserved');
  return isGone ? <Found key={`${label}.${ending}`} label={label} ending={ending} /> : null;
}

function Found({ label, ending }: { label: string; ending: string }) {
  const { page, change } = useSite();
  const { letter, candidate } = page.worksheet;
  const costs = useQuery(nameCostsQuery(page.id, letter, page.revision)).data ?? [];
  const { found, isAsking } = useIdeas(label, ending);
  const cost = leastOf(costs, ending);
  return (
    <section className="mt-4 max-w-3xl" aria-labelledby="ideas">
      <h2 id="ideas" className="text-lg">
        {label}.{ending} is taken. Others like it
      </h2>
      <ul>
        {found.map((idea) => (
          <li key={idea} className="odd:bg-band flex flex-wrap items-baseline gap-x-4 px-2.5 py-1">
            <bdi className="font-semibold break-all">
              {idea}.{ending}
            </bdi>
            <span className="text-green">available</span>
            <span className="grow">
              {cost?.horizon &&
                `${sumMoney(cost.horizon, page.settings.currency)} over ${span(page.settings.horizonMonths)}, from ${cost.provider}`}
            </span>
            {candidate.domains.some((domain) => domain.name === idea && domain.ending === ending) ? (
              <span className="text-green font-semibold">on {letter} now</span>
            ) : (
              <Button
                look="text"
                onClick={() =>
                  change({
                    kind: 'choose-domain',
                    letter,
                    domain: { route: 'register', book: cost?.book ?? null, name: idea, ending, years: 1 },
                  })
                }
              >
                Use this name
                <span className="sr-only">
                  : {idea}.{ending}
                </span>
              </Button>
            )}
          </li>
        ))}
      </ul>
      <Announced className={found.length === 0 ? 'text-soft' : 'sr-only'}>
        {isAsking
          ? 'Looking for others like it …'
          : found.length === 0
            ? 'None like it is available under this ending.'
            : found.length === 1
              ? 'One like it is available.'
              : `${found.length} like it are available.`}
      </Announced>
    </section>
  );
}
