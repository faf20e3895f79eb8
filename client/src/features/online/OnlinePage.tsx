import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { keys } from '../../api/wire/keys';
import { Link } from '@tanstack/react-router';
import { api, expect, type Schemas } from '../../api/wire/client';
import { ordersQuery } from '../../api/wire/queries';
import { useSite } from '../../api/site/site';
import { ago } from '../../format/dates';
import { Button } from '../../ui/Button';
import { ChooseHosting } from '../../ui/sheets/ChooseHosting';
import { cx } from '../../ui/cx';
import { Failed, Waiting } from '../../ui/said/Waiting';
import { longDay } from '../../format/dates';
import { ongoing } from './pages';
import { isNameAlone, shownOnline } from './shown';
import { chainWords, linkWords, mailWords, stateOf } from './words';
import { Announced } from '../../ui/said/Announced';
import { keepAnswer } from '../../api/wire/renew';

/** What was ordered for this site, from ordered to seen: what is true right now, and what to do next. */
export function OnlinePage() {
  const { page } = useSite();
  const orders = useQuery({ ...ordersQuery, refetchOnMount: 'always' });
  if (orders.error) {
    return <Failed error={orders.error} retry={() => void orders.refetch()} />;
  }

  if (!orders.data) {
    return <Waiting for="Fetching your orders" />;
  }

  const done = shownOnline(orders.data.filter((order) => order.siteId === page.id));
  return (
    <div className="py-5">
      <title>{`Online · ${page.name} · Home Start`}</title>
      <h1 className="text-2xl">Online</h1>
      <p className="text-soft max-w-2xl">
        Between buying and being seen, names take their time to spread. Here is how far each one has come; nothing is
        broken while a line says “on its way”.
      </p>
      {done.length === 0 && (
        <p className="mt-3">
          Nothing is ordered and delivered for this site yet.{' '}
          <Link to="/sites/$siteId/worksheet" params={{ siteId: page.id }} search={{}} className="ink">
            Go to the worksheet
          </Link>
          .
        </p>
      )}
      {done.map((order) =>
        isNameAlone(order) ? (
          <p key={order.id} className="mt-4 max-w-2xl">
            <ChooseHosting domain={order.keySheet!.domain!} />
          </p>
        ) : (
          <Chain key={order.id} siteId={page.id} orderId={order.id} reference={order.reference} there={order.there} />
        ),
      )}
    </div>
  );
}

interface ChainProps {
  siteId: string;
  orderId: string;
  reference: string;
  there: Schemas['OrderWire']['there'];
}

function Chain({ siteId, orderId, reference, there }: ChainProps) {
  const chain = useQuery({
    queryKey: keys.online(orderId),
    queryFn: async () => {
      const answer = await api.GET('/api/orders/{orderId}/online', { params: { path: { orderId } } });
      return answer.response.status === 204 ? null : expect(answer);
    },
    refetchOnMount: 'always',
    // Spreading is watched as it happens; what has arrived is looked at now and then.
    refetchInterval: (query) => (query.state.data?.isJoined ? 30_000 : 2_500),
  });
  if (chain.error) {
    return <Failed error={chain.error} retry={() => void chain.refetch()} />;
  }

  if (chain.data === undefined) {
    return <Waiting for="Asking the name servers" />;
  }

  if (chain.data === null) {
    return there ? (
      <p className="mt-4 max-w-2xl">
        For {reference}, bought at the sellers’ own pages, the way to the site can be checked once its{' '}
        <Link to="/sites/$siteId/bought" params={{ siteId }} search={{ order: orderId }} className="ink">
          key sheet
        </Link>{' '}
        says the address of the server.
      </p>
    ) : null;
  }

  return (
    <section className="mt-6" aria-labelledby={`chain-${orderId}`}>
      <div className="flex flex-wrap items-baseline gap-x-6">
        <h2 id={`chain-${orderId}`} className="grow text-lg">
          <bdi>{chain.data.domain}</bdi>
        </h2>
        <Button look="text" className="text-sm" disabled={chain.isFetching} onClick={() => void chain.refetch()}>
          Ask again
        </Button>
      </div>
      <Announced onlyChanges>{chainWords(chain.data)}</Announced>
      <div className="mt-2 grid gap-x-12 gap-y-6 lg:grid-cols-[minmax(0,1fr)_minmax(0,26rem)]">
        <div>
          <ol>
            {chain.data.links.map((link) => (
              <LinkRow key={link.kind} link={link} provider={chain.data!.provider} />
            ))}
          </ol>
          <h3 className="mt-4 text-base">What to do next</h3>
          {there ? (
            <p>
              Files, mail addresses and records are looked after where you bought it
              {there.keys.logIn && (
                <>
                  :{' '}
                  <a href={there.keys.logIn} className="ink" target="_blank" rel="noreferrer">
                    log in there
                  </a>
                </>
              )}
              . What you bought there does not reach this made-up world by itself: in it the name may not be registered
              at all.
            </p>
          ) : (
            <ul className="mt-1 grid gap-x-8 sm:grid-cols-2">
              {ongoing.map(({ to, label, does }) => (
                <li key={to} className="px-2.5 py-1.5">
                  <Link to={to} params={{ siteId, orderId }} search={{}} className="ink font-semibold">
                    {label}
                  </Link>
                  <span className="text-soft block text-sm">{does}</span>
                </li>
              ))}
            </ul>
          )}
        </div>
        <div>
          <Places chain={chain.data} />
          {!there && (
            <>
              <Certificate orderId={orderId} chain={chain.data} />
              <p className="mt-3">
                <a href={chain.data.site} className="ink font-semibold" target="_blank" rel="noreferrer">
                  See the site
                </a>{' '}
                <span className="text-soft">
                  as somebody sees it who is led to your host. This made-up world keeps it under an address of this
                  computer.
                </span>
              </p>
            </>
          )}
        </div>
      </div>
      <p className="text-soft mt-2 text-sm">
        Asked {ago(chain.data.askedAt)}, for order {reference}. {mailWords(chain.data.mailServers)}
      </p>
    </section>
  );
}

/** Asked for once the name leads to the host, waited for, there until its day; and what a browser says before that. */
function Certificate({ orderId, chain }: { orderId: string; chain: Schemas['NameChainWire'] }) {
  const queries = useQueryClient();
  const ask = useMutation({
    mutationFn: async () =>
      expect(await api.POST('/api/orders/{orderId}/certificate', { params: { path: { orderId } } })),
    onSuccess: (now) => keepAnswer(queries, keys.online(orderId), now),
  });
  const { certificate } = chain;
  const leads = chain.links.some(({ kind, state }) => kind === 'address' && state === 'right');
  return (
    <section className="mt-3" aria-label="Certificate">
      {certificate?.state === 'there' ? (
        <p>
          Its certificate is good until <b>{longDay(certificate.until!)}</b>, and your host renews it a month before.
        </p>
      ) : certificate?.state === 'waiting' ? (
        <p>
          The certificate is asked for. It comes by itself when all five places see the name; until then browsers warn
          of an address that begins with https.
        </p>
      ) : (
        <>
          <p>
            There is no certificate yet. Until there is, browsers warn visitors that the connection is not private: that
            is about a missing proof, not about your site. The proof is made when the name leads to your host.
          </p>
          {certificate?.refusal && <p className="text-red mt-1">{certificate.refusal}</p>}
          <Button className="mt-2" disabled={!leads || ask.isPending} onClick={() => ask.mutate()}>
            Ask for the certificate
          </Button>
          {ask.error && <Announced className="text-red mt-1">{ask.error.message}</Announced>}
        </>
      )}
    </section>
  );
}

const inks = {
  right: 'text-green',
  waiting: 'text-soft',
  wrong: 'text-red',
  unknown: 'text-soft',
} as const;

function LinkRow({ link, provider }: { link: Schemas['ChainLinkWire']; provider: string }) {
  return (
    <li className="odd:bg-band px-2.5 py-1.5">
      <span className="flex gap-4">
        <span className="grow">{linkWords[link.kind](provider)}</span>
        <span className={cx('font-semibold whitespace-nowrap', inks[link.state])}>{stateOf(link)}</span>
      </span>
      {link.found.length > 0 && (
        <span className="text-soft block text-sm break-words">
          found: <bdi>{link.found.join(', ')}</bdi>
        </span>
      )}
      {link.state === 'wrong' && link.wanted.length > 0 && (
        <span className="block text-sm break-words">
          Set it, where the domain is registered, to: <code>{link.wanted.join(', ')}</code>
        </span>
      )}
    </li>
  );
}

/** Five places around the world, each with what it sees. */
function Places({ chain }: { chain: Schemas['NameChainWire'] }) {
  return (
    <>
      <p>
        <b>
          {chain.seen} of {chain.places.length}
        </b>{' '}
        places around this made-up world see it.
      </p>
      <ul className="mt-1 flex flex-wrap gap-x-6 gap-y-1">
        {chain.places.map((place) => (
          <li key={place.place} className={place.isSeen ? 'text-green' : 'text-soft'}>
            <span aria-hidden="true">{place.isSeen ? '●' : '○'}</span> {place.place.charAt(0).toUpperCase()}
            {place.place.slice(1)}
            <span className="sr-only">
              {place.isSeen === null ? ' does not answer' : place.isSeen ? ' sees it' : ' does not see it yet'}
            </span>
          </li>
        ))}
      </ul>
    </>
  );
}
