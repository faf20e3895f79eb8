import { useState, type FormEvent } from 'react';
import type { Schemas } from '../../api/wire/client';
import { useShelfChanges } from '../../api/books/shelf';
import { needTitle, numberNeeds, wantedWords } from '../../format/needs';
import { Button } from '../Button';
import { InkPopover } from '../sheets/Popover';
import { Announced } from './Announced';

type NeedFit = Schemas['NeedFitWire'];

/** What a seller's page did not say, answered in place: it goes into the owner's own price list. */
export function TellLimit({ fit, book, plan }: { fit: NeedFit; book: string; plan: string }) {
  const isNumber = numberNeeds.includes(fit.need);
  if (!isNumber && !['certificate', 'installer', 'ownIp'].includes(fit.need)) {
    return null;
  }

  return (
    <span className="ml-1.5">
      <InkPopover words="say it" label={`Say it: ${needTitle(fit)}, which the seller’s page doesn’t say`}>
        {(close) => <Answer fit={fit} book={book} plan={plan} isNumber={isNumber} close={close} />}
      </InkPopover>
    </span>
  );
}

function Answer({
  fit,
  book,
  plan,
  isNumber,
  close,
}: {
  fit: NeedFit;
  book: string;
  plan: string;
  isNumber: boolean;
  close: () => void;
}) {
  const { tellLimit } = useShelfChanges();
  const [typed, setTyped] = useState('');
  const tell = (value: unknown) => tellLimit.mutate({ book, plan, limit: fit.need, value }, { onSuccess: close });
  const submit = (event: FormEvent) => {
    event.preventDefault();
    tell(/^\d+(\.\d+)?$/.test(typed.trim()) ? Number(typed) : typed.trim());
  };
  return (
    <form className="flex flex-col gap-2 text-[14px]" onSubmit={submit}>
      <p>
        The seller’s page doesn’t say: <b>{needTitle(fit)}</b>. You need {wantedWords(fit) || 'it'}.
      </p>
      <p className="flex flex-wrap gap-2">
        <Button onClick={() => tell(fit.wants)}>{isNumber ? 'It’s enough' : 'It has it'}</Button>
        {!isNumber && <Button onClick={() => tell(fit.need === 'certificate' ? 'none' : false)}>It doesn’t</Button>}
        <Button look="text" onClick={close}>
          I’ll check
        </Button>
      </p>
      {isNumber && (
        <label className="flex flex-wrap items-baseline gap-2">
          or this many:
          <input
            className="border-blue text-blue bg-sheet w-24 rounded border px-2 py-1 font-semibold"
            inputMode="decimal"
            maxLength={12}
            value={typed}
            onChange={(event) => setTyped(event.target.value)}
          />
          <Button type="submit" look="text" aria-disabled={typed.trim() === ''}>
            Save
          </Button>
        </label>
      )}
      {tellLimit.error && <Announced className="text-red">{tellLimit.error.message}</Announced>}
    </form>
  );
}
