import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { keys } from '../../../api/wire/keys';
import { useNavigate } from '@tanstack/react-router';
import { useEffect, useState, type FormEvent } from 'react';
import { api, expect, Refused, type NameAnswer, type Order, type Schemas } from '../../../api/wire/client';
import { useAnswers, useAsking } from '../../../api/names/names';
import { useSite } from '../../../api/site/site';
import { longDay } from '../../../format/dates';
import { money } from '../../../format/money';
import { Button } from '../../../ui/Button';
import { TextField } from '../../../ui/fields/Field';
import { InkPopover } from '../../../ui/sheets/Popover';
import { useSettled } from '../../../ui/useSettled';
import { AnswerMark } from '../../../ui/said/AnswerMark';
import { answerSentence, recordField } from '../../../format/answers';
import { useIdeas } from '../../../api/names/ideas';
import { Announced } from '../../../ui/said/Announced';
import { keepAnswer, renew } from '../../../api/wire/renew';

type Claim = Schemas['ClaimWire'];
interface Typed {
  name: string;
  ending: string | null;
  agreed: boolean;
}

/**
 * A domain that came with the hosting and is not claimed yet: a name is looked for as on the domain page, read once
 * more, and nothing is due.
 */
export function ClaimDomain({ order }: { order: Order }) {
  const claim = useQuery({
    queryKey: keys.claim(order.id),
    queryFn: async () => {
      const answer = await api.GET('/api/orders/{orderId}/claim', { params: { path: { orderId: order.id } } });
      return answer.response.status === 404 || answer.response.status === 204 ? null : expect(answer);
    },
  }).data;
  return claim ? <Claiming order={order} claim={claim} /> : null;
}

function Claiming({ order, claim }: { order: Order; claim: Claim }) {
  const { page } = useSite();
  const queries = useQueryClient();
  const navigate = useNavigate();
  const [id] = useState(() => crypto.randomUUID());
  const held = page.held.find(({ ending }) => claim.endings.some((known) => known.ending === ending));
  const [now, setNow] = useState<Typed>({ name: held?.name ?? '', ending: held?.ending ?? null, agreed: false });
  const label = useSettled(now.name.trim(), 400);
  const read = useQuery({
    queryKey: keys.name(label),
    queryFn: async () =>
      expect(await api.POST('/api/names/read', { body: { text: label, ending: null, customersIn: null } })),
    enabled: label !== '',
    staleTime: Infinity,
  }).data;
  const name = read?.problems.length === 0 && label === now.name.trim() ? read.ascii : null;
  const chosen = claim.endings.find((known) => known.ending === now.ending) ?? null;
  const placed = useMutation({
    mutationFn: async (body: { name: string; ending: string; agreed: boolean }) =>
      expect(
        await api.POST('/api/orders/{orderId}/claim', {
          params: { path: { orderId: order.id } },
          body: { id, ...body },
        }),
      ),
    onSuccess: async (made) => {
      await keepAnswer(queries, keys.order(made.id), made);
      await renew(queries, { queryKey: keys.claim(order.id) });
      await navigate({ to: '/sites/$siteId/orders/$orderId', params: { siteId: made.siteId, orderId: made.id } });
    },
  });
  const faults = placed.error instanceof Refused ? placed.error.faults : [];
  const fault = (where: string) => faults.find((found) => found.where === where)?.message;
  const submit = (event: FormEvent) => {
    event.preventDefault();
    if (name && chosen) {
      placed.mutate({ name, ending: chosen.ending, agreed: now.agreed });
    }
  };
  return (
    <section className="no-print border-red mt-5 max-w-3xl border-l-2 pl-3" aria-labelledby="claim">
      <h2 id="claim" className="text-lg">
        A domain came with it
      </h2>
      <p>
        <bdi>{claim.provider}</bdi> gives you one for a year. Claim it before {longDay(claim.before)}; after that it
        costs what everybody pays. Nothing is due, and no card is asked for.
      </p>
      <form onSubmit={submit} noValidate className="mt-2 flex flex-col gap-3">
        <TextField
          label="The name you want"
          autoCapitalize="none"
          autoComplete="off"
          spellCheck={false}
          maxLength={300}
          value={now.name}
          onChange={(event) => setNow({ ...now, name: event.target.value, ending: null })}
          fault={fault('name') ?? fault('domain')}
          hint="A business name will do. Choose an ending below."
        />
        {name && (
          <Found
            claim={claim}
            name={name}
            chosen={now.ending}
            choose={(ending, idea) => setNow({ ...now, name: idea ?? name, ending })}
          />
        )}
        {fault('ending') && <p className="text-red text-sm">{fault('ending')}</p>}
        {name && chosen && (
          <>
            <p>
              Read the name once more, it cannot be changed afterwards:{' '}
              <bdi className="font-display block text-2xl tracking-[0.12em]">
                {name}.{chosen.ending}
              </bdi>
            </p>
            <WhatItIsWorth ending={chosen} />
            <label className="flex gap-2.5">
              <input
                type="checkbox"
                checked={now.agreed}
                onChange={(event) => setNow({ ...now, agreed: event.target.checked })}
              />
              <span>I have read the name. After the year it renews by itself at its usual price until I stop it.</span>
            </label>
            {fault('agreed') && <p className="text-red text-sm">{fault('agreed')}</p>}
            <div>
              <Button type="submit" look="main" disabled={placed.isPending}>
                {placed.isPending ? 'Claiming it …' : 'Claim it, nothing to pay'}
              </Button>
            </div>
          </>
        )}
        {placed.error && (faults.length === 0 || fault('')) && (
          <Announced className="text-red">{fault('') ?? placed.error.message}</Announced>
        )}
      </form>
    </section>
  );
}

/** The name under each ending that it may be claimed with, and others like it where it is taken. */
function Found({
  claim,
  name,
  chosen,
  choose,
}: {
  claim: Claim;
  name: string;
  chosen: string | null;
  choose: (ending: string, name?: string) => void;
}) {
  const { page } = useSite();
  const { letter } = page.worksheet;
  const answers = useAnswers(page.id, letter);
  const { ask, isAsking, error } = useAsking(page.id, letter);
  const endings = claim.endings.map(({ ending }) => ending).join(' ');
  useEffect(() => {
    void ask({ names: [name], endings: endings.split(' '), withRecord: true });
  }, [ask, name, endings]);
  return (
    <fieldset aria-busy={isAsking}>
      <legend className="sr-only">Which ending</legend>
      {claim.endings.map((ending) => {
        const answer = answers[`${name}.${ending.ending}`];
        return (
          <label key={ending.ending} className="odd:bg-band flex items-baseline gap-2.5 px-2.5 py-1">
            <input
              type="radio"
              name="claimed-ending"
              checked={chosen === ending.ending}
              disabled={!canBeClaimed(answer)}
              onChange={() => choose(ending.ending)}
            />
            <span className="grow">
              <bdi className="font-semibold">
                {name}.{ending.ending}
              </bdi>
              {answer ? (
                <AnswerMark answer={answer} words={claimWords(answer)} />
              ) : (
                <span className="text-soft block">{isAsking ? 'asking …' : 'not asked yet'}</span>
              )}
            </span>
          </label>
        );
      })}
      {error && <p className="text-red text-sm">{error.message}</p>}
      {!isAsking &&
        claim.endings.every(
          ({ ending }) => answers[`${name}.${ending}`] && !canBeClaimed(answers[`${name}.${ending}`]),
        ) && <Others name={name} ending={claim.endings[0]!.ending} choose={choose} />}
    </fieldset>
  );
}

/** Names like one that cannot be claimed, which can. */
function Others({
  name,
  ending,
  choose,
}: {
  name: string;
  ending: string;
  choose: (ending: string, name?: string) => void;
}) {
  const { found, isAsking } = useIdeas(name, ending);
  return (
    <Announced as="div" className="mt-2">
      <p>{isAsking ? 'Looking for others like it …' : found.length > 0 ? 'Others like it can be claimed:' : ''}</p>
      {found.map((idea) => (
        <Button key={idea} look="text" className="mr-4" onClick={() => choose(ending, idea)}>
          {idea}.{ending}
        </Button>
      ))}
    </Announced>
  );
}

const canBeClaimed = (answer: NameAnswer | undefined) => answer?.state === 'free' && !answer.isContradicted;

const claimWords = (answer: NameAnswer) =>
  answer.state === 'premium' && answer.premium?.register && answer.currency
    ? `Available, but a premium name: it costs ${money(answer.premium.register, answer.currency)} and cannot be claimed.`
    : answerSentence(answer);

/** What the name costs otherwise, what follows, and what everybody would read. */
function WhatItIsWorth({ ending }: { ending: Schemas['ClaimEndingWire'] }) {
  const { otherwise, renewal, currency, isPrivate, shownWithout, shownWith } = ending;
  const shown = isPrivate ? shownWith : shownWithout;
  return (
    <p>
      {otherwise && (
        <>
          Without the domain-year its first year would cost <b>{money(otherwise, currency)}</b>.{' '}
        </>
      )}
      {renewal && `Each year after costs ${money(renewal, currency)}. `}
      {isPrivate ? 'Contact privacy comes with it. ' : 'Contact privacy does not come with it. '}
      {shown && (
        <InkPopover
          words="What everybody can read"
          label={`What everybody can read of the holder of a .${ending.ending}`}
        >
          {() => (
            <p>
              {shown.length === 0
                ? 'Nothing of the holder is shown.'
                : `The public record shows of the holder: ${shown.map(recordField).join(', ').toLowerCase()}.`}
            </p>
          )}
        </InkPopover>
      )}
    </p>
  );
}
