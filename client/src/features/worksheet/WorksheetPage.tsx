import { useEffect } from 'react';
import { useSite } from '../site/SiteContext';
import { BillsThroughTime } from './BillsThroughTime';
import { EmptyStart } from './EmptyStart';
import { Ledger } from './Ledger';
import { Sentence } from './Sentence';
import { Shortlist } from './Shortlist';

/** One candidate worked out: the shortlist across the top, the sentence, the ledger, time. */
export function WorksheetPage() {
  const { page, changes } = useSite();
  const { worksheet } = page;
  const { change } = changes;

  useEffect(() => {
    const onKey = (event: KeyboardEvent) => {
      const typing = event.target instanceof HTMLElement && /^(INPUT|SELECT|TEXTAREA)$/.test(event.target.tagName);
      if (!typing && (event.ctrlKey || event.metaKey) && event.key.toLowerCase() === 'z') {
        event.preventDefault();
        change({ kind: event.shiftKey ? 'redo' : 'undo' });
      }
    };
    window.addEventListener('keydown', onKey);
    return () => window.removeEventListener('keydown', onKey);
  }, [change]);

  return (
    <>
      <title>{`Worksheet ${worksheet.letter} · ${page.name} · Home Start`}</title>
      <Shortlist />
      <h1 className="sr-only">Worksheet of candidate {worksheet.letter}</h1>
      {worksheet.costing ? <Sentence /> : <EmptyStart />}
      <Ledger />
      {worksheet.timeline && worksheet.costing && (
        <BillsThroughTime costing={worksheet.costing} timeline={worksheet.timeline} />
      )}
    </>
  );
}
