/**
 * Under which key each answer of the server is kept: what it is, and then everything it depends on. A key that leaves
 * out what comes last stands for all answers that begin so: `keys.site(id)` for a site in every view.
 */
export const keys = {
  // Of the visitor.
  session: named('session'),
  account: named('account'),
  mail: named('mail'),
  currencies: named('currencies'),
  countries: named('countries'),
  lastContact: named('last-contact'),

  // Of price lists.
  books: named('books'),
  shelf: named<[book: string, part: 'file' | 'history'] | ['look', text: string]>('shelf'),
  bookSchema: named('book-schema'),
  bookEdit: named<[book: string, version: number, operations: unknown]>('book-edit'),
  advertisement: named<[siteId: string, draft: unknown]>('advertisement'),
  priceTable: named<[siteId: string, body: unknown]>('price-table'),
  pasted: named<[siteId: string]>('pasted'),
  pageReview: named<[siteId: string, page: number | undefined, answers: unknown]>('page-review'),

  // Of a site and its candidates.
  site: named<[siteId: string, view: string]>('site'),
  comparison: named<[siteId: string, base: string, against: string, revision: number]>('comparison'),
  stopping: named<[siteId: string, letter: string, revision: number]>('stopping'),
  plans: named<[siteId: string, letter: string, revision: number]>('plans'),
  changing: named<[siteId: string, letter: string, revision: number]>('changing'),
  slip: named<[siteId: string, letter: string, revision: number]>('slip'),
  scan: named<[siteId: string, objective: string, byPlan: boolean, oneSeller: boolean, revision: number]>('scan'),
  settling: named<[siteId: string, objective: string, oneSeller: boolean, revision: number]>('settling'),

  // Of domains.
  name: named<[label: string]>('name'),
  sought: named<[siteId: string, view: string]>('sought'),
  nameAnswers: named<[siteId: string, view: string]>('name-answers'),
  nameCosts: named<[siteId: string, view: string, revision: number]>('name-costs'),
  near: named<[siteId: string, name: string, ending: string]>('near'),
  ideas: named<[label: string]>('ideas'),
  ownedRecord: named<[siteId: string, domain: string]>('owned-record'),
  namesHad: named('names-had'),
  hostEntry: named<[siteId: string, letter: string, book: string | null | undefined]>('host-entry'),
  pointing:
    named<[siteId: string, letter: string, revision: number, domain: string, keepMail: boolean | undefined]>(
      'pointing',
    ),

  // Of ordering.
  quotes: named<[siteId: string, revision: number, letter: string, country: string]>('quotes'),
  customer: named<[book: string]>('customer'),
  logIn: named<[book: string, typed: unknown]>('log-in'),

  shares: named<[of: string]>('shares'),

  // Of an order.
  orders: named('orders'),
  order: named<[orderId: string]>('order'),
  claim: named<[orderId: string]>('claim'),
  holders: named<[orderId: string]>('holders'),
  kept: named<[orderId: string]>('kept'),
  upkeep: named<[siteId: string]>('upkeep'),
  stayOrMove: named<[orderId: string, version: number]>('stay-or-move'),
  lapse: named<[orderId: string, holding: string, version: number]>('lapse'),
  whatIf: named<[orderId: string, version: number, on: string, decision: unknown]>('what-if'),
  why: named<[orderId: string, line: number, seen: unknown]>('why'),
  letter: named<[orderId: string, book: string, version: number]>('letter'),

  // Of what an order has online.
  online: named<[orderId: string]>('online'),
  zone: named<[orderId: string, domain: string]>('zone'),
  names: named<[orderId: string]>('names'),
  mailboxes: named<[orderId: string]>('mailboxes'),
  files: named<[orderId: string]>('files'),
  uploads: named<[orderId: string]>('uploads'),
  firstPage: named<[orderId: string]>('first-page'),
  engines: named<[orderId: string]>('engines'),
};

/** All of a list, or its first items. */
type FirstOf<All extends readonly unknown[]> = All extends readonly [...infer Fewer, unknown]
  ? All | FirstOf<Fewer>
  : All;

function named<Parts extends readonly unknown[] = []>(what: string) {
  return (...parts: FirstOf<Parts>) => [what, ...parts] as const;
}
