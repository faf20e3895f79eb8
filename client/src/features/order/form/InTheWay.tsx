import { Link } from '@tanstack/react-router';
import type { ReactNode } from 'react';
import { useSite } from '../../../api/site/site';
import { Button } from '../../../ui/Button';
import { NextName } from '../placed/NextName';
import type { Hindrance } from './usePlacing';
import { Announced } from '../../../ui/said/Announced';

/** What stands in the way of an order, and the ways out. */
export function InTheWay({
  hindrance,
  orderAgain,
  askAgain,
}: {
  hindrance: Exclude<Hindrance, { kind: 'unconfirmed' }>;
  orderAgain: () => void;
  askAgain: () => void;
}) {
  const { page } = useSite();
  const box = (words: string, actions?: ReactNode) => (
    <Announced
      as="div"
      className="border-red text-red mt-4 flex flex-wrap items-baseline gap-x-4 gap-y-1 border-l-2 pl-3"
    >
      <p>{words}</p>
      {actions}
    </Announced>
  );
  switch (hindrance.kind) {
    case 'repeated':
      return box(
        hindrance.words,
        <>
          <Link to="/sites/$siteId/orders" params={{ siteId: page.id }} search={{}} className="ink">
            Look at your orders
          </Link>
          <Button look="text" onClick={orderAgain}>
            Order it a second time
          </Button>
        </>,
      );
    case 'gone':
      return box(hindrance.words, <NextName />);
    case 'lost':
      return box(
        'The connection was lost before an answer came: the order may have been placed. Do not order it anywhere else before you know.',
        <Button look="text" onClick={askAgain}>
          Ask what became of it
        </Button>,
      );
    default:
      return box(hindrance.words);
  }
}
