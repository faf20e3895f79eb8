import { Link } from '@tanstack/react-router';
import { useState } from 'react';
import { api, expect, type Schemas } from '../../api/wire/client';
import { useSite } from '../../api/site/site';
import { longDay } from '../../format/dates';
import { Button } from '../../ui/Button';
import { useMutation } from '@tanstack/react-query';
import type { Tenure } from './upkeep';
import { Announced } from '../../ui/said/Announced';

/**
 * Leaving a seller so that site and mail never stop: in which order, what to take along, and the domain's transfer
 * code.
 */
export function Leaving({ tenure }: { tenure: Tenure }) {
  const { page } = useSite();
  const [open, setOpen] = useState(false);
  const hosting = tenure.holdings.find(
    ({ holding, state }) => holding === 'hosting' && state !== 'gone' && state !== 'left',
  );
  const domains = tenure.holdings.filter(({ holding, state }) => holding !== 'hosting' && state === 'live');
  const params = { siteId: page.id, orderId: tenure.orderId };
  if (!hosting && domains.length === 0) {
    return null;
  }

  return (
    <section className="mt-6" aria-label="Leaving">
      <h3 className="text-lg">Leaving a seller</h3>
      <p className="text-soft">In this order site and mail never stop.</p>
      {!open ? (
        <Button className="mt-1" onClick={() => setOpen(true)}>
          Show the steps
        </Button>
      ) : (
        <ol className="mt-1 list-decimal space-y-1 pl-6">
          <li>Order at the new seller, and leave what you have running.</li>
          {hosting && tenure.payer.atTheSellers && (
            <li>
              Take your files, the records of the domain and what is in the mailboxes along: all of it is where you
              bought it.
            </li>
          )}
          {hosting && !tenure.payer.atTheSellers && (
            <>
              <li>
                Take your files along:{' '}
                <Link to="/sites/$siteId/online/$orderId/files" params={params} search={{}} className="ink">
                  files
                </Link>
                . What was put up once is the same at any host.
              </li>
              <li>
                Take the records along as a zone file:{' '}
                <Link to="/sites/$siteId/online/$orderId/records" params={params} search={{}} className="ink">
                  records
                </Link>
                . Read them in at the new host.
              </li>
              <li>
                Make the same mail addresses there, and move what is in the old ones with your mail program:{' '}
                <Link to="/sites/$siteId/online/$orderId/mailboxes" params={params} search={{}} className="ink">
                  mail addresses
                </Link>
                .
              </li>
            </>
          )}
          <li>Point the domain at the new host, and wait until all five places see it.</li>
          {domains.map((domain) => (
            <li key={domain.holding}>
              To move <bdi>{domain.name}</bdi> too, have it unlocked
              {tenure.payer.atTheSellers && (
                <>
                  {' '}
                  at <bdi>{domain.seller}</bdi>
                </>
              )}{' '}
              and take its transfer code to the new registrar.
              {!tenure.payer.atTheSellers && <Unlock orderId={tenure.orderId} domain={domain} />}
            </li>
          ))}
          {hosting && <li>Look once more for mail at the old host, then switch off “renews by itself” above.</li>}
        </ol>
      )}
    </section>
  );
}

function Unlock({ orderId, domain }: { orderId: string; domain: Schemas['HadWire'] }) {
  const release = useMutation({
    mutationFn: async () =>
      expect(
        await api.POST('/api/orders/{orderId}/upkeep/release', {
          params: { path: { orderId } },
          body: { holding: domain.holding },
        }),
      ),
  });
  return (
    <span className="block">
      {release.data?.code ? (
        <Announced as="span">
          It is unlocked. Its transfer code: <code className="font-semibold">{release.data.code}</code>. Anyone who has
          the code can move the domain, so give it to the new registrar alone.
        </Announced>
      ) : release.data?.until ? (
        <Announced as="span" className="text-red">
          It came to {domain.seller} too short a while ago: it cannot be moved before {longDay(release.data.until)}.
        </Announced>
      ) : (
        <Button look="text" disabled={release.isPending} onClick={() => release.mutate()}>
          Unlock {domain.name} and show its transfer code
        </Button>
      )}
      {release.error && (
        <Announced as="span" className="text-red block">
          {release.error.message}
        </Announced>
      )}
    </span>
  );
}
