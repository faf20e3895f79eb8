import { useMutation } from '@tanstack/react-query';
import { useState } from 'react';
import { api, expect, Refused, type Schemas } from '../../api/wire/client';
import { useSite } from '../../api/site/site';
import { longDay, shortDay } from '../../format/dates';
import { Button } from '../../ui/Button';
import { TextField } from '../../ui/fields/Field';
import { Announced } from '../../ui/said/Announced';

type Answer = Schemas['TransferWire'];

/**
 * Moving a domain here: what to do at the present seller, step by step, and whether its code and lock would let it. The
 * code is passed on and not kept.
 */
export function MoveIt({ domain, book, seller }: { domain: string; book: string; seller: string }) {
  const { page } = useSite();
  const [code, setCode] = useState('');
  const check = useMutation({
    mutationFn: async () =>
      expect(
        await api.POST('/api/sites/{siteId}/transfer-checks', {
          params: { path: { siteId: page.id } },
          body: { domain, code, book },
        }),
      ),
  });
  const faults = check.error instanceof Refused ? check.error.faults : [];
  const others = faults.filter((fault) => fault.where !== 'code');
  return (
    <section aria-labelledby="move">
      <h2 id="move" className="text-lg">
        To move it
        {seller && (
          <>
            {' '}
            to <bdi>{seller}</bdi>
          </>
        )}
      </h2>
      <ol className="mt-1 list-decimal pl-5 [&>li]:py-1">
        <li>Log in where it is now and look for its settings or “transfer”.</li>
        <li>See that the mail address of its holder is one you read: the move is confirmed there.</li>
        <li>Switch its lock off (“transfer lock”, “client transfer prohibited”).</li>
        <li>Ask for its transfer code, also called auth code or EPP code, and copy it here.</li>
        <li>
          Switch its automatic renewal off only after the move has come through: a name that lapses cannot be moved.
        </li>
      </ol>
      <form
        className="mt-2 flex flex-wrap items-end gap-3"
        onSubmit={(event) => {
          event.preventDefault();
          check.mutate();
        }}
      >
        <div className="min-w-56 grow sm:max-w-80">
          <TextField
            label="Its transfer code"
            value={code}
            onChange={(event) => setCode(event.target.value)}
            autoComplete="off"
            spellCheck={false}
            maxLength={200}
            fault={faults.find((fault) => fault.where === 'code')?.message}
            hint="Passed on to the registrar, and not kept."
          />
        </div>
        <Button type="submit" disabled={check.isPending}>
          {check.isPending ? 'Asking …' : 'Check code and lock'}
        </Button>
      </form>
      {check.error && (others.length > 0 || faults.length === 0) && (
        <Announced className="text-red mt-2">{others[0]?.message ?? check.error.message}</Announced>
      )}
      {check.data && <Verdict answer={check.data} seller={seller} />}
    </section>
  );
}

function Verdict({ answer, seller }: { answer: Answer; seller: string }) {
  const { registration } = answer;
  return (
    <div className="mt-2">
      <Announced className={answer.state === 'ready' ? 'text-green font-semibold' : 'text-red'}>
        {verdictWords(answer, seller)}
      </Announced>
      {registration && (
        <p className="text-soft text-sm">
          The public record: {registration.registrar && <bdi>{registration.registrar}</bdi>}
          {registration.registered && `, registered ${shortDay(registration.registered)}`}
          {registration.expires && `, paid until ${shortDay(registration.expires)}`}
          {registration.status.length > 0 && `; ${registration.status.join(', ')}`}.
        </p>
      )}
    </div>
  );
}

function verdictWords({ state, domain, until, why }: Answer, seller: string): string {
  switch (state) {
    case 'ready':
      return `${domain} is unlocked and the code is right: it can be moved to ${seller}. The move takes up to five days and adds a year.`;
    case 'locked':
      return `${domain} is locked at its present seller: switch the lock off there, then check again.`;
    case 'wrong-code':
      return 'The present seller does not know this code. Copy it again, capitals and signs as they are; some codes end after a few days, then ask for a new one.';
    case 'too-new':
      return `${domain} came to its present seller less than 60 days ago: it can be moved from ${until ? longDay(until) : 'then'} on. Until then, leave it there and point it at the host.`;
    case 'not-registered':
      return `Nobody has ${domain}: look at its spelling, or register it as a new name.`;
    case 'here-already':
      return `${domain} is with ${seller} already: there is nothing to move.`;
    case 'unchecked':
      return `It could not be checked. ${why ?? ''} Nothing was changed; try again in a while.`;
  }
}
