import { useState } from 'react';
import { Button } from '../../ui/Button';
import { Download } from '../../ui/Download';
import { InkPopover } from '../../ui/sheets/Popover';
import { useSite } from '../../api/site/site';
import { ShareSheet } from '../../ui/sheets/ShowSomebody';

/** The worksheet on paper, as a PDF, or as a table for a spreadsheet. */
export function TakeAway() {
  const { page } = useSite();
  const { letter, costing } = page.worksheet;
  const path = `/api/sites/${page.id}/candidates/${letter}`;
  const [isShowing, setShowing] = useState(false);
  return costing ? (
    <>
      <InkPopover words="Take away" label={`Take away: ${letter} in print, PDF, CSV`}>
        {(close) => (
          <ul className="flex flex-col gap-1.5">
            <li>
              <Button
                look="text"
                onClick={() => {
                  close();
                  // The small sheet has to be gone before the page is printed.
                  setTimeout(() => window.print());
                }}
              >
                Print this page
              </Button>
            </li>
            <li>
              <Button
                look="text"
                onClick={() => {
                  close();
                  setShowing(true);
                }}
              >
                A link to show somebody
              </Button>
            </li>
            <Download href={`${path}/worksheet.pdf`}>One page as PDF</Download>
            <Download href={`${path}/bills.csv`}>Bills as CSV, for programs</Download>
            <Download href={`${path}/bills.csv?style=en-GB`}>Bills as CSV, British style</Download>
            <Download href={`${path}/ledger.csv`}>Ledger as CSV, for programs</Download>
            <Download href={`${path}/ledger.csv?style=en-GB`}>Ledger as CSV, British style</Download>
          </ul>
        )}
      </InkPopover>
      <ShareSheet
        shown={{ what: 'worksheet', of: page.id, letter }}
        name={`candidate ${letter}`}
        open={isShowing}
        onOpenChange={setShowing}
      />
    </>
  ) : null;
}
