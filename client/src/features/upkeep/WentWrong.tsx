import { api, carriedOut } from '../../api/wire/client';
import { Button } from '../../ui/Button';
import { useChange, type Tenure } from './upkeep';
import { Announced } from '../../ui/said/Announced';

/** What is held up: who did not answer, and trying again. Nothing is lost meanwhile. */
export function WentWrong({ tenure }: { tenure: Tenure }) {
  const again = useChange(async () =>
    carriedOut(await api.POST('/api/orders/{orderId}/upkeep/again', { params: { path: { orderId: tenure.orderId } } })),
  );
  return tenure.problem ? (
    <Announced as="div" className="border-red mt-2 max-w-3xl border-l-2 pl-3">
      <p className="text-red">
        {tenure.problem} Nothing is lost and nothing is charged twice: the day stands still here until it is carried
        out, and that is tried again by itself.
      </p>
      <Button className="mt-1" disabled={again.isPending} onClick={() => again.mutate()}>
        Try again now
      </Button>
    </Announced>
  ) : null;
}
