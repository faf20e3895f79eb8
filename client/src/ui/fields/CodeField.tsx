import { useId, useState, type FormEvent } from 'react';
import { faultsOf } from '../../api/wire/faults';
import { useSite } from '../../api/site/site';
import { Button } from '../Button';
import { Announced } from '../said/Announced';

/** A place to try a code, wherever a price stands. What was typed goes once the code is entered. */
export function CodeField({ id }: { id?: string }) {
  return <Typed key={useCodes().length} id={id} />;
}

function Typed({ id }: { id?: string }) {
  const { page, changes } = useSite();
  const own = useId();
  const [code, setCode] = useState('');
  const [fault, setFault] = useState<string>();
  const enter = async (event: FormEvent) => {
    event.preventDefault();
    setFault(undefined);
    if (code.trim()) {
      await changes
        .changeAsync({ kind: 'enter-code', letter: page.worksheet.letter, code })
        .catch((error: unknown) => setFault(faultsOf(error)[0]?.message));
    }
  };
  return (
    <form onSubmit={(event) => void enter(event)} className="no-print flex flex-wrap items-baseline gap-x-2">
      <input
        id={id ?? own}
        aria-label="A code to try"
        aria-invalid={fault ? true : undefined}
        aria-describedby={fault ? `${own}-fault` : undefined}
        placeholder="A code to try"
        maxLength={60}
        autoComplete="off"
        className="border-blue text-blue placeholder:text-soft w-28 max-w-40 grow border-b border-dotted bg-transparent font-semibold placeholder:font-normal"
        value={code}
        onChange={(event) => setCode(event.target.value)}
      />
      <Button type="submit" look="text">
        Try it
      </Button>
      {fault && (
        <Announced as="span" id={`${own}-fault`} className="text-red w-full text-[13px]">
          {fault}
        </Announced>
      )}
    </form>
  );
}

/** The codes entered, in few words: the worksheet has a row for each. */
export function CodesEntered() {
  const { page, change } = useSite();
  const { letter, costing } = page.worksheet;
  return useCodes().map((code) => {
    const verdict = costing?.codes.find((known) => known.code === code);
    return (
      <span key={code} className="text-[13.5px]">
        The code <bdi className="font-semibold">{code}</bdi>{' '}
        {verdict
          ? verdict.saves
            ? 'counts for the plan chosen now'
            : 'does not count for the plan chosen now'
          : 'counts where a seller knows it'}
        :{' '}
        <Button look="text" onClick={() => change({ kind: 'drop-code', letter, code })}>
          take it off<span className="sr-only">: {code}</span>
        </Button>
      </span>
    );
  });
}

function useCodes(): string[] {
  const { candidate } = useSite().page.worksheet;
  return [...(candidate.hosting?.codes ?? []), ...candidate.domains.flatMap((domain) => domain.codes)];
}
