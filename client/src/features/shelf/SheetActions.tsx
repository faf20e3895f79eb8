import { Link, useNavigate } from '@tanstack/react-router';
import { useState } from 'react';
import { useShelfChanges, type Shelved } from '../../api/books/shelf';
import { useSite } from '../../api/site/site';
import { Button } from '../../ui/Button';
import { TextField } from '../../ui/fields/Field';

/** What can be done with an opened price list. */
export function SheetActions({ shelved: { book, isOwn, versions } }: { shelved: Shelved }) {
  const { page } = useSite();
  const [isCopying, setCopying] = useState(false);
  return (
    <div className="text-[14px]">
      <p className="flex flex-wrap gap-x-5 gap-y-1">
        {isOwn && (
          <Link to="/sites/$siteId/shelf/edit/$book" params={{ siteId: page.id, book: book.id }} className="ink">
            Change prices
          </Link>
        )}
        <Button look="text" aria-expanded={isCopying} onClick={() => setCopying(!isCopying)}>
          Copy it as a start
        </Button>
        {book.plans.length > 0 && (
          <a className="ink" href={`/api/shelf/${encodeURIComponent(book.id)}/plans.csv`} download>
            Plans for a spreadsheet (CSV)
          </a>
        )}
      </p>
      {isCopying && <Copy book={book.id} version={versions.length} />}
    </div>
  );
}

function Copy({ book, version }: { book: string; version: number }) {
  const { page } = useSite();
  const { copy } = useShelfChanges();
  const [name, setName] = useState('');
  const navigate = useNavigate();
  return (
    <form
      className="mt-2 flex flex-wrap items-end gap-3"
      onSubmit={(event) => {
        event.preventDefault();
        copy.mutate(
          { book, version, asNew: name },
          {
            onSuccess: (shelf) =>
              void navigate({
                to: '/sites/$siteId/shelf/edit/$book',
                params: { siteId: page.id, book: shelf.at(-1)!.book.id },
              }),
          },
        );
      }}
    >
      <TextField
        label="Whose prices shall it hold?"
        required
        maxLength={120}
        value={name}
        fault={copy.error?.message}
        onChange={(event) => setName(event.target.value)}
      />
      <Button type="submit" disabled={name.trim() === '' || copy.isPending}>
        Copy and change it
      </Button>
    </form>
  );
}
