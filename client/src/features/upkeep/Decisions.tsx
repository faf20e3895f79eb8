import { useState } from 'react';
import { api, carriedOut } from '../../api/wire/client';
import { longDay } from '../../format/dates';
import { span } from '../../format/words';
import { Button } from '../../ui/Button';
import { cx } from '../../ui/cx';
import { Announced } from '../../ui/said/Announced';
import { Cell, Head, Heads, Row, Table } from '../../ui/Table';
import { EffectSheet } from './EffectSheet';
import { differenceWords, saves, sumsWords } from './sums';
import { useChange, type Effect, type Tenure } from './upkeep';

const groups = [
  ['plan', 'Another plan or way to pay'],
  ['extra', 'An extra, bought later'],
  ['drop', 'An extra, done without'],
  ['leave', 'Give it back, or stop it'],
] as const;

/** What could be decided, each with what it would do against leaving all as it is. Looking decides nothing. */
export function Decisions({ tenure, horizonMonths }: { tenure: Tenure; horizonMonths: number }) {
  const [looking, setLooking] = useState<Effect | null>(null);
  const there = groups.filter(([group]) => tenure.effects.some((effect) => effect.group === group));
  if (there.length === 0 && tenure.planned.length === 0) {
    return null;
  }

  return (
    <section className="mt-6" aria-label="Before you decide">
      <h3 className="text-lg">Try a change before you make it</h3>
      <Planned tenure={tenure} />
      {there.length > 0 && (
        <Table className="mt-1 w-full" caption="What could be decided, against leaving all as it is">
          <Heads>
            <Head>
              <span className="sr-only">Decision</span>
            </Head>
            <Head figures>Due at once</Head>
            <Head figures>Over {span(horizonMonths)}</Head>
            <Head>
              <span className="sr-only">Look</span>
            </Head>
          </Heads>
          {there.map(([group, title]) => (
            <Ways
              key={group}
              title={title}
              effects={tenure.effects.filter((effect) => effect.group === group)}
              look={setLooking}
            />
          ))}
        </Table>
      )}
      {looking && <EffectSheet key={looking.title} tenure={tenure} effect={looking} close={() => setLooking(null)} />}
    </section>
  );
}

const first = 4;

/** One sort of decision: a head of its own, and its ways under it; the rest behind a row that opens. */
function Ways({ title, effects, look }: { title: string; effects: Effect[]; look: (effect: Effect) => void }) {
  const [all, setAll] = useState(false);
  return (
    <tbody>
      <tr className="[&>*]:px-2.5 [&>*]:pt-3 [&>*]:pb-1">
        <th scope="rowgroup" colSpan={4} className="text-left font-semibold">
          {title}
        </th>
      </tr>
      {(all ? effects : effects.slice(0, first)).map((effect) => (
        <Row key={effect.title} label={<bdi>{effect.title}</bdi>}>
          {effect.refused ? (
            <Cell colSpan={2} className="text-soft text-[13px]">
              Not now: {effect.refused}
            </Cell>
          ) : (
            <>
              <Cell figures className="whitespace-nowrap">
                {sumsWords(effect.dueThen)}
              </Cell>
              <Cell figures className={cx(saves(effect.difference) && 'text-green')}>
                {differenceWords(effect.difference)}
              </Cell>
            </>
          )}
          <Cell figures>
            {!effect.refused && (
              <Button look="text" onClick={() => look(effect)}>
                Look<span className="sr-only">: {effect.title}</span>
              </Button>
            )}
          </Cell>
        </Row>
      ))}
      {effects.length > first && (
        <tr>
          <td colSpan={4} className="px-2.5 py-1">
            <Button look="text" className="text-sm" onClick={() => setAll(!all)}>
              {all ? 'Fewer' : `All ${effects.length} ways`}
              <span className="sr-only">: {title}</span>
            </Button>
          </td>
        </tr>
      )}
    </tbody>
  );
}

/** What is decided for a later day waits, and can be taken back until then. */
function Planned({ tenure }: { tenure: Tenure }) {
  const withdraw = useChange(async (index: number) =>
    carriedOut(
      await api.POST('/api/orders/{orderId}/upkeep/withdraw', {
        params: { path: { orderId: tenure.orderId } },
        body: { version: tenure.version, index },
      }),
    ),
  );
  return tenure.planned.length === 0 ? null : (
    <>
      <ul className="mt-1" aria-label="Decided for a later day">
        {tenure.planned.map((planned) => (
          <li key={planned.index} className="odd:bg-band flex gap-3 px-2.5 py-1.5">
            <span className="grow">
              Decided for <b>{longDay(planned.on)}</b>: <bdi>{planned.words}</bdi>
            </span>
            <Button look="text" disabled={withdraw.isPending} onClick={() => withdraw.mutate(planned.index)}>
              Take it back<span className="sr-only">: {planned.words}</span>
            </Button>
          </li>
        ))}
      </ul>
      {withdraw.error && <Announced className="text-red">{withdraw.error.message}</Announced>}
    </>
  );
}
