import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { Link, useNavigate } from '@tanstack/react-router';
import { useState, type FormEvent } from 'react';
import { accountQuery, drafts, useConfirming } from '../../api/account';
import { api, expect, type Schemas } from '../../api/wire/client';
import { sessionQuery } from '../../api/wire/queries';
import { ago } from '../../format/dates';
import { Button } from '../../ui/Button';
import { ConfirmMail } from '../../ui/sheets/ConfirmMail';
import { Header } from '../../ui/frame/Header';
import { Help } from '../../ui/frame/Help';
import { TextField } from '../../ui/fields/Field';
import { Head, Heads, InNarrow, Row, Table } from '../../ui/Table';
import { Failed, Waiting } from '../../ui/said/Waiting';
import { deviceWords } from './device';
import { Announced } from '../../ui/said/Announced';
import { renew } from '../../api/wire/renew';

/** Signing in by a mailed code; and, signed in, where one is, what one has here, and the way out. */
export function AccountPage() {
  const account = useQuery(accountQuery);
  return (
    <>
      <title>Account · Home Start</title>
      <Header help={<Help />}>
        <div className="grow" />
      </Header>
      <main className="bg-sheet border-rule grow border-t">
        <div className="mx-auto max-w-[1440px] px-4 py-5 pb-10 sm:px-6">
          {account.error ? (
            <Failed error={account.error} retry={() => void account.refetch()} />
          ) : !account.data ? (
            <Waiting for="Looking up your account" />
          ) : account.data.mail === null ? (
            <SignIn />
          ) : (
            <SignedIn mail={account.data.mail} sessions={account.data.sessions} />
          )}
        </div>
      </main>
    </>
  );
}

// The link in the mail carries both behind the sign #, which no server is told.
const fromLink = () => {
  const given = new URLSearchParams(location.hash.slice(1));
  return { mail: given.get('mail') ?? '', code: given.get('code') ?? '' };
};

function SignIn() {
  const { send, confirm } = useConfirming();
  const [link, setLink] = useState(fromLink);
  const [isMine, setMine] = useState(link.code === '');
  const [mail, setMail] = useState(link.mail);
  const [isAsked, setAsked] = useState(link.code !== '');
  const site = useQuery(sessionQuery).data?.sites[0]?.id;
  const ask = () => send.mutate(mail, { onSuccess: () => setAsked(true) });
  return (
    <>
      <h1 className="text-2xl">Sign in</h1>
      <p className="text-soft max-w-2xl">
        There is no password: we mail you six digits. That makes your account, and opens it again on any device. What
        this browser holds is kept and joined with what your account has.
      </p>
      {!isMine ? (
        <IsThisYou
          mail={link.mail}
          yes={() => setMine(true)}
          no={() => {
            history.replaceState(null, '', location.pathname);
            setLink({ mail: '', code: '' });
            setMail('');
            setAsked(false);
            setMine(true);
          }}
        />
      ) : isAsked ? (
        <ConfirmMail
          mail={mail}
          mailbox={site && `/sites/${site}/mail`}
          code={link.code}
          fault={confirm.error?.message}
          isBusy={confirm.isPending || send.isPending}
          confirm={(code) => confirm.mutate({ mail, code })}
          sendAgain={ask}
        />
      ) : (
        <form
          className="mt-3 flex max-w-md flex-col gap-3"
          noValidate
          onSubmit={(event: FormEvent) => {
            event.preventDefault();
            ask();
          }}
        >
          <TextField
            label="Mail address"
            type="email"
            autoComplete="email"
            value={mail}
            onChange={(event) => setMail(event.target.value)}
            fault={send.error?.message}
          />
          <div>
            <Button type="submit" look="main" disabled={send.isPending}>
              Mail me a code
            </Button>
          </div>
        </form>
      )}
    </>
  );
}

/** Anybody can send a link: whose account it opens is asked before anything is filled in or joined. */
function IsThisYou({ mail, yes, no }: { mail: string; yes: () => void; no: () => void }) {
  return (
    <section className="border-blue mt-4 max-w-2xl border-l-2 pl-3" aria-labelledby="is-this-you">
      <h2 id="is-this-you" className="text-lg">
        Is <bdi>{mail}</bdi> your mail address?
      </h2>
      <p className="mt-1">
        This link signs this browser in to that address’s account, and moves the sites and orders in this browser into
        it. If somebody else sent you the link, choose No.
      </p>
      <div className="mt-3 flex flex-wrap gap-3">
        <Button look="main" onClick={yes}>
          Yes, it is mine
        </Button>
        <Button onClick={no}>No, it is not</Button>
      </div>
    </section>
  );
}

function SignedIn({ mail, sessions }: { mail: string; sessions: Schemas['SignedInWire'][] }) {
  const queries = useQueryClient();
  const navigate = useNavigate();
  const left = async () => {
    drafts.dropAll();
    queries.clear();
    await navigate({ to: '/' });
  };
  const post = async (answer: Promise<{ error?: unknown; response: Response }>) => {
    const given = await answer;
    return given.error ? expect<never>(given) : null;
  };
  const signOut = useMutation({ mutationFn: () => post(api.POST('/api/account/sign-out')), onSuccess: left });
  const everywhere = useMutation({
    mutationFn: () => post(api.POST('/api/account/sign-out-everywhere')),
    onSuccess: left,
  });
  const end = useMutation({
    mutationFn: (sessionId: string) =>
      post(api.POST('/api/account/sessions/{sessionId}/end', { params: { path: { sessionId } } })),
    onSuccess: () => renew(queries, { queryKey: accountQuery.queryKey }),
  });
  const failed = signOut.error ?? everywhere.error ?? end.error;
  return (
    <>
      <h1 className="text-2xl">Your account</h1>
      <p>
        You are signed in as <b>{mail}</b>.{' '}
        <Link to="/" className="ink">
          Back to your site
        </Link>
      </p>
      <section className="mt-6 max-w-3xl" aria-labelledby="sessions">
        <h2 id="sessions" className="text-lg">
          Where you are signed in
        </h2>
        <Table stacks className="mt-1 w-full" caption="Browsers that are signed in">
          <Heads>
            <Head>Browser</Head>
            <Head>Signed in</Head>
            <Head>Last seen</Head>
            <Head>
              <span className="sr-only">End it</span>
            </Head>
          </Heads>
          <tbody>
            {sessions.map((session) => (
              <Row key={session.id} label={<bdi>{deviceWords(session.device)}</bdi>}>
                <td>
                  <InNarrow>signed in</InNarrow>
                  {ago(session.createdAt)}
                </td>
                <td>
                  {!session.isThis && <InNarrow>last seen</InNarrow>}
                  {session.isThis ? 'this browser' : ago(session.seenAt)}
                </td>
                <td className="text-right">
                  {!session.isThis && (
                    <Button look="text" disabled={end.isPending} onClick={() => end.mutate(session.id)}>
                      Sign it out
                    </Button>
                  )}
                </td>
              </Row>
            ))}
          </tbody>
        </Table>
        <div className="mt-3 flex flex-wrap gap-3">
          <Button disabled={signOut.isPending} onClick={() => signOut.mutate()}>
            Sign out
          </Button>
          <Button disabled={everywhere.isPending} onClick={() => everywhere.mutate()}>
            Sign out everywhere
          </Button>
        </div>
        {failed && <Announced className="text-red mt-2">{failed.message}</Announced>}
      </section>
      <section className="mt-6 max-w-3xl" aria-labelledby="data">
        <h2 id="data" className="text-lg">
          What you have here
        </h2>
        <p>
          Sites, orders, receipts, key sheets, price lists and mail, in one ZIP of open formats. No password or card
          number is in it: none is kept.
        </p>
        <p className="mt-2">
          <a className="ink" download href="/api/account/data.zip">
            Take all of it away
          </a>
        </p>
        <DeleteAccount left={left} />
      </section>
    </>
  );
}

/** Two steps, as it cannot be undone. */
function DeleteAccount({ left }: { left: () => Promise<void> }) {
  const [isSure, setSure] = useState(false);
  const deleted = useMutation({
    mutationFn: async () => {
      const answer = await api.DELETE('/api/account', { body: { sure: true } });
      return answer.error ? expect<never>(answer) : null;
    },
    onSuccess: left,
  });
  return (
    <div className="mt-4">
      {isSure ? (
        <Announced as="div" className="border-red border-l-2 pl-3">
          <p className="text-red">
            Everything above is deleted for good. What you bought stays yours at the sellers: take your key sheets away
            first.
          </p>
          <div className="mt-2 flex flex-wrap gap-3">
            <Button disabled={deleted.isPending} onClick={() => deleted.mutate()}>
              Yes, delete all of it
            </Button>
            <Button look="main" onClick={() => setSure(false)}>
              Keep it
            </Button>
          </div>
          {deleted.error && <p className="text-red mt-2">{deleted.error.message}</p>}
        </Announced>
      ) : (
        <Button look="text" onClick={() => setSure(true)}>
          Delete the account
        </Button>
      )}
    </div>
  );
}
