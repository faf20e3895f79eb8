import { Link } from '@tanstack/react-router';
import { useSite } from '../../api/site/site';
import { BillsThroughTime } from './BillsThroughTime';
import { ChangeLater } from './ChangeLater';
import { EmptyStart } from './EmptyStart';
import { Ledger } from './Ledger';
import { PlanDialog } from './plans/PlanDialog';
import { Sentence } from './Sentence';
import { Shortlist } from './Shortlist';
import { StopEarly } from './StopEarly';
import { TakeAway } from './TakeAway';
import { UndoRedo } from './UndoRedo';

/** One candidate worked out: the shortlist across the top, the sentence, the ledger, time. */
export function WorksheetPage() {
  const { page } = useSite();
  const { worksheet } = page;
  return (
    <>
      <title>{`Worksheet ${worksheet.letter} · ${page.name} · Home Start`}</title>
      <Shortlist />
      <PlanDialog />
      <h1 className="sr-only">Worksheet of candidate {worksheet.letter}</h1>
      <div className="flex flex-wrap items-start gap-x-6">
        <div className="min-w-0 grow basis-[30rem]">{worksheet.costing ? <Sentence /> : <EmptyStart />}</div>
        <div className="no-print my-3 flex gap-3.5 text-[13.5px]">
          <UndoRedo />
          <TakeAway />
          {worksheet.costing && (
            <Link
              to="/sites/$siteId/slip"
              params={{ siteId: page.id }}
              search={{ view: worksheet.letter }}
              className="ink"
            >
              Buy it yourself
            </Link>
          )}
        </div>
      </div>
      <Ledger />
      {worksheet.timeline && worksheet.costing && (
        <BillsThroughTime costing={worksheet.costing} timeline={worksheet.timeline} />
      )}
      {worksheet.costing && worksheet.candidate.hosting && (
        <>
          <ChangeLater />
          <StopEarly />
        </>
      )}
    </>
  );
}
