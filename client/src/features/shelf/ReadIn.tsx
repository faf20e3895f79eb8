import { Link } from '@tanstack/react-router';
import { useState, type DragEvent } from 'react';
import { Refused, type Fault } from '../../api/wire/client';
import { lookAt } from '../../api/books/shelf';
import { useSite } from '../../api/site/site';
import { cx } from '../../ui/cx';
import { Faults } from './Faults';
import { TakeIt, type KnownLook } from './TakeIt';
import { Announced } from '../../ui/said/Announced';

/** As much as the server reads. */
const largest = 1 << 20;

type Broken = { name: string; faults: Fault[]; document?: unknown };
type Read = { name: string; text: string; look: KnownLook } | Broken;

/**
 * A file dropped or picked: looked at first, with all that is wrong with it or that it changes; taken when the owner
 * says so.
 */
export function ReadIn() {
  const { page } = useSite();
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
          or drop it here: a price list as JSON,{' '}
          <Link to="/sites/$siteId/shelf/format" params={{ siteId: page.id }} className="ink">
            written like this
          </Link>
          . Nothing is kept until you take it.
        </span>
      </label>
      {read && ('faults' in read ? <NotTaken read={read} /> : <TakeIt {...read} close={() => setRead(null)} />)}
    </section>
  );
}

async function readFile(file: File): Promise<Read> {
  if (file.size > largest) {
    return { name: file.name, faults: [ours(`This file has ${file.size} bytes; at most ${largest} are read.`)] };
  }

  if (/\.(csv|tsv)$/i.test(file.name)) {
    return { name: file.name, faults: [ours('This is a table: it is read under “Paste a table of plans”.')] };
  }

  try {
    const text = await file.text();
    const flaw = flawOf(text);
    if (flaw) {
      return { name: file.name, faults: [ours(flaw)] };
    }

    const look = await lookAt(text);
    const { book, faults } = look;
    return book
      ? { name: file.name, text, look: { ...look, book } }
      : { name: file.name, faults, document: JSON.parse(text) };
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
    return `This is not JSON: ${(error as Error).message}. A price list is a JSON file.`;
  }
}

const ours = (message: string): Fault => ({ code: 'unreadable', where: '', message });

function NotTaken({ read: { name, faults, document } }: { read: Broken }) {
  return (
    <Announced as="div" className="border-red mt-3 border-l-2 pl-3">
      <p className="text-red font-semibold">
        <bdi>{name}</bdi> was not taken: {faults.length === 1 ? 'one thing is' : `${faults.length} things are`} wrong in
        it.
      </p>
      <Faults faults={faults} document={document} />
    </Announced>
  );
}
