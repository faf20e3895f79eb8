import { useState, type ReactNode } from 'react';
import { Button } from '../Button';
import { Dialog } from '../sheets/Dialog';

const pages = [
  ['Needs', 'short questions about your site; plans that don’t fit drop out'],
  ['Scan', 'every way to buy, by what it costs today or over the years'],
  ['Worksheet', 'one choice in full: plan, domain, extras, and what you pay when'],
  ['Compare', 'your shortlist side by side'],
  ['Domain', 'find a name, or bring one you have'],
  ['Shelf', 'the sellers’ price lists: paste a page, or correct a price'],
  ['Orders', 'what you ordered, each with its key sheet: where to log in'],
  ['Online', 'put up a first page, files, email or a site engine'],
  ['Upkeep', 'the next bills and renewals, and what a change would cost'],
  ['Mail', 'what we and the sellers wrote to you'],
] as const;

/** Help, in the same place on every page. */
export function Help() {
  const [open, setOpen] = useState(false);
  return <HelpSheet open={open} onOpenChange={setOpen} />;
}

/** The button and what it opens, for a page that opens it by a key too. */
export function HelpSheet({
  open,
  onOpenChange,
  children,
}: {
  open: boolean;
  onOpenChange: (open: boolean) => void;
  children?: ReactNode;
}) {
  return (
    <>
      <Button look="text" className="text-sm" onClick={() => onOpenChange(true)}>
        Help
      </Button>
      <Dialog open={open} onOpenChange={onOpenChange} title="Help">
        <h3 className="text-lg">How it works</h3>
        <ul className="mt-1 list-disc pl-5">
          <li>Start from your needs, a seller’s page or a name. The worksheet adds up what that costs, and when.</li>
          <li>Words in blue can be pressed or changed. Press a figure to see the lines it is made of.</li>
          <li>Nothing is bought before you press “Order” on the order page, which shows the sum once more.</li>
          <li>If an order stops, its page under Orders says why: you can try again or call it off.</li>
        </ul>
        <h3 className="mt-4 text-lg">What each page is for</h3>
        <dl className="mt-1 grid grid-cols-[6rem_minmax(0,1fr)] gap-x-3">
          {pages.map(([name, what]) => (
            <div key={name} className="contents">
              <dt className="font-semibold">{name}</dt>
              <dd>{what}</dd>
            </div>
          ))}
        </dl>
        {children}
      </Dialog>
    </>
  );
}
