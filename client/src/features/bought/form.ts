import type { Order, Schemas } from '../../api/wire/client';
import { pathOf } from '../../api/wire/faults';
import { longDay } from '../../format/dates';
import { daySent } from '../../format/typedDates';

type Keys = Schemas['TypedKeysBody'];

/** The form as it is typed. */
export interface BoughtForm {
  boughtOn: string;
  name: string;
  mail: string;
  cardExpires: string;
  receipts: { book: string; paid: string; reference: string; lines: { what: string; amount: string }[] }[];
  keys: Record<KeyName, string>;
}

export const keyNames = {
  logIn: 'Log in at',
  user: 'User name',
  server: 'Server',
  iPv4: 'IPv4 address',
  iPv6: 'IPv6 address',
  nameServers: 'Name servers',
  fileServer: 'Files (SFTP)',
  mailServer: 'Mail server',
  notes: 'Notes',
} as const;

export type KeyName = keyof typeof keyNames;

const names = Object.keys(keyNames) as KeyName[];

/** An empty form for the sellers of a candidate, or what was told before. */
export function startOf(today: string, books: string[], order: Order | null): BoughtForm {
  const there = order?.there;
  return {
    boughtOn: longDay(today),
    name: '',
    mail: '',
    cardExpires: there?.cardExpires ? longDay(there.cardExpires) : '',
    receipts:
      there?.receipts.map(({ book, paid, reference, lines }) => ({ book, paid, reference: reference ?? '', lines })) ??
      books.map((book) => ({ book, paid: '', reference: '', lines: [] })),
    keys: Object.fromEntries(names.map((name) => [name, textOf(there?.keys[name])])) as BoughtForm['keys'],
  };
}

const textOf = (value: string | string[] | null | undefined) =>
  Array.isArray(value) ? value.join(', ') : (value ?? '');

/** What is told, as it is sent. */
export function bodyOf(form: BoughtForm): Schemas['ChangeBoughtBody'] {
  const { nameServers, ...others } = form.keys;
  const keys: Keys = Object.fromEntries(Object.entries(others).map(([name, text]) => [name, text.trim() || null]));
  return {
    cardExpires: form.cardExpires.trim() ? daySent(form.cardExpires, true) : null,
    receipts: form.receipts.map((receipt) => ({ ...receipt, reference: receipt.reference.trim() || null })),
    keys: { ...keys, nameServers: nameServers.split(/[\s,;]+/).filter(Boolean) },
  };
}

/**
 * What a receipt that was read fills in: its lines, and what was paid. The form takes no line below zero: what is taken
 * off shows in what was paid alone.
 */
export function receiptOf({ lines, total }: Schemas['CartReadingWire']) {
  return {
    paid: total,
    lines: lines.map(({ name, domain, amount }) => ({
      what: domain && !name.includes(domain) ? `${name} for ${domain}` : name,
      amount,
    })),
  };
}

/** The field of the form that a fault is about: "receipts[0].paid" is "receipts.0.paid"; null: none of it. */
export function fieldOf(where: string): string | null {
  const field = pathOf(where).replace(/^(keys\.nameServers)\.\d+$/, '$1');
  return /^(boughtOn|name|mail|cardExpires|keys\.\w+|receipts\.\d+\.(paid|reference|lines\.\d+\.\w+))$/.test(field)
    ? field
    : null;
}
