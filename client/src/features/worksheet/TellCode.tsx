import { useState, type FormEvent } from 'react';
import { Refused } from '../../api/wire/client';
import { useShelfChanges } from '../../api/books/shelf';
import { useSite } from '../../api/site/site';
import { Button } from '../../ui/Button';
import { InkPopover } from '../../ui/sheets/Popover';
import { Announced } from '../../ui/said/Announced';

/** A code that a price list of the owner's own does not know: what it takes off is asked there and then. */
export function TellCode({ code }: { code: string }) {
  const { page, books } = useSite();
  const book = books.find((known) => known.id === page.worksheet.candidate.hosting?.book);
  return !book || book.isExample ? null : (
    <span className="block pl-3 text-[13px]">
      <InkPopover words="What does it take off?" label={`What does it take off? The code ${code}`}>
        {(close) => <Told code={code} book={book.id} currency={book.currency} close={close} />}
      </InkPopover>
    </span>
  );
}

function Told({ code, book, currency, close }: { code: string; book: string; currency: string; close: () => void }) {
  const { tellCode } = useShelfChanges();
  const [off, setOff] = useState('');
  const [isPercent, setPercent] = useState(true);
  const [everyBill, setEveryBill] = useState(false);
  const submit = (event: FormEvent) => {
    event.preventDefault();
    const typed = off.trim();
    tellCode.mutate(
      { book, code, percent: isPercent ? typed : null, amount: isPercent ? null : typed, everyBill },
      { onSuccess: close },
    );
  };
  const fault =
    tellCode.error instanceof Refused
      ? tellCode.error.faults.map(({ message }) => message).join(' ') || tellCode.error.message
      : tellCode.error?.message;
  return (
    <form className="flex flex-col gap-2 text-[14px]" onSubmit={submit}>
      <p>
        What does <b>{code}</b> take off the plan’s price?
      </p>
      <p className="flex items-baseline gap-2">
        <input
          aria-label="How much"
          className="border-blue text-blue bg-sheet w-24 rounded border px-2 py-1 font-semibold"
          inputMode="decimal"
          maxLength={12}
          required
          value={off}
          onChange={(event) => setOff(event.target.value)}
        />
        <select
          aria-label="Percent or a sum"
          className="border-blue text-blue bg-sheet rounded border px-2 py-1 font-semibold"
          value={isPercent ? 'percent' : 'amount'}
          onChange={(event) => setPercent(event.target.value === 'percent')}
        >
          <option value="percent">percent</option>
          <option value="amount">{currency}</option>
        </select>
      </p>
      <label className="flex gap-2">
        <input type="checkbox" checked={everyBill} onChange={(event) => setEveryBill(event.target.checked)} />
        on every bill, not only the first
      </label>
      <p>
        <Button type="submit" aria-disabled={tellCode.isPending}>
          Use the code
        </Button>
      </p>
      {fault && <Announced className="text-red">{fault}</Announced>}
    </form>
  );
}
