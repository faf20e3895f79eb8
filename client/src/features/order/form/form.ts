import { queryOptions } from '@tanstack/react-query';
import { keys } from '../../../api/wire/keys';
import { z } from '../../../api/wire/zod';
import { api, expect, type Costing, type Schemas } from '../../../api/wire/client';
import { isZero } from '../../../format/money';
import type { Card } from '../../../api/card';

/** What is typed on the order page. */
export interface Contact {
  name: string;
  mail: string;
  street: string;
  town: string;
  postcode: string;
  country: string;
  telephone: string;
  organisation: string;
  state: string;
}

/** How one seller is paid. */
export interface Pay {
  way: Exclude<Schemas['PayWay'], 'balance'>;
  balance: boolean;
}

export interface OrderForm {
  contact: Contact;
  isHeldByOther: boolean;
  holder: Contact;
  /** In the order of what is paid today. */
  pay: Pay[];
  /** The transfer codes, in the order of the domains that are moved in. */
  transfers: string[];
  logIn: { user: string; passcode: string };
  /** By the id of the book: whether the things from that seller renew by themselves; absent means yes. */
  renews: Record<string, boolean>;
  card: Card;
  agreed: boolean;
}

const nobody: Contact = {
  name: '',
  mail: '',
  street: '',
  town: '',
  postcode: '',
  country: 'GB',
  telephone: '',
  organisation: '',
  state: '',
};

export const empty: OrderForm = {
  contact: nobody,
  isHeldByOther: false,
  holder: nobody,
  pay: [],
  transfers: [],
  logIn: { user: '', passcode: '' },
  renews: {},
  card: { number: '', expires: '', code: '' },
  agreed: false,
};

/** Who ordered last, to be filled in again; null: nobody yet. */
export const lastContactQuery = queryOptions({
  queryKey: keys.lastContact(),
  queryFn: async () => {
    const answer = await api.GET('/api/contacts/last');
    return answer.response.status === 204
      ? null
      : Object.fromEntries(Object.entries(expect(answer)).filter(([, value]) => typeof value === 'string'));
  },
});

const contact = z.object(Object.fromEntries(Object.keys(nobody).map((field) => [field, z.string()])));
const draft = z.object({ contact, holder: contact, isHeldByOther: z.boolean() });

/** A kept draft; null where there is none, or one of another time. */
export function contactsOf(kept: unknown): Pick<OrderForm, 'contact' | 'holder' | 'isHeldByOther'> | null {
  const read = draft.safeParse(kept);
  return read.success ? (read.data as unknown as Pick<OrderForm, 'contact' | 'holder' | 'isHeldByOther'>) : null;
}

/** Whom the owner pays today: the bills of the first day that come to something, in their order. */
export const paidToday = (costing: Costing, startDate: string) =>
  costing.bills.flatMap((bill) =>
    bill.date === startDate && bill.book && !isZero(bill.total) ? [{ ...bill, book: bill.book }] : [],
  );

/** The books of all who something is bought from that can renew. */
export const renewingSellers = ({ hosting, domains }: Schemas['CandidateWire']): string[] => [
  ...new Set(
    [
      hosting?.book,
      ...domains.filter(({ route }) => route === 'register' || route === 'transfer').map(({ book }) => book),
    ].filter((book) => book !== null && book !== undefined),
  ),
];

/** The domains that are moved in, written out. */
export const movedIn = (domains: readonly Schemas['DomainWire'][]) =>
  domains.filter((domain) => domain.route === 'transfer').map(({ name, ending }) => `${name}.${ending}`);

/** Which field of the form a fault of the server's is about; null: none. */
export function fieldOf(
  where: string,
  sellers: readonly string[],
  moved: readonly string[],
): `contact.${keyof Contact}` | 'agreed' | 'card.number' | null {
  const at = (list: readonly string[], prefix: string, field: (index: number) => string) => {
    const index = where.startsWith(prefix) ? list.indexOf(where.slice(prefix.length)) : -1;
    return index < 0 ? null : field(index);
  };
  const field =
    /^(contact|holder|logIn)\./.test(where) || where === 'agreed'
      ? where
      : where === 'card'
        ? 'card.number'
        : (at(sellers, 'payments.', (index) => `pay.${index}.way`) ??
          at(moved, 'transfers.', (index) => `transfers.${index}`));
  return field as 'agreed' | null;
}
