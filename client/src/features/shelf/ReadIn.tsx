import { useState, type DragEvent } from 'react';
import { Refused, type Fault } from '../../api/client';
import { lookAt, useShelfChanges, type BookLook } from '../../api/shelf';
import { change as changeAmount, sumMoney } from '../../format/money';
import { Button } from '../../ui/Button';
import { cx } from '../../ui/cx';
import { Cell, Head, Heads, Row, Table } from '../../ui/Table';
import { changeWords } from './words';

/** As much as the server reads. */
const largest = 1 << 20;

type Known = BookLook & { book: NonNullable<BookLook['book']> };
type Read = { name: string; text: string; look: Known } | { name: string; faults: Fault[] };

/** A file dropped or picked: looked at first, with all that is wrong with it or that it changes; taken when the owner says so. */
export function ReadIn() {
  const [read, setRead] = useState<Read | null>(null);
  const [isOver, setOver] = useState(false);
  const receive = async (file: File | undefined) => {
    if (file) {
      setRead(await readFile(file));
    }
  };

  const drop = (event: DragEvent) => {
    event.preventDefault();
    setOver(false);
    void receive(event.dataTransfer.files[0]);
  };

  return (
    <section
      aria-label="Read in a price list"
      className={cx('border-blue mt-4 rounded border border-dashed px-4 py-3', isOver && 'bg-band')}
      onDragOver={(event) => {
        event.preventDefault();
        setOver(true);
      }}
      onDragLeave={() => setOver(false)}
      onDrop={drop}
    >
      <label className="flex flex-wrap items-baseline gap-x-3 gap-y-1">
        <span className="font-semibold">Read in a price list</span>
        <input
          type="file"
          accept=".json,application/json"
          className="text-blue max-w-full text-[14px]"
          onChange={(event) => {
            void receive(event.target.files?.[0]);
            event.target.value = '';
          }}
        />
        <span className="text-soft text-[13.5px]">
          or drop it here: an offer book as JSON, in the{' '}
          <a className="ink" href="/api/offer-book.schema.json">
            format described here
          </a>
          . Nothing is kept until you take it.
        </span>
      </label>
      <div aria-live="polite">
        {read && ('faults' in read ? <Faults read={read} /> : <Looked read={read} close={() => setRead(null)} />)}
      </div>
    </section>
  );
}

async function readFile(file: File): Promise<Read> {
  if (file.size > largest) {
    return { name: file.name, faults: [ours(`This file has ${file.size} bytes; at most ${largest} are read.`)] };
  }

  try {
    const text = await file.text();
    const flaw = flawOf(text);
    if (flaw) {
      return { name: file.name, faults: [ours(flaw)] };
    }

    const look = await lookAt(text);
    const { book, faults } = look;
    return book ? { name: file.name, text, look: { ...look, book } } : { name: file.name, faults };
  } catch (error) {
    const faults =
      error instanceof Refused && error.faults.length > 0 ? error.faults : [ours((error as Error).message)];
    return { name: file.name, faults };
  }
}

/** Why a text is no JSON at all; null where it is. */
function flawOf(text: string): string | null {
  try {
    JSON.parse(text);
    return null;
  } catch (error) {
    return `This is not JSON: ${(error as Error).message}. An offer book is a JSON file.`;
  }
}

const ours = (message: string): Fault => ({ code: 'unreadable', where: '', message });

function Faults({ read: { name, faults } }: { read: { name: string; faults: Fault[] } }) {
  return (
    <div role="alert" className="border-red mt-3 border-l-2 pl-3">
      <p className="text-red font-semibold">
        <bdi>{name}</bdi> was not taken: {faults.length === 1 ? 'one thing is' : `${faults.length} things are`} wrong in
        it.
      </p>
      <ul className="mt-1 max-h-60 overflow-auto text-[14px]">
        {faults.map((fault) => (
          <li key={fault.where + fault.code}>
            {fault.where && <code className="text-soft mr-2 break-all">{fault.where}</code>}
            {fault.message}
          </li>
        ))}
      </ul>
    </div>
  );
}

function Looked({
  read: { name, text, look },
  close,
}: {
  read: { name: string; text: string; look: Known };
  close: () => void;
}) {
  const { take } = useShelfChanges();
  const { book, standing, changes, effects } = look;
  return (
    <div className="mt-3 text-[14px]">
      <p className="font-semibold">
        <bdi>{name}</bdi>: {standingWords(standing)} <bdi>{book.provider}</bdi>
        {standing !== 'same' && `, with ${book.plans.length} plans and ${book.domains.length} endings`}.
      </p>
      {standing === 'newer' && (
        <ul className="mt-1 list-disc pl-5">
          {changes.length === 0 && <li>No price and no rule differs: only words do.</li>}
          {changes.map((change) => (
            <li
              key={change.part + change.ref + change.kind}
              className={cx(
                (change.kind === 'dearer' || change.kind === 'gone' || change.kind === 'no-longer-stated') &&
                  'text-red',
                change.kind === 'cheaper' && 'text-green',
              )}
            >
              {changeWords(change)}
            </li>
          ))}
        </ul>
      )}
      {standing === 'newer' && <Effects effects={effects} />}
      {take.error && (
        <p role="alert" className="text-red mt-1">
          {take.error.message}
        </p>
      )}
      <div className="mt-2 flex gap-4">
        {standing !== 'same' && (
          <Button look="main" disabled={take.isPending} onClick={() => take.mutate(text, { onSuccess: close })}>
            {standing === 'new' ? 'Put it on the shelf' : 'Take the newer prices'}
          </Button>
        )}
        <Button onClick={close}>{standing === 'same' ? 'Close' : 'Leave it'}</Button>
      </div>
    </div>
  );
}

const standingWords = (standing: BookLook['standing']) =>
  ({
    new: 'a price list you do not have yet, from',
    newer: 'other prices from',
    same: 'exactly what you already have from',
  })[standing];

/** What the newer prices do to each candidate that buys there. */
function Effects({ effects }: { effects: BookLook['effects'] }) {
  return effects.length === 0 ? (
    <p className="mt-1">No candidate of yours buys there.</p>
  ) : (
    <Table caption="What this does to your candidates" shown className="mt-2">
      <Heads>
        <Head>Candidate</Head>
        <Head figures>Now</Head>
        <Head figures>Then</Head>
        <Head figures>Change</Head>
      </Heads>
      <tbody>
        {effects.map((effect) => (
          <Row
            key={effect.site + effect.letter}
            label={
              <bdi>
                {effect.letter} of {effect.site}
              </bdi>
            }
          >
            <Cell figures>{effect.before ? sumMoney(effect.before, effect.currency!) : 'not complete'}</Cell>
            <Cell figures>
              {effect.after ? sumMoney(effect.after, effect.currency!) : 'cannot be worked out any more'}
            </Cell>
            <Cell figures>{effect.change ? changeAmount(effect.change, effect.currency!) : 'not known'}</Cell>
          </Row>
        ))}
      </tbody>
    </Table>
  );
}
