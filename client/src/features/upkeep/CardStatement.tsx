import { useMutation, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { api, expect, type Schemas } from '../../api/wire/client';
import { shortDay } from '../../format/dates';
import { money } from '../../format/money';
import { Button } from '../../ui/Button';
import { cx } from '../../ui/cx';
import { TextArea } from '../../ui/fields/Field';
import { Announced } from '../../ui/said/Announced';
import { renew } from '../../api/wire/renew';

type Found = Schemas['StatementWire'];

const verdicts: Record<string, string> = {
  matched: 'as it was due',
  explained: 'another sum, and why',
  open: 'another sum, and nothing explains it',
  'not-due': 'not expected',
};

/** A card statement as CSV, held against all that was due for this site: looked at first, kept after that. */
export function CardStatement({ siteId }: { siteId: string }) {
  const [open, setOpen] = useState(false);
  const [text, setText] = useState('');
  const [fault, setFault] = useState<string | null>(null);
  const queries = useQueryClient();
  const read = useMutation({
    mutationFn: async (keep: boolean) =>
      expect(
        await api.POST('/api/sites/{siteId}/upkeep/statement', { params: { path: { siteId } }, body: { text, keep } }),
      ),
    onSuccess: (found) => (found.kept ? renew(queries) : undefined),
  });
  const pick = (file: File | undefined) => {
    setFault(null);
    read.reset();
    file?.text().then(setText, () => setFault('This file could not be read. Choose it again, or paste what is in it.'));
  };
  return (
    <section className="mt-6 max-w-3xl" aria-label="Card statement">
      <h2 className="text-lg">Read in a card statement</h2>
      <p className="text-soft text-sm">
        The file that your bank gives as CSV, with a date, a description and an amount. Only rows that name one of your
        sellers are looked at, and nothing of the file is kept but what matches.
      </p>
      {open ? (
        <>
          <input
            type="file"
            aria-label="The file of the statement"
            accept=".csv,.txt,text/csv"
            className="text-blue mt-2 block"
            onChange={(event) => pick(event.target.files?.[0])}
          />
          <div className="mt-2">
            <TextArea
              label="Or paste it"
              rows={4}
              value={text}
              onChange={(event) => {
                setText(event.target.value);
                read.reset();
              }}
              fault={fault ?? read.error?.message}
            />
          </div>
          <p className="mt-2 flex gap-3">
            <Button
              look={read.data ? 'plain' : 'main'}
              disabled={read.isPending || !text}
              onClick={() => read.mutate(false)}
            >
              Hold it against what was due
            </Button>
            <Button onClick={() => setOpen(false)}>Close</Button>
          </p>
          {read.isPending && <Announced className="text-soft mt-2">Comparing …</Announced>}
          {read.data && <Rows found={read.data} keep={() => read.mutate(true)} isBusy={read.isPending} />}
        </>
      ) : (
        <Button look="text" className="mt-1" onClick={() => setOpen(true)}>
          Read in a statement
        </Button>
      )}
    </section>
  );
}

function Rows({ found, keep, isBusy }: { found: Found; keep: () => void; isBusy: boolean }) {
  const others = `${found.others === 1 ? 'One row is' : `${found.others} rows are`} of others.`;
  if (found.rows.length === 0) {
    return <Announced className="mt-2">No row names one of your sellers. {others}</Announced>;
  }

  return (
    <>
      <Announced className="mt-2">
        {found.rows.length === 1 ? 'One row is' : `${found.rows.length} rows are`} of your sellers.
      </Announced>
      <ul className="mt-2">
        {found.rows.map((row) => (
          <li key={row.number} className="odd:bg-band px-2.5 py-1.5">
            <div className="flex flex-wrap gap-x-3">
              <span className="text-soft w-24 flex-none">{shortDay(row.on)}</span>
              <bdi className="min-w-40 grow basis-0">{row.text}</bdi>
              <span className="text-right">{money(row.amount, row.currency)}</span>
            </div>
            <p className={cx('text-sm', row.verdict === 'matched' ? 'text-green' : 'text-red')}>
              {verdicts[row.verdict]}: <bdi>{row.words}</bdi>
            </p>
            {row.reasons.map((reason) => (
              <p key={reason} className="border-rule my-1 border-l-2 pl-3 text-sm">
                <bdi>{reason}</bdi>
              </p>
            ))}
          </li>
        ))}
      </ul>
      <p className="text-soft mt-1 text-sm">{found.others > 0 && others}</p>
      {found.kept ? (
        <Announced className="text-green mt-2">Kept: you see it beside what was due.</Announced>
      ) : (
        <Button look="main" className="mt-2" disabled={isBusy} onClick={keep}>
          Keep what was found
        </Button>
      )}
    </>
  );
}
