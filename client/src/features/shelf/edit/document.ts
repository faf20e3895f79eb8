import type { Schemas } from '../../../api/wire/client';

export type Edit = Schemas['BookEditWire'];
export type Path = readonly (string | number)[];

export type Json = string | number | boolean | null | Json[] | { [key: string]: Json };

/** A part of an offer book's JSON Schema, as much of it as a form needs. */
export interface Shape {
  $ref?: string;
  type?: string | string[];
  const?: Json;
  enum?: Json[];
  anyOf?: Shape[];
  items?: Shape;
  properties?: Record<string, Shape>;
  additionalProperties?: Shape;
  $defs?: Record<string, Shape>;
}

/** A shape with what it refers to, and the name of that. */
export function resolved(shape: Shape, whole: Shape): { shape: Shape; name: string } {
  const name = shape.$ref?.split('/').at(-1) ?? '';
  return { shape: whole.$defs?.[name] ?? shape, name };
}

export const at = (document: Json | undefined, path: Path): Json | undefined =>
  path.reduce<Json | undefined>(
    (value, key) =>
      value !== null && typeof value === 'object' ? (value as Record<string | number, Json>)[key] : undefined,
    document,
  );

/** "/plans/0/name" (RFC 6901). */
export const pointer = (path: Path) =>
  path.map((part) => `/${String(part).replace(/~/g, '~0').replace(/\//g, '~1')}`).join('');

/** "plans[0].name", as faults say it. */
export const place = (path: Path) =>
  path.map((part, index) => (typeof part === 'number' ? `[${part}]` : index === 0 ? part : `.${part}`)).join('');

/**
 * The change that puts a value at a place, with what has to hold it where that is not there yet; undefined takes it
 * away.
 */
export function setting(document: Json, path: Path, value: Json | undefined): Edit[] {
  if (value === undefined) {
    return at(document, path) === undefined
      ? []
      : [{ op: 'remove', path: pointer(path), value: undefined, from: null }];
  }

  const isThere = (length: number) => {
    const holder = at(document, path.slice(0, length));
    return holder !== null && typeof holder === 'object';
  };
  let depth = path.length - 1;
  while (depth > 0 && !isThere(depth)) {
    depth--;
  }

  const made = path
    .slice(depth + 1)
    .reduceRight<Json>((inner, key) => (typeof key === 'number' ? [inner] : { [key]: inner }), value);
  return [{ op: 'add', path: pointer(path.slice(0, depth + 1)), value: made, from: null }];
}

/** What a list begins a new item with. */
const firsts: Record<string, (id: string) => Json> = {
  plans: (id) => ({ id, name: '', billing: [{ everyMonths: 12, prices: [{ amount: '0' }] }] }),
  billing: () => ({ everyMonths: 12, prices: [{ amount: '0' }] }),
  addOns: (id) => ({ id, name: '', for: 'hosting', charge: { every: 'year', prices: [{ amount: '0' }] } }),
  domains: () => ({ ending: '', register: null, renew: null }),
  promotions: (id) => ({ id, code: '', percent: '10', appliesTo: ['plan'] }),
  dataCentres: (id) => ({ id, name: '', perMonth: '0' }),
};

/** An id that no item of a list has. */
function freeId(items: Json[], wanted: string): string {
  const ids = new Set(items.map((item) => at(item, ['id'])));
  for (let number = 1; ; number++) {
    const id = number === 1 ? wanted : `${wanted}-${number}`;
    if (!ids.has(id)) {
      return id;
    }
  }
}

/** The changes that add an item to a list. */
export function adding(document: Json, path: Path): Edit[] {
  const list = at(document, path);
  const items = Array.isArray(list) ? list : [];
  const name = String(path.at(-1));
  if (name === 'prices') {
    // What was the last price now has an end.
    const last = items.length - 1;
    return [
      ...(last >= 0 && at(items[last], ['periods']) == null ? setting(document, [...path, last, 'periods'], 1) : []),
      { op: 'add', path: pointer([...path, '-']), value: { amount: null }, from: null },
    ];
  }

  const item =
    firsts[name]?.(freeId(items, `new-${name === 'addOns' ? 'extra' : name.replace(/s$/, '').toLowerCase()}`)) ?? {};
  return Array.isArray(list)
    ? [{ op: 'add', path: pointer([...path, '-']), value: item, from: null }]
    : setting(document, path, [item]);
}

/** The changes that copy an item to the end of its list, under an id and a name of its own. */
export function copying(document: Json, path: Path): Edit[] {
  const list = path.slice(0, -1);
  const items = at(document, list) as Json[];
  const item = at(document, path);
  const to = [...list, items.length];
  const [id, name] = [at(item, ['id']), at(item, ['name'])];
  return [
    { op: 'copy', from: pointer(path), path: pointer([...list, '-']), value: undefined },
    ...(typeof id === 'string' ? [replace([...to, 'id'], freeId(items, `${id}-copy`))] : []),
    ...(typeof name === 'string' ? [replace([...to, 'name'], `${name}, copy`)] : []),
  ];
}

const replace = (path: Path, value: Json): Edit => ({ op: 'replace', path: pointer(path), value, from: null });
