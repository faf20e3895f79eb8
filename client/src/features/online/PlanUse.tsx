import type { Schemas } from '../../api/wire/client';
import { moreOrLess } from '../../format/money';

/** How much of a plan is used up, and which plan would allow more. */
export function PlanUse({ use, of }: { use: Schemas['PlanUseWire'] | null | undefined; of: string }) {
  if (!use) {
    return null;
  }

  const { more } = use;
  const dearer = more && moreOrLess(more.dearerPerMonth, more.currency);
  return (
    <p className="text-soft mt-2 text-sm">
      {!use.isStated
        ? `${use.used} ${of} used; the price list does not say how many the plan allows.`
        : use.allowed === null
          ? `${use.used} ${of} used; the plan sets no limit.`
          : `${use.used} of ${use.allowed} ${of} used.`}{' '}
      {use.isStated && !use.hasRoom && dearer && (
        <>
          <bdi>{more.name}</bdi> allows {more.allowed ?? 'any number'} and costs {dearer.sum} {dearer.word} a month at
          the later price.
        </>
      )}
    </p>
  );
}
