import { useQuery } from '@tanstack/react-query';
import { keys } from '../../api/wire/keys';
import { useState } from 'react';
import { api, expect, type Schemas } from '../../api/wire/client';
import { shortDay } from '../../format/dates';
import { money } from '../../format/money';
import { Button } from '../../ui/Button';
import { cx } from '../../ui/cx';
import { Dialog } from '../../ui/sheets/Dialog';
import { Awaited } from '../../ui/said/Waiting';
import { SumForm } from './WasItTaken';
import type { Tenure } from './upkeep';
import { Announced } from '../../ui/said/Announced';

type Movement = Schemas['MovementWire'];

const shown = 6;

/** What was charged, held against what was due; what was taken beyond it, and a letter about that. */
export function Charges({ tenure }: { tenure: Tenure }) {
  const [all, setAll] = useState(false);
  const { movements, overcharged } = tenure;
  return movements.length === 0 ? null : (
    <section className="mt-6" aria-label="What was charged">
      <h3 className="text-lg">What was charged</h3>
      <p className="text-soft text-sm">Type a sum from your statement, and see whether it is what was due.</p>
      <ul className="mt-1">
        {(all ? movements : movements.slice(0, shown)).map((movement) => (
          <MovementRow key={movement.line} tenure={tenure} movement={movement} />
        ))}
      </ul>
      {movements.length > shown && (
        <Button look="text" className="mt-1 text-sm" onClick={() => setAll(!all)}>
          {all ? 'Only the newest' : `All ${movements.length}`}
        </Button>
      )}
      {overcharged.map((seller) => (
        <p key={seller.book} className="border-red mt-2 border-l-2 pl-3">
          <span className="text-red">
            <bdi>{seller.seller}</bdi> took <b>{money(seller.amount, seller.currency)}</b> beyond what was due.
          </span>{' '}
          <Letter tenure={tenure} seller={seller} />
        </p>
      ))}
    </section>
  );
}

function MovementRow({ tenure, movement }: { tenure: Tenure; movement: Movement }) {
  const [typing, setTyping] = useState(false);
  const [why, setWhy] = useState(false);
  const { seen, over } = movement;
  const tooMuch = over !== null && !over.startsWith('-');
  return (
    <li className="odd:bg-band px-2.5 py-1.5">
      <div className="flex flex-wrap gap-x-3">
        <span className="text-soft w-24 flex-none">{shortDay(movement.on)}</span>
        <span className="min-w-40 grow basis-0">
          <bdi>{movement.seller}</bdi>
          <span className="text-soft block text-[13px]">
            <bdi>{movement.what}</bdi>
          </span>
        </span>
        <span className="text-right">
          {money(movement.due, movement.currency)}
          <span className="text-soft block text-[13px]">{movement.cameBack ? 'was to come' : 'was due'}</span>
        </span>
      </div>
      {typing ? (
        <SumForm tenure={tenure} movement={movement} close={() => setTyping(false)} />
      ) : (
        <div className="flex flex-wrap gap-x-4 text-sm">
          {seen === null ? (
            <span className="text-soft">not compared</span>
          ) : over === null ? (
            <span className="text-green">
              that is what {movement.cameBack ? 'came' : 'was taken'}
              {movement.statement !== null && ', by your statement'}
            </span>
          ) : (
            <span className={cx(tooMuch ? 'text-red' : 'text-green')}>
              {money(seen, movement.currency)} {movement.cameBack ? 'came' : 'was taken'}:{' '}
              {money(tooMuch ? over : over.slice(1), movement.currency)}{' '}
              {tooMuch === movement.cameBack ? 'less' : 'more'}
            </span>
          )}
          {over !== null && !movement.cameBack && (
            <Button look="text" onClick={() => setWhy(!why)} aria-expanded={why}>
              Why?<span className="sr-only"> {shortDay(movement.on)}</span>
            </Button>
          )}
          <Button look="text" onClick={() => setTyping(true)}>
            {seen === null ? 'Type the sum' : 'Change it'}
            <span className="sr-only">
              {' '}
              of {movement.seller}, {shortDay(movement.on)}
            </span>
          </Button>
        </div>
      )}
      {why && over !== null && <Reasons tenure={tenure} movement={movement} />}
    </li>
  );
}

function Reasons({ tenure, movement }: { tenure: Tenure; movement: Movement }) {
  const why = useQuery({
    queryKey: keys.why(tenure.orderId, movement.line, movement.seen),
    queryFn: async () => {
      const answer = await api.GET('/api/orders/{orderId}/upkeep/charges/{line}/why', {
        params: { path: { orderId: tenure.orderId, line: movement.line } },
      });
      return answer.response.status === 204 ? null : expect(answer);
    },
  });
  if (why.data === undefined) {
    return <Awaited query={why} for="Trying what could be different" />;
  }

  return why.data && why.data.explanations.length > 0 ? (
    <ul className="text-sm">
      {why.data.explanations.slice(0, 3).map(({ words }) => (
        <li key={words.join()} className="border-rule my-1 border-l-2 pl-3">
          <bdi>{words.join(' And: ')}</bdi>
        </li>
      ))}
    </ul>
  ) : (
    <p className="text-sm">
      Nothing that we know of gives exactly that sum. Compare the lines of their receipt with <bdi>{movement.what}</bdi>
      , one by one.
    </p>
  );
}

/** Figures and dates in it, to be pasted into a mail. */
function Letter({ tenure, seller }: { tenure: Tenure; seller: Schemas['OverchargedWire'] }) {
  const [open, setOpen] = useState(false);
  const [copied, setCopied] = useState(false);
  const letter = useQuery({
    queryKey: keys.letter(tenure.orderId, seller.book, tenure.version),
    queryFn: async () =>
      expect(
        await api.GET('/api/orders/{orderId}/upkeep/letter/{book}', {
          params: { path: { orderId: tenure.orderId, book: seller.book } },
        }),
      ),
    enabled: open,
  });
  return (
    <>
      <Button look="text" onClick={() => setOpen(true)}>
        A letter to {seller.seller}
      </Button>
      <Dialog open={open} onOpenChange={setOpen} title={`A letter to ${seller.seller}`}>
        {letter.data ? (
          <>
            <pre className="border-rule bg-sheet border p-3 font-sans whitespace-pre-wrap">{letter.data.text}</pre>
            <p className="mt-2 flex gap-4">
              <Button
                look="main"
                onClick={() => void navigator.clipboard.writeText(letter.data.text).then(() => setCopied(true))}
              >
                Copy it
              </Button>
              {copied && (
                <Announced as="span" className="text-green self-center">
                  copied
                </Announced>
              )}
            </p>
          </>
        ) : (
          <Awaited query={letter} for="Writing it" />
        )}
      </Dialog>
    </>
  );
}
