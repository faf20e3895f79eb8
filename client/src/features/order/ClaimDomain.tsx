import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useNavigate } from '@tanstack/react-router';
import { useState, type FormEvent } from 'react';
import { api, expect, Refused, type Order } from '../../api/client';
import { useSite } from '../../api/site';
import { longDay } from '../../format/dates';
import { Button } from '../../ui/Button';
import { SelectField, TextField } from '../../ui/Field';

/** A domain that came with the hosting and is not claimed yet: the name, read once more, and nothing due. */
export function ClaimDomain({ order }: { order: Order }) {
  const { page } = useSite();
  const queries = useQueryClient();
  const navigate = useNavigate();
  const [id] = useState(() => crypto.randomUUID());
  const [typed, setTyped] = useState<{ name: string; ending: string; agreed: boolean } | null>(null);
  const params = { path: { orderId: order.id } };
  const claim = useQuery({
    queryKey: ['claim', order.id],
    queryFn: async () => {
      const answer = await api.GET('/api/orders/{orderId}/claim', { params });
      return answer.response.status === 404 ? null : expect(answer);
    },
  }).data;
  const placed = useMutation({
    mutationFn: async (body: { name: string; ending: string; agreed: boolean }) =>
      expect(await api.POST('/api/orders/{orderId}/claim', { params, body: { id, ...body } })),
    onSuccess: async (made) => {
      queries.setQueryData(['order', made.id], made);
      await queries.invalidateQueries({ queryKey: ['claim', order.id] });
      await navigate({ to: '/sites/$siteId/orders/$orderId', params: { siteId: made.siteId, orderId: made.id } });
    },
  });
  if (!claim) {
    return null;
  }

  const held = page.held.find(({ ending }) => claim.endings.includes(ending));
  const now = typed ?? { name: held?.name ?? '', ending: held?.ending ?? claim.endings[0]!, agreed: false };
  const faults = placed.error instanceof Refused ? placed.error.faults : [];
  const fault = (where: string) => faults.find((found) => found.where === where)?.message;
  const submit = (event: FormEvent) => {
    event.preventDefault();
    placed.mutate(now);
  };
  return (
    <section className="no-print border-red mt-5 max-w-2xl border-l-2 pl-3" aria-labelledby="claim">
      <h2 id="claim" className="text-lg">
        A domain came with it
      </h2>
      <p>
        <bdi>{claim.provider}</bdi> gives you one for a year. Claim it before {longDay(claim.before)}; after that it
        costs what everybody pays. Nothing is due, and no card is asked for.
      </p>
      <form onSubmit={submit} noValidate className="mt-2 flex flex-col gap-3">
        <div className="grid gap-3 sm:grid-cols-2">
          <TextField
            label="Name"
            autoCapitalize="none"
            spellCheck={false}
            value={now.name}
            onChange={(event) => setTyped({ ...now, name: event.target.value })}
            fault={fault('name') ?? fault('domain')}
          />
          <SelectField
            label="Ending"
            value={now.ending}
            onChange={(event) => setTyped({ ...now, ending: event.target.value })}
            fault={fault('ending')}
          >
            {claim.endings.map((ending) => (
              <option key={ending} value={ending}>
                .{ending}
              </option>
            ))}
          </SelectField>
        </div>
        {now.name && (
          <p>
            Read the name once more, it cannot be changed afterwards:{' '}
            <bdi className="font-display block text-2xl tracking-[0.12em]">
              {now.name}.{now.ending}
            </bdi>
          </p>
        )}
        <label className="flex gap-2.5">
          <input
            type="checkbox"
            checked={now.agreed}
            onChange={(event) => setTyped({ ...now, agreed: event.target.checked })}
          />
          <span>I have read the name. After the year it renews by itself at its usual price until I cancel.</span>
        </label>
        {fault('agreed') && <p className="text-red text-sm">{fault('agreed')}</p>}
        <div>
          <Button type="submit" look="main" disabled={placed.isPending}>
            Claim it, nothing to pay
          </Button>
        </div>
        {placed.error && (faults.length === 0 || fault('')) && (
          <p role="alert" className="text-red">
            {fault('') ?? placed.error.message}
          </p>
        )}
      </form>
    </section>
  );
}
