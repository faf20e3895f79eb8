import { Link } from '@tanstack/react-router';
import type { Fault } from '../../api/wire/client';
import { useSite } from '../../api/site/site';

const cures = {
  'choose-plan': ['/sites/$siteId/worksheet', 'Choose a plan'],
  'choose-domain': ['/sites/$siteId/domain', 'Go to the domain'],
  'change-needs': ['/sites/$siteId/needs', 'Change what you need'],
  'type-rate': ['/sites/$siteId/worksheet', 'Type the rate: it stands above the worksheet, beside the currency'],
  'take-off': ['/sites/$siteId/worksheet', 'Take something off'],
  'look-at-price-lists': ['/sites/$siteId/shelf', 'Look at the price lists'],
  'buy-there': ['/sites/$siteId/slip', 'See how to buy it there'],
} as const satisfies Record<NonNullable<Fault['cure']>, readonly [string, string]>;

/** The way to what mends a fault, where one page does. */
export function MendIt({ faults }: { faults: readonly Fault[] }) {
  const { page } = useSite();
  const cure = faults.find((fault) => fault.cure)?.cure;
  if (!cure) {
    return null;
  }

  const [to, words] = cures[cure];
  return (
    <Link to={to} params={{ siteId: page.id }} search={{ view: page.worksheet.letter }} className="ink">
      {words}
    </Link>
  );
}
