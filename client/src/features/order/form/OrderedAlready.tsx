import { Link } from '@tanstack/react-router';
import type { Schemas } from '../../../api/wire/client';
import { useSite } from '../../../api/site/site';
import { longDay } from '../../../format/dates';
import { Button } from '../../../ui/Button';
import { Announced } from '../../../ui/said/Announced';

/** The same was ordered a short while ago: said before anything is filled in. */
export function OrderedAlready({ like, again }: { like: Schemas['LikeOrderWire']; again: () => void }) {
  const { page } = useSite();
  return (
    <Announced as="div" className="border-red mt-4 border-l-2 pl-3">
      <p>
        You ordered this on {longDay(like.placedOn)}: it is order <b>{like.reference}</b>. Ordering it again means
        paying for all of it twice.
      </p>
      <p className="mt-2 flex flex-wrap items-center gap-4">
        <Link
          to="/sites/$siteId/orders/$orderId"
          params={{ siteId: page.id, orderId: like.id }}
          search={{ view: page.worksheet.letter }}
          className="ink"
        >
          Look at that order
        </Link>
        <Button onClick={again}>Order it a second time</Button>
      </p>
    </Announced>
  );
}
