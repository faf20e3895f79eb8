import { useQuery } from '@tanstack/react-query';
import { Link, useSearch } from '@tanstack/react-router';
import { useSite } from '../../api/site/site';
import { shelfQuery, useShelfChanges, type Shelved } from '../../api/books/shelf';
import { shortDay } from '../../format/dates';
import { Button } from '../../ui/Button';
import { cx } from '../../ui/cx';
import { Cell, Head, Heads, Row, Table } from '../../ui/Table';
import { Failed, Waiting } from '../../ui/said/Waiting';
import { PriceListSheet } from './PriceListSheet';
import { ReadIn } from './ReadIn';
import { Announced } from '../../ui/said/Announced';

/** Every price list there is: the demo's and the owner's own, how old each is, and the place to read one in. */
export function ShelfPage() {
  const { page } = useSite();
  const { book } = useSearch({ from: '/sites/$siteId/shelf' });
  const shelf = useQuery(shelfQuery);
  if (!shelf.data) {
    return shelf.error ? (
      <Failed error={shelf.error} retry={() => void shelf.refetch()} />
    ) : (
      <Waiting for="Fetching your price lists" />
    );
  }

  const own = shelf.data.filter((shelved) => shelved.isOwn).length;
  return (
    <div className="py-5">
      <title>{`Shelf · ${page.name} · Home Start`}</title>
      <h1 className="text-2xl">Your price lists</h1>
      <p className="text-soft max-w-3xl">
        Every figure is worked out from these price lists.{' '}
        {own === 0
          ? 'The ones below are made up. Add the sellers you are really choosing between.'
          : 'Hide the ones you don’t want to choose from.'}
      </p>
      <p className="mt-3 flex flex-wrap gap-x-5 gap-y-1">
        <Link to="/sites/$siteId/shelf/page" params={{ siteId: page.id }} className="ink">
          Paste a seller’s page
        </Link>
        <Link to="/sites/$siteId/shelf/advertisement" params={{ siteId: page.id }} className="ink">
          Type in an offer
        </Link>
        <Link to="/sites/$siteId/shelf/table" params={{ siteId: page.id }} className="ink">
          Paste a table of plans
        </Link>
      </p>
      <ExampleSellers shelf={shelf.data} />
      <ReadIn />
      <Books shelf={shelf.data} />
      {book && <PriceListSheet key={book} book={book} />}
    </div>
  );
}

/** One switch for all the sellers that come with Home Start. */
function ExampleSellers({ shelf }: { shelf: Shelved[] }) {
  const { putExamplesAway } = useShelfChanges();
  const madeUp = shelf.filter((shelved) => !shelved.isOwn);
  const shown = madeUp.filter((shelved) => !shelved.isPutAway);
  const hide = shown.length > 0;
  return madeUp.length === 0 ? null : (
    <p className="mt-3 flex flex-wrap items-baseline gap-x-4 gap-y-1">
      <label className="flex items-baseline gap-2">
        <input
          type="checkbox"
          className="self-center"
          checked={hide}
          aria-disabled={putExamplesAway.isPending}
          onChange={() => {
            if (!putExamplesAway.isPending) {
              putExamplesAway.mutate(hide);
            }
          }}
        />
        Show the {madeUp.length} made-up sellers of the example
      </label>
      <Announced as="span" className="text-soft text-sm">
        {putExamplesAway.isPending
          ? 'Changing …'
          : hide && shown.length < madeUp.length
            ? `${madeUp.length - shown.length} of them are hidden.`
            : !hide
              ? 'They are left out of every list and scan.'
              : ''}
      </Announced>
      {putExamplesAway.error && (
        <Announced as="span" className="text-red">
          {putExamplesAway.error.message}
        </Announced>
      )}
    </p>
  );
}

function Books({ shelf }: { shelf: Shelved[] }) {
  return (
    <Table className="mt-5 w-full" caption="The price lists, with what each seller offers and how old the prices are">
      <Heads className="max-md:sr-only">
        <Head>Seller</Head>
        <Head>Sells</Head>
        <Head>Prices read on</Head>
        <Head>Currency</Head>
        <Head>
          <span className="sr-only">What you can do</span>
        </Head>
      </Heads>
      <tbody>
        {shelf.map((shelved) => (
          <Book key={shelved.book.id} shelved={shelved} />
        ))}
      </tbody>
    </Table>
  );
}

function Book({ shelved }: { shelved: Shelved }) {
  const { page } = useSite();
  const { book, isOwn, isPutAway, isUsed, versions } = shelved;
  const plans = book.plans.length;
  const sells = [
    plans > 0 && `${plans} ${plans === 1 ? 'plan' : 'plans'}`,
    book.domains.length > 0 && `domains: ${book.domains.map((price) => `.${price.ending}`).join(' ')}`,
    book.addOns.length > 0 && `${book.addOns.length} ${book.addOns.length === 1 ? 'extra' : 'extras'}`,
  ].filter(Boolean);
  return (
    <Row
      className={cx(
        'max-md:block max-md:py-1.5 max-md:[&>*]:block max-md:[&>*]:py-0.5 md:[&>*]:py-2 md:[&>th]:max-w-56',
        isPutAway && 'text-soft',
      )}
      label={
        <>
          <Link
            to="/sites/$siteId/shelf"
            params={{ siteId: page.id }}
            search={(search) => ({ ...search, book: book.id })}
            className="ink font-semibold"
          >
            <bdi>{book.provider}</bdi>
          </Link>
          <span className="text-soft block text-[13px]">
            {isOwn
              ? `your own${versions.length > 1 ? `, version ${versions.length}` : ''}`
              : 'made up, from the example'}
            {isUsed && ', on a shortlist'}
            {isPutAway && ', hidden'}
          </span>
        </>
      }
    >
      <Cell className="max-w-md">{sells.length > 0 ? sells.join('; ') : 'nothing yet'}</Cell>
      <Cell className={cx(book.isOld && 'text-red')}>
        {shortDay(book.asOf)}
        {book.isOld && ', over 60 days ago'}
      </Cell>
      <Cell>
        {book.currency}, {book.pricesIncludeTax ? 'tax included' : 'before tax'}
      </Cell>
      <td>
        <Actions shelved={shelved} />
      </td>
    </Row>
  );
}

function Actions({ shelved: { book, isOwn, isPutAway, isUsed } }: { shelved: Shelved }) {
  const { putAway, lookedAgain, remove } = useShelfChanges();
  const failed = putAway.error ?? lookedAgain.error ?? remove.error;
  const of = <span className="sr-only">: {book.provider}</span>;
  return (
    <div className="flex flex-wrap gap-x-4 gap-y-1 text-[13.5px]">
      <Button look="text" onClick={() => lookedAgain.mutate(book.id)}>
        Prices still correct{of}
      </Button>
      <Button look="text" onClick={() => putAway.mutate({ book: book.id, isPutAway: !isPutAway })}>
        {isPutAway ? 'Show' : 'Hide'}
        {of}
      </Button>
      <a className="ink" href={`/api/shelf/${encodeURIComponent(book.id)}/file`} download>
        As a file{of}
      </a>
      {isOwn && !isUsed && (
        <Button look="text" onClick={() => remove.mutate(book.id)}>
          Remove{of}
        </Button>
      )}
      {failed && (
        <Announced as="span" className="text-red">
          {failed.message}
        </Announced>
      )}
    </div>
  );
}
