import { useParams } from '@tanstack/react-router';
import { keys } from '../../../api/wire/keys';
import { useEffect, useState } from 'react';
import { useWatch } from 'react-hook-form';
import { api, expect, type Schemas } from '../../../api/wire/client';
import { faultElsewhere } from '../../../api/wire/faults';
import { useSentForm } from '../../../api/wire/sentForm';
import { usePanel } from '../../../api/wire/panel';
import { useSite } from '../../../api/site/site';
import { Button } from '../../../ui/Button';
import { InkSelect, SelectField, TextField } from '../../../ui/fields/Field';
import { Cell, Head, Heads, Row, Table } from '../../../ui/Table';
import { Awaited } from '../../../ui/said/Waiting';
import { Incoming } from './Incoming';
import { recordTypes, ttlWords } from './words';
import { Announced } from '../../../ui/said/Announced';

type Zone = Schemas['ZoneWire'];
type ZoneRecord = Schemas['RecordWire'];

/** The records of the domain: seen, changed one by one, in ready sets or as a file, and put back. */
export function RecordsPage() {
  const { orderId } = useParams({ from: '/sites/$siteId/online/$orderId' });
  const { page } = useSite();
  const [domain, setDomain] = useState<string | undefined>();
  const path = { params: { path: { orderId }, query: { domain } } };
  const [edited, setEdited] = useState<number | null>(null);
  const { query, change } = usePanel(keys.zone(orderId, domain ?? ''), async () =>
    expect(await api.GET('/api/orders/{orderId}/zone', path)),
  );
  if (!query.data) {
    return <Awaited query={query} for="Asking for your records" />;
  }

  const zone = query.data;
  const put = (records: ZoneRecord[], done?: () => void) =>
    change.mutate(
      async () =>
        expect(await api.PUT('/api/orders/{orderId}/zone', { ...path, body: { version: zone.version, records } })),
      { onSuccess: done },
    );
  const back = () =>
    change.mutate(async () =>
      expect(await api.POST('/api/orders/{orderId}/zone/back', { ...path, body: { version: zone.version } })),
    );
  return (
    <>
      <title>{`Records · ${page.name} · Home Start`}</title>
      <h1 className="text-2xl">
        Records of{' '}
        {zone.domains.length > 1 ? (
          <InkSelect label="Domain" value={zone.domain} onChange={(event) => setDomain(event.target.value)}>
            {zone.domains.map((known) => (
              <option key={known}>{known}</option>
            ))}
          </InkSelect>
        ) : (
          <bdi>{zone.domain}</bdi>
        )}
      </h1>
      {!zone.canChange ? (
        <p className="max-w-2xl">
          These records cannot be changed from here. If you keep the domain elsewhere, they are changed there, and the
          Online page says to what; an address that your host lends is the host’s to lead.
        </p>
      ) : (
        <>
          <p className="text-soft max-w-2xl">
            Each line says where a name leads. They are kept by {zone.servedBy}. A change is seen everywhere when old
            answers have run out.
          </p>
          <Records
            zone={zone}
            isBusy={change.isPending}
            edited={edited}
            edit={setEdited}
            remove={(index) => put(zone.records.filter((_, at) => at !== index))}
          />
          <p className="mt-2 flex flex-wrap gap-x-5 gap-y-1">
            <Button look="text" onClick={() => setEdited(zone.records.length)}>
              Add a record
            </Button>
            {zone.version > 0 && (
              <Button look="text" disabled={change.isPending} onClick={back}>
                Undo: put the version before back
              </Button>
            )}
            <a href={`/api/orders/${orderId}/zone/file?domain=${zone.domain}`} className="ink" download>
              Save as a zone file
            </a>
          </p>
          {change.error && edited === null && (
            <Announced className="text-red mt-2 max-w-2xl">{faultElsewhere(change.error, [])}</Announced>
          )}
          {edited !== null && (
            <RecordForm
              key={edited}
              record={zone.records[edited]}
              domain={zone.domain}
              error={change.error}
              at={`records[${edited}]`}
              isBusy={change.isPending}
              cancel={() => (setEdited(null), change.reset())}
              save={(record) =>
                put(
                  zone.records.length === edited
                    ? [...zone.records, record]
                    : zone.records.map((old, at) => (at === edited ? record : old)),
                  () => setEdited(null),
                )
              }
            />
          )}
          <Incoming orderId={orderId} domain={zone.domain} isBusy={change.isPending} take={put} />
        </>
      )}
    </>
  );
}

function Records({
  zone,
  isBusy,
  edited,
  edit,
  remove,
}: {
  zone: Zone;
  isBusy: boolean;
  edited: number | null;
  edit: (index: number) => void;
  remove: (index: number) => void;
}) {
  return (
    <div className="mt-3 max-w-5xl">
      <Table caption={`Records of ${zone.domain}`} className="mt-1 w-full max-sm:block">
        <Heads className="max-sm:sr-only">
          <Head>Name</Head>
          <Head>Type</Head>
          <Head>Leads to</Head>
          <Head>Remembered for</Head>
          <Head>
            <span className="sr-only">Change</span>
          </Head>
        </Heads>
        <tbody className="max-sm:block">
          {zone.records.map((record, index) => (
            <Row
              key={`${record.owner} ${record.type} ${record.data}`}
              label={
                <span className="font-semibold break-all">
                  {record.owner === '@' ? zone.domain : `${record.owner}.${zone.domain}`}
                </span>
              }
              className={`max-sm:block max-sm:py-1 max-sm:[&>*]:block ${edited === index ? 'outline-blue outline' : ''}`}
            >
              <Cell>{record.type}</Cell>
              <Cell className="break-all">
                <bdi>
                  {record.preference !== null && `${record.preference} `}
                  {record.data}
                </bdi>
              </Cell>
              <Cell className="whitespace-nowrap">{ttlWords(record.ttlSeconds)}</Cell>
              <Cell className="whitespace-nowrap">
                <Button look="text" className="mr-4 text-sm" disabled={isBusy} onClick={() => edit(index)}>
                  Change
                  <span className="sr-only">
                    {' '}
                    {record.type} of {record.owner}
                  </span>
                </Button>
                <Button look="text" className="text-sm" disabled={isBusy} onClick={() => remove(index)}>
                  Remove
                  <span className="sr-only">
                    {' '}
                    {record.type} of {record.owner}
                  </span>
                </Button>
              </Cell>
            </Row>
          ))}
        </tbody>
      </Table>
      {zone.records.length === 0 && <p>No record is set: the domain leads nowhere.</p>}
    </div>
  );
}

// What is no number is refused as 0 is.
const asNumber = { setValueAs: (typed: string | number) => Number(typed) || 0 };

function RecordForm({
  record,
  domain,
  error,
  at,
  isBusy,
  save,
  cancel,
}: {
  record: ZoneRecord | undefined;
  domain: string;
  error: unknown;
  at: string;
  isBusy: boolean;
  save: (record: ZoneRecord) => void;
  cancel: () => void;
}) {
  const now = record ?? { owner: '', type: 'A', data: '', ttlSeconds: 3600, preference: null };
  const { form, field } = useSentForm<ZoneRecord & { preference: number }>(
    { ...now, owner: now.owner === '@' ? '' : now.owner, preference: now.preference ?? 10 },
    error,
    `${at}.`,
  );
  const type = useWatch({ control: form.control, name: 'type' });
  const kind = recordTypes[type as keyof typeof recordTypes];
  const send = form.handleSubmit((typed) =>
    save({ ...typed, preference: typed.type === 'MX' ? (typed.preference ?? 10) : null }),
  );
  useEffect(() => form.setFocus('owner'), [form]);
  const said = faultElsewhere(
    error,
    ['owner', 'data', 'ttlSeconds', 'preference'].map((field) => `${at}.${field}`),
  );
  return (
    <form className="mt-4 grid max-w-3xl gap-3 sm:grid-cols-2" noValidate onSubmit={(event) => void send(event)}>
      <h2 className="text-lg sm:col-span-2">{record ? 'Change this record' : 'Add a record'}</h2>
      <TextField
        label="Name"
        hint={`What stands before ${domain}, such as www. Empty: the domain itself.`}
        {...field('owner')}
      />
      <SelectField label="Type" hint={kind.hint} {...form.register('type')}>
        {Object.entries(recordTypes).map(([type, { label }]) => (
          <option key={type} value={type}>
            {type}: {label}
          </option>
        ))}
      </SelectField>
      <TextField label={kind.value} placeholder={kind.example} {...field('data')} />
      {type === 'MX' && (
        <TextField
          label="Preference"
          hint="The lowest number is tried first."
          inputMode="numeric"
          {...field('preference', asNumber)}
        />
      )}
      <TextField
        label="Remembered for (seconds)"
        hint="3600 is an hour. Shorter before a change, longer when all is settled (TTL)."
        inputMode="numeric"
        {...field('ttlSeconds', asNumber)}
      />
      {said && <Announced className="text-red sm:col-span-2">{said}</Announced>}
      <p className="flex gap-4 sm:col-span-2">
        <Button type="submit" look="main" disabled={isBusy}>
          Save the record
        </Button>
        <Button onClick={cancel}>Leave it</Button>
      </p>
    </form>
  );
}
