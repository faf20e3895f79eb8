import { useQuery } from '@tanstack/react-query';
import { Link } from '@tanstack/react-router';
import { useId, useState } from 'react';
import { priceTableQuery } from '../../../api/books/fromPage';
import { lookAtQuery } from '../../../api/books/shelf';
import { useSite } from '../../../api/site/site';
import { CurrencyOptions } from '../../../ui/fields/CurrencyOptions';
import { SelectField, TextField } from '../../../ui/fields/Field';
import { span } from '../../../format/words';
import { OnShortlist } from '../OnShortlist';
import { TakeIt } from '../TakeIt';
import { shortlistFault, useShortlist } from '../useShortlist';
import { ReadTable } from './ReadTable';
import { Announced } from '../../../ui/said/Announced';

const common = ['GBP', 'EUR', 'USD'];

/** A table of plans from a page or spreadsheet: pasted, or a CSV file; each column with what it is taken for. */
export function TablePage() {
  const { page } = useSite();
  const id = useId();
  const [text, setText] = useState('');
  const [roles, setRoles] = useState<string[] | null>(null);
  // Null until the owner says something else than the table does.
  const [said, setSaid] = useState<{ provider: string | null; currency: string | null; tax: string | null }>({
    provider: null,
    currency: null,
    tax: null,
  });
  const [laterIsSame, setLaterIsSame] = useState(false);
  const [months, setMonths] = useState<number | null>(null);
  const [put, setPut] = useState<string[] | null>(null);
  const [error, setError] = useState<string | null>(null);
  const shortlist = useShortlist();
  const body = { text, roles, ...said, laterIsSame, months };
  const read = useQuery({ ...priceTableQuery(page.id, body), enabled: text.trim() !== '' });
  const table = text.trim() === '' ? undefined : read.data;
  const look = useQuery({ ...lookAtQuery(table?.book ?? ''), enabled: !!table?.book });
  const receive = (typed: string) => {
    setText(typed);
    setRoles(null);
    setMonths(null);
    setPut(null);
    setError(null);
  };
  const faultOf = (field: string) => table?.faults.find((fault) => fault.where === field)?.message;
  const known = look.data?.book && table?.book ? { ...look.data, book: look.data.book } : null;
  return (
    <div className="py-5">
      <title>{`From a table · ${page.name} · Home Start`}</title>
      <p className="text-sm">
        <Link to="/sites/$siteId/shelf" params={{ siteId: page.id }} search={{}} className="ink">
          Your price lists
        </Link>
      </p>
      <h1 className="text-2xl">From a table</h1>
      <p className="text-soft max-w-3xl">
        Copy a table of plans from a seller’s page or your spreadsheet and paste it here, plans across or down. Each
        column says what it was taken for: change it where that is wrong.
      </p>
      <div className="mt-4 flex flex-wrap items-baseline gap-x-4 gap-y-1">
        <label htmlFor={id} className="font-semibold">
          The table
        </label>
        <label className="text-soft text-sm">
          or a CSV file:{' '}
          <input
            type="file"
            accept=".csv,.tsv,.txt,text/csv"
            className="text-blue max-w-full"
            onChange={(event) => {
              void event.target.files?.[0]?.text().then(receive);
              event.target.value = '';
            }}
          />
        </label>
      </div>
      <textarea
        id={id}
        rows={5}
        value={text}
        onChange={(event) => receive(event.target.value)}
        placeholder={'Plan\tMonthly\tYearly\tRenewal a year\nLantern\t£5\t£48\t£72'}
        className="border-blue bg-sheet placeholder:text-soft mt-1 w-full max-w-4xl rounded border px-2.5 py-1.5 font-mono text-[13px]"
      />
      {read.error && <Announced className="text-red">{read.error.message}</Announced>}
      {table && table.headings.length === 0 && <p className="text-red">{faultOf('text') ?? 'This is no table.'}</p>}
      {table && table.headings.length > 0 && (
        <>
          <div className="mt-4 grid max-w-4xl gap-3 sm:grid-cols-3">
            <TextField
              label="Who sells"
              value={said.provider ?? table.provider ?? ''}
              fault={faultOf('provider')}
              onChange={(event) => setSaid({ ...said, provider: event.target.value })}
            />
            <SelectField
              label="The prices are in"
              value={said.currency ?? table.currency ?? ''}
              fault={faultOf('currency')}
              onChange={(event) => setSaid({ ...said, currency: event.target.value })}
            >
              <option value="">choose …</option>
              <CurrencyOptions first={[...common, ...(table.currency ? [table.currency] : [])]} />
            </SelectField>
            <SelectField
              label="They are"
              value={said.tax ?? table.tax ?? ''}
              fault={faultOf('tax')}
              onChange={(event) => setSaid({ ...said, tax: event.target.value })}
            >
              <option value="">choose …</option>
              <option value="on-top">before tax: it comes on top</option>
              <option value="inside">with tax inside</option>
            </SelectField>
          </div>
          {(months !== null || faultOf('months')) && (
            <div className="mt-3 max-w-72">
              <SelectField
                label="Each price is for"
                value={months ?? ''}
                fault={faultOf('months')}
                onChange={(event) => setMonths(event.target.value ? Number(event.target.value) : null)}
              >
                <option value="">choose …</option>
                {[1, 3, 6, 12, 24, 36].map((count) => (
                  <option key={count} value={count}>
                    {span(count)}
                  </option>
                ))}
              </SelectField>
            </div>
          )}
          <ReadTable table={table} choose={setRoles} />
          <label className="mt-3 flex items-baseline gap-2">
            <input
              type="checkbox"
              checked={laterIsSame}
              onChange={(event) => setLaterIsSame(event.target.checked)}
              className="translate-y-0.5"
            />
            If a row has no later price, the price stays the same. (Otherwise the later price counts as not stated.)
          </label>
        </>
      )}
      {put && (
        <OnShortlist letters={put} another={() => receive('')}>
          Paste another table
        </OnShortlist>
      )}
      {error && <Announced className="text-red mt-3">{error}</Announced>}
      {known && !put && (
        <TakeIt
          name="This table"
          text={table!.book!}
          look={known}
          close={() => receive('')}
          put={
            table!.candidates.length === 1
              ? 'Put the plan on my shortlist'
              : `Put the ${table!.candidates.length} plans on my shortlist`
          }
          taken={() =>
            void shortlist
              .put(table!.candidates)
              .then(setPut)
              .catch((fault: unknown) => setError(shortlistFault(shortlist.letters(), fault)))
          }
        />
      )}
    </div>
  );
}
