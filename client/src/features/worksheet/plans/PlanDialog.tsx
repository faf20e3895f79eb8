import { useQuery } from '@tanstack/react-query';
import { lazy, Suspense } from 'react';
import { plansQuery } from '../../../api/wire/queries';
import { useSite } from '../../../api/site/site';
import { span } from '../../../format/words';
import { Dialog } from '../../../ui/sheets/Dialog';
import { Awaited, Waiting } from '../../../ui/said/Waiting';
import { plansSheet, useSheet } from '../sheet';

const Plans = lazy(() => import('./Plans'));
const working = 'Working every plan out';

/** Every plan of every seller, paid in one of the ways there are, side by side. */
export function PlanDialog() {
  const { page } = useSite();
  const { sheet, close } = useSheet();
  const open = sheet === plansSheet;
  const over = span(page.settings.horizonMonths);
  return (
    <Dialog
      open={open}
      onOpenChange={close}
      wide
      title={`Choose a plan for ${page.worksheet.letter}`}
      about={`What each plan costs over ${over}, ${page.settings.countTax ? 'with tax' : 'without tax'}, with the domain, extras and codes you have chosen where the seller has them.`}
    >
      {open && (
        <Suspense fallback={<Waiting for={working} />}>
          <Loaded />
        </Suspense>
      )}
    </Dialog>
  );
}

function Loaded() {
  const { page, change } = useSite();
  const { close } = useSheet();
  const { letter } = page.worksheet;
  const plans = useQuery(plansQuery(page.id, page.revision, letter));
  return plans.data ? (
    <Plans
      ways={plans.data.ways}
      choose={({ book, plan, everyMonths, commitMonths }) => {
        change({ kind: 'choose-plan', letter, book, plan, everyMonths, commitMonths });
        close();
      }}
    />
  ) : (
    <Awaited query={plans} for={working} />
  );
}
