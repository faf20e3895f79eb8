import { useMutation, useQuery } from '@tanstack/react-query';
import { keys } from '../../../api/wire/keys';
import { Link } from '@tanstack/react-router';
import { api, expect, type Order, type Schemas } from '../../../api/wire/client';
import { longDay } from '../../../format/dates';
import { Button } from '../../../ui/Button';
import { Announced } from '../../../ui/said/Announced';

/** What the registry still wants of the holder: the address confirmed, counted down, or the name is stopped. */
export function HolderChecks({ order }: { order: Order }) {
  const params = { path: { orderId: order.id } };
  const checks = useQuery({
    queryKey: keys.holders(order.id),
    queryFn: async () => expect(await api.GET('/api/orders/{orderId}/holders', { params })),
    refetchOnWindowFocus: true,
    refetchInterval: 20_000,
  }).data;
  return checks
    ?.filter((check) => !check.isConfirmed)
    .map((check) => <HolderCheck key={check.domain} orderId={order.id} siteId={order.siteId} check={check} />);
}

function HolderCheck({
  orderId,
  siteId,
  check,
}: {
  orderId: string;
  siteId: string;
  check: Schemas['HolderCheckWire'];
}) {
  const written = useMutation({
    mutationFn: async () => {
      const answer = await api.POST('/api/orders/{orderId}/holders/{domain}/write', {
        params: { path: { orderId, domain: check.domain } },
      });
      return answer.error ? expect<never>(answer) : true;
    },
  });
  return (
    <div className="no-print border-red mt-3 max-w-3xl border-l-2 pl-3">
      <p className="text-red font-semibold">
        {check.isStopped
          ? `The registry has stopped ${check.domain}: its holder’s address was not confirmed by ${longDay(check.until)}.`
          : `Confirm the holder’s address of ${check.domain} by ${longDay(check.until)}: ${check.daysLeft === 0 ? 'today is the last day' : `${check.daysLeft} ${check.daysLeft === 1 ? 'day' : 'days'} left`}.`}
      </p>
      <p>
        {check.isStopped
          ? 'Once it is confirmed the name works again.'
          : 'Otherwise the registry suspends the name, and your site and email stop working.'}{' '}
        The registrar wrote to {check.mail}; look at{' '}
        <Link to="/sites/$siteId/mail" params={{ siteId }} search={{}} className="ink">
          Mail
        </Link>{' '}
        and open its link.{' '}
        {written.data ? (
          <Announced as="span">The mail was sent again.</Announced>
        ) : (
          <Button look="text" disabled={written.isPending} onClick={() => written.mutate()}>
            Send the mail again
          </Button>
        )}
      </p>
      {written.error && <Announced className="text-red">{written.error.message}</Announced>}
    </div>
  );
}
