import { Link } from '@tanstack/react-router';
import example from '../../../../../docs/offer-book.example.json';
import { useSite } from '../../../api/site/site';
import { ScrollRegion } from '../../../ui/ScrollRegion';

type Part = keyof typeof example;

/** What each part of the example teaches. */
const lessons: [parts: Part[], title: string, words: string][] = [
  [
    ['format', 'id', 'provider', 'asOf', 'currency', 'tax'],
    'Whose prices, and of when',
    'A book is one seller’s price list. Its id tells a newer version of it from another seller’s. All amounts are in its one currency, written as text with a point: "35.88". Say whether the prices include tax.',
  ],
  [
    ['plans'],
    'Plans and ways to pay',
    'Each way to pay says how many months a bill is for and, where that differs, how many are committed to. Prices come in steps: the first for so many bills, the last for good. An amount of null is one that the seller does not state; a first price must be stated. A plan may hold extras, and a domain-year from a commitment on.',
  ],
  [
    ['addOns'],
    'Extras',
    'For the hosting or for a domain; charged once, each month, each year or with each bill (“cycle”). Preselected marks what the seller’s order form ticks in advance: here nothing ever is.',
  ],
  [
    ['domains'],
    'Endings',
    'The first year, each later year, and moving one in. A price of null is not stated; without “transfer” no domain is taken in. Lapse says what follows when a domain is not renewed; publicRecord what anybody can read of its holder, and whether privacy hides it: “sold”, “by-default” or “forbidden”.',
  ],
  [
    ['promotions'],
    'Codes',
    'A percentage or an amount off some lines (plan, setup, domain, addOn, or one of them: domain:com), on the first so many bills or on “all”. With “automatic” in place of a code it counts by itself.',
  ],
  [
    ['refund', 'change'],
    'Leaving and changing',
    'Within how many days money comes back, and for what it does not. Whether unused time is credited when the plan changes, and whether the first price counts again.',
  ],
];

/** The format of offer books, taught by one example. */
export function FormatPage() {
  const { page } = useSite();
  return (
    <div className="py-5">
      <title>{`How a price list file is written · ${page.name} · Home Start`}</title>
      <p className="text-sm">
        <Link to="/sites/$siteId/shelf" params={{ siteId: page.id }} search={{}} className="ink">
          Your price lists
        </Link>
      </p>
      <h1 className="text-2xl">How a price list file is written</h1>
      <p className="text-soft max-w-3xl">
        It is a JSON file. Here is a small one, made up, part by part; leave out what you do not know. Fields that are
        not known here are kept as they are.{' '}
        <a className="ink" href="/api/offer-book.example.json" download="brightwater.json">
          The whole example
        </a>{' '}
        and the{' '}
        <a className="ink" href="/api/offer-book.schema.json">
          JSON Schema
        </a>{' '}
        can be taken along. For plans alone a spreadsheet is enough:{' '}
        <Link to="/sites/$siteId/shelf/table" params={{ siteId: page.id }} className="ink">
          paste a table
        </Link>
        .
      </p>
      {lessons.map(([parts, title, words]) => (
        <section
          key={title}
          className="border-rule mt-4 grid gap-x-8 gap-y-2 border-t pt-3 lg:grid-cols-[22rem_minmax(0,1fr)]"
        >
          <div>
            <h2 className="text-lg">{title}</h2>
            <p className="mt-1">{words}</p>
          </div>
          <ScrollRegion label={`The example: ${title}`}>
            <pre className="bg-band rounded p-3 text-[13px] leading-snug">{written(parts)}</pre>
          </ScrollRegion>
        </section>
      ))}
    </div>
  );
}

/** Some parts of the example as its file has them, without the braces around. */
const written = (parts: Part[]) =>
  JSON.stringify(Object.fromEntries(parts.map((part) => [part, example[part]])), null, 2)
    .split('\n')
    .slice(1, -1)
    .map((line) => line.slice(2))
    .join('\n');
