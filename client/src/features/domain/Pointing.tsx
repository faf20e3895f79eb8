import { keepPreviousData, useQuery } from '@tanstack/react-query';
import { keys } from '../../api/wire/keys';
import { useState } from 'react';
import { api, expect, type Schemas } from '../../api/wire/client';
import { useHasCounterparts } from '../../api/session';
import { useSite } from '../../api/site/site';
import { Button } from '../../ui/Button';
import { Note } from '../../ui/said/Note';
import { ScrollRegion } from '../../ui/ScrollRegion';
import { Cell, Head, Heads, Row, Table } from '../../ui/Table';
import { TickLine } from '../../ui/fields/TickLine';
import { Announced } from '../../ui/said/Announced';

type Record = Schemas['ResourceRecordWire'];

/** What to set where a domain is kept, so that it leads to the candidate's host, without losing its mail. */
export function Pointing({ domain }: { domain: string }) {
  const { page } = useSite();
  const { letter, candidate } = page.worksheet;
  const hasPlan = !!candidate.hosting?.plan;
  const hasCounterparts = useHasCounterparts();
  const [keepMail, setKeepMail] = useState<boolean | undefined>(undefined);
  const query = { view: letter, domain, keepMail };
  const pointing = useQuery({
    queryKey: keys.pointing(page.id, letter, page.revision, domain, keepMail),
    queryFn: async () =>
      expect(await api.GET('/api/sites/{siteId}/pointing', { params: { path: { siteId: page.id }, query } })),
    enabled: hasCounterparts && hasPlan && domain !== '',
    placeholderData: keepPreviousData,
    retry: false,
    staleTime: 300_000,
  });
  const found = domain === '' ? undefined : pointing.data;
  return (
    <section aria-labelledby="pointing">
      <h2 id="pointing" className="text-lg">
        To leave it there and point it here
      </h2>
      {!hasCounterparts ? (
        <p className="text-soft">
          Your host says on its own pages what to set where the domain is kept: two name servers, or a few records.
        </p>
      ) : !hasPlan ? (
        <p className="text-soft">Choose a plan for {letter} first: what to set depends on its host.</p>
      ) : domain === '' ? (
        <p className="text-soft">Type your domain and compare: what to set at its present seller will stand here.</p>
      ) : pointing.error ? (
        <Announced className="text-red">
          {pointing.error.message}{' '}
          <Button look="text" onClick={() => void pointing.refetch()}>
            Try again
          </Button>
        </Announced>
      ) : !found ? (
        <Announced className="text-soft">Asking the host and the name servers …</Announced>
      ) : (
        <>
          <MailToday found={found} />
          <h3 className="mt-3 font-semibold">Either these records, where it is kept</h3>
          {found.mailToday !== null && found.mailToday.length > 0 && (
            <TickLine checked={keepMail ?? true} onChange={setKeepMail}>
              mail stays where it goes today
            </TickLine>
          )}
          <Records records={found.records} />
          <p className="mt-1 flex flex-wrap gap-x-5">
            <a
              className="ink"
              download
              href={`/api/sites/${page.id}/pointing.zone?view=${letter}&domain=${encodeURIComponent(domain)}${keepMail === undefined ? '' : `&keepMail=${keepMail}`}`}
            >
              All of it as a zone file
            </a>
            <Copy text={found.zoneFile}>Copy the zone file</Copy>
          </p>
          <h3 className="mt-4 font-semibold">Or hand it over to the host’s name servers</h3>
          {found.stopsMail && (
            <Note ink="red" className="my-1">
              {found.mailToday === null
                ? 'Nobody could say where its mail goes. If it has any, it stops the moment you do this, unless you copy its MX records to the host first.'
                : 'Its mail stops the moment you do this, unless the MX records above are set at the host first.'}
            </Note>
          )}
          <ul>
            {found.nameServers.map((server) => (
              <li key={server} className="flex flex-wrap gap-x-4">
                <code className="break-all">{server}</code>
                <Copy text={server}>Copy</Copy>
              </li>
            ))}
          </ul>
          <p className="text-soft mt-2 text-sm">
            Until it is seen everywhere takes from minutes to 48 hours. Change only what is listed here: other records
            belong to something else.
          </p>
        </>
      )}
    </section>
  );
}

function MailToday({ found }: { found: Schemas['PointingWire'] }) {
  const mail = found.mailToday;
  return mail === null ? (
    <Note ink="red">
      Nobody could say whether mail arrives at {found.domain} today. Look before you change anything.
    </Note>
  ) : mail.length === 0 ? (
    <p>No mail arrives at {found.domain} today.</p>
  ) : (
    <Note ink="red">
      Mail for {found.domain} goes to <bdi>{mail.map((record) => record.data.replace(/\.$/, '')).join(' and ')}</bdi>{' '}
      today. Write these MX records down before you change anything.
    </Note>
  );
}

function Records({ records }: { records: Record[] }) {
  return (
    <ScrollRegion label="Records to set">
      <Table className="mt-1 w-full" caption="Records to set where the domain is kept">
        <Heads>
          <Head>Name</Head>
          <Head>Type</Head>
          <Head>Value</Head>
          <Head>
            <span className="sr-only">Copy</span>
          </Head>
        </Heads>
        <tbody>
          {records.map((record) => (
            <Row key={`${record.owner} ${record.type} ${record.data}`} label={<code>{record.owner}</code>}>
              <Cell>{record.type}</Cell>
              <Cell>
                <code className="break-all">{valueOf(record)}</code>
              </Cell>
              <Cell>
                <Copy text={valueOf(record)}>
                  Copy<span className="sr-only"> the {record.type} record</span>
                </Copy>
              </Cell>
            </Row>
          ))}
        </tbody>
      </Table>
    </ScrollRegion>
  );
}

const valueOf = ({ preference, data }: Record) => (preference === null ? data : `${preference} ${data}`);

function Copy({ text, children }: { text: string; children: React.ReactNode }) {
  const [isCopied, setCopied] = useState(false);
  return (
    <Button
      look="text"
      className="text-[13px]"
      onClick={() => {
        void navigator.clipboard.writeText(text).then(() => setCopied(true));
      }}
    >
      {isCopied ? 'Copied' : children}
    </Button>
  );
}
