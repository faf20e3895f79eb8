import { useNavigate } from '@tanstack/react-router';
import type { NameCost, Schemas } from '../../api/wire/client';
import { useAnswers } from '../../api/names/names';
import { useSite } from '../../api/site/site';
import { sumMoney } from '../../format/money';
import { span } from '../../format/words';
import { Button } from '../../ui/Button';
import { AnswerMark } from '../../ui/said/AnswerMark';
import { answerWord, askedWords } from '../../format/answers';
import { leastOf } from './costs';

type Held = Schemas['HeldNameWire'];

/**
 * The names kept in mind for the site, with what is known of each; they are part of the site, and undone like any
 * change of it.
 */
export function HeldNames({ costs }: { costs: readonly NameCost[] }) {
  const { page, change, changes } = useSite();
  return (
    <section className="my-6 max-w-4xl" aria-labelledby="held">
      <h2 id="held" className="text-lg">
        Names saved for later
      </h2>
      {page.held.length === 0 ? (
        <p className="text-soft">None yet. Names you save for later are listed here.</p>
      ) : (
        <ul className="mt-1">
          {page.held.map((held) => (
            <HeldName key={`${held.name}.${held.ending}`} held={held} costs={costs} />
          ))}
        </ul>
      )}
      {(page.canUndo || page.held.length > 1) && (
        <p className="mt-2 flex gap-x-5">
          {page.canUndo && (
            <Button look="text" onClick={() => changes.change({ kind: 'undo' })}>
              Undo the last change
            </Button>
          )}
          {page.held.length > 1 && (
            <Button look="text" onClick={() => change({ kind: 'drop-names', names: page.held })}>
              Drop all {page.held.length}
            </Button>
          )}
        </p>
      )}
    </section>
  );
}

function HeldName({ held, costs }: { held: Held; costs: readonly NameCost[] }) {
  const { page, change } = useSite();
  const navigate = useNavigate();
  const domain = `${held.name}.${held.ending}`;
  const answer = useAnswers(page.id, page.worksheet.letter)[domain];
  const least = answer?.premiumCost ?? leastOf(costs, held.ending);
  return (
    <li className="odd:bg-band flex flex-wrap items-baseline gap-x-4 gap-y-0.5 px-2.5 py-1.5">
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
        <bdi className="break-all">{domain}</bdi>
      </Button>
      {answer ? (
        <span title={askedWords(answer)}>
          <AnswerMark answer={answer} words={answerWord(answer)} />
        </span>
      ) : (
        <span className="text-soft">not asked yet</span>
      )}
      {least?.horizon && answer?.buyable !== 'nowhere' && (
        <span className="text-soft">
          {sumMoney(least.horizon, page.settings.currency)} over {span(page.settings.horizonMonths)} at{' '}
          <bdi>{least.provider}</bdi>
        </span>
      )}
      <Button look="text" className="ml-auto" onClick={() => change({ kind: 'drop-names', names: [held] })}>
        Drop<span className="sr-only"> {domain}</span>
      </Button>
    </li>
  );
}
