import { useState, type FormEvent } from 'react';
import { api, carriedOut, type Schemas } from '../../api/wire/client';
import { Button } from '../../ui/Button';
import { SelectField, TextField } from '../../ui/fields/Field';
import { useChange, type Tenure } from './upkeep';

/** A name that was claimed at the seller's own page: it is noted, so that its renewals are known. */
export function ClaimedThere({ tenure, allowance }: { tenure: Tenure; allowance: Schemas['AllowanceWire'] }) {
  const [open, setOpen] = useState(false);
  const [name, setName] = useState('');
  const [ending, setEnding] = useState(allowance.uses[0]?.ending ?? '');
  const claim = useChange(async () =>
    carriedOut(
      await api.POST('/api/orders/{orderId}/upkeep/decisions', {
        params: { path: { orderId: tenure.orderId } },
        body: {
          version: tenure.version,
          decision: {
            on: tenure.decidingOn,
            do: 'claim',
            domain: { route: 'register', book: allowance.book, name: name.trim(), ending, years: 1, addOns: [] },
          },
        },
      }),
    ),
  );
  const submit = (event: FormEvent) => {
    event.preventDefault();
    claim.mutate(undefined, { onSuccess: () => setOpen(false) });
  };
  return open ? (
    <form onSubmit={submit} noValidate className="mt-2 flex flex-wrap items-end gap-3">
      <div className="w-52">
        <TextField
          label="The name you claimed there"
          value={name}
          onChange={(event) => setName(event.target.value)}
          fault={claim.error?.message}
        />
      </div>
      <div className="w-32">
        <SelectField label="Its ending" value={ending} onChange={(event) => setEnding(event.target.value)}>
          {allowance.uses.map((use) => (
            <option key={use.ending} value={use.ending}>
              .{use.ending}
            </option>
          ))}
        </SelectField>
      </div>
      <Button type="submit" look="main" disabled={claim.isPending}>
        Note it
      </Button>
      <Button onClick={() => setOpen(false)}>Leave it</Button>
    </form>
  ) : (
    <Button look="text" onClick={() => setOpen(true)}>
      I claimed a name there
    </Button>
  );
}
