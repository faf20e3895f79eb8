import { createContext, useContext, useState, type ReactNode } from 'react';
import { features } from '../../../format/features';
import { Button } from '../../../ui/Button';
import { SelectField, TextField } from '../../../ui/fields/Field';
import {
  adding,
  at,
  copying,
  place,
  pointer,
  resolved,
  setting,
  type Edit,
  type Json,
  type Path,
  type Shape,
} from './document';
import { fieldName, itemName, optionWords } from './words';

interface BookInHand {
  whole: Shape;
  document: Json;
  faultAt: (where: string) => string | undefined;
  /** Whether the document shown is not yet what the changes so far make of it: items stand where they stood. */
  isBehind: boolean;
  edit: (edits: Edit[]) => void;
}

export const BookContext = createContext<BookInHand | null>(null);

function useBook(): BookInHand {
  const book = useContext(BookContext);
  if (!book) {
    throw new Error('This part stands inside a book that is edited.');
  }

  return book;
}

/**
 * The fields of an object, in the order of the format: first those that are one value, then the parts that hold more.
 */
export function Fields({ shape, path, skip = [] }: { shape: Shape; path: Path; skip?: string[] }) {
  const { whole } = useBook();
  // An id is only how other parts name this one: it comes last.
  const all = Object.entries(shape.properties ?? {})
    .filter(([key]) => !skip.includes(key))
    .sort(([left], [right]) => Number(left === 'id') - Number(right === 'id'));
  const plain = all.filter(([, part]) => isPlain(part, whole));
  const others = all.filter(([, part]) => !isPlain(part, whole));
  return (
    <div className="flex flex-col gap-3">
      {plain.length > 0 && (
        <div className="grid gap-3 sm:grid-cols-3">
          {plain.map(([key, part]) => (
            <Value key={key} shape={part} path={[...path, key]} />
          ))}
        </div>
      )}
      {others.map(([key, part]) => (
        <Part key={key} shape={part} path={[...path, key]} />
      ))}
    </div>
  );
}

function isPlain(part: Shape, whole: Shape): boolean {
  const { shape, name } = resolved(part, whole);
  return name === 'texts' || name === 'matches' || !(shape.properties ?? shape.items ?? shape.additionalProperties);
}

function Part({ shape: referred, path }: { shape: Shape; path: Path }) {
  const { whole, document } = useBook();
  const { shape, name } = resolved(referred, whole);
  const title = fieldName(String(path.at(-1)));
  if (name === 'features') {
    return (
      <Folded title={title}>
        <Features path={path} />
      </Folded>
    );
  }

  if (shape.items) {
    const list = at(document, path);
    const items = Array.isArray(list) ? list : [];
    return (
      <Folded title={`${title} (${items.length})`} open={name === 'steps' || path.length === 1}>
        <List shape={shape.items} path={path} items={items} isInline={name === 'steps'} />
      </Folded>
    );
  }

  return (
    <Folded title={title}>
      <Fields shape={shape} path={path} />
    </Folded>
  );
}

/** A part that opens; what it holds is made when it is first opened. */
function Folded({ title, open = false, children }: { title: string; open?: boolean; children: ReactNode }) {
  const [isOpen, setOpen] = useState(open);
  return (
    <details
      open={isOpen}
      onToggle={(event) => setOpen(event.currentTarget.open)}
      className="border-rule border-t pt-2"
    >
      <summary className="text-blue cursor-pointer font-semibold">{title}</summary>
      {isOpen && <div className="py-2 sm:pl-4">{children}</div>}
    </details>
  );
}

function List({
  shape: referred,
  path,
  items,
  isInline,
}: {
  shape: Shape;
  path: Path;
  items: Json[];
  isInline: boolean;
}) {
  const { whole, document, isBehind, edit } = useBook();
  const { shape } = resolved(referred, whole);
  const what = isInline ? 'another price' : 'one';
  return (
    <div className="flex flex-col gap-3">
      {items.map((item, index) => {
        const own = [...path, index];
        const name = itemName(item, index);
        const actions = (
          <p className="flex gap-4 text-[13.5px]">
            {!isInline && (
              <Button look="text" disabled={isBehind} onClick={() => edit(copying(document, own))}>
                Copy<span className="sr-only">: {name}</span>
              </Button>
            )}
            <Button
              look="text"
              disabled={isBehind}
              onClick={() => edit([{ op: 'remove', path: pointer(own), value: undefined, from: null }])}
            >
              Remove<span className="sr-only">: {name}</span>
            </Button>
          </p>
        );
        return isInline ? (
          <div key={index} className="flex flex-wrap items-end gap-3">
            <Fields shape={shape} path={own} />
            {items.length > 1 && actions}
          </div>
        ) : (
          <Folded key={index} title={name}>
            <div className="flex flex-col gap-3">
              <Fields shape={shape} path={own} />
              {actions}
            </div>
          </Folded>
        );
      })}
      <Button look="text" className="w-fit" disabled={isBehind} onClick={() => edit(adding(document, path))}>
        Add {what}
        <span className="sr-only">: {fieldName(String(path.at(-1)))}</span>
      </Button>
    </div>
  );
}

/** What a plan allows: the usual numbers and words, and whatever else the book says. */
function Features({ path }: { path: Path }) {
  const { document } = useBook();
  const said = at(document, path);
  const others = said && typeof said === 'object' && !Array.isArray(said) ? Object.keys(said) : [];
  const known = features.map(([key]) => key);
  return (
    <div className="grid gap-3 sm:grid-cols-3">
      {[...known, ...others.filter((key) => !known.includes(key))].map((key) => (
        <Value key={key} shape={{}} path={[...path, key]} label={features.find(([name]) => name === key)?.[1]} />
      ))}
    </div>
  );
}

/** One value: a choice, a tick, or text; a list of words has commas between them. */
function Value({ shape: referred, path, label }: { shape: Shape; path: Path; label?: string | undefined }) {
  const { whole, document, faultAt, edit } = useBook();
  const { shape, name } = resolved(referred, whole);
  const value = at(document, path);
  const shared = { label: label ?? fieldName(String(path.at(-1))), fault: faultAt(place(path)) };
  const put = (next: Json | undefined) => edit(setting(document, path, next));
  const choices = name === 'flag' ? [true, false] : shape.enum?.filter((choice) => typeof choice === 'string');
  if (choices) {
    return (
      <SelectField
        {...shared}
        value={JSON.stringify(value ?? null)}
        onChange={(event) => put((JSON.parse(event.target.value) as Json) ?? undefined)}
      >
        <option value="null">not stated</option>
        {choices.map((choice) => (
          <option key={`${choice}`} value={JSON.stringify(choice)}>
            {choice === true ? 'yes' : choice === false ? 'no' : optionWords(choice)}
          </option>
        ))}
      </SelectField>
    );
  }

  const isList = name === 'texts' || name === 'matches' || Array.isArray(value);
  const written =
    isList && Array.isArray(value) ? value.map((word) => writtenOut(word, '')).join(', ') : writtenOut(value, name);
  return (
    <TextField
      {...shared}
      key={written}
      defaultValue={written}
      hint={name === 'amount' && path.at(-1) === 'amount' ? 'or “not stated”' : undefined}
      onKeyDown={(event) => event.key === 'Enter' && event.currentTarget.blur()}
      onBlur={(event) => {
        const typed = event.target.value.trim();
        if (typed !== written) {
          put(typed === '' ? undefined : isList ? words(typed) : read(typed, shape, name));
        }
      }}
    />
  );
}

const writtenOut = (value: Json | undefined, name: string): string =>
  value === null && name === 'amount'
    ? 'not stated'
    : value === true
      ? 'yes'
      : value === false
        ? 'no'
        : value === null || value === undefined || typeof value === 'object'
          ? ''
          : String(value);

const words = (typed: string) =>
  typed
    .split(',')
    .map((word) => word.trim())
    .filter(Boolean);

/** What was typed, as the format has it; what does not fit stays as it was typed, for the server to say why. */
function read(typed: string, shape: Shape, name: string): Json {
  if (name === 'amount') {
    return typed.toLowerCase() === 'not stated' ? null : typed;
  }

  const types = [shape.type, ...(shape.anyOf ?? []).map((part) => part.type)].flat();
  const isAnything = shape.type === undefined && !shape.anyOf && shape.const === undefined;
  if ((types.includes('integer') || isAnything) && /^\d{1,15}(\.\d{1,6})?$/.test(typed)) {
    return Number(typed);
  }

  return isAnything && typed === 'yes' ? true : isAnything && typed === 'no' ? false : typed;
}
