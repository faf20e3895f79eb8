import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { sharesQuery, useShare, type Share, type Shown } from '../../api/shares';
import { ago, longDay } from '../../format/dates';
import { Button } from '../Button';
import { Copy } from '../Copy';
import { Announced } from '../said/Announced';
import { Note } from '../said/Note';
import { Awaited } from '../said/Waiting';
import { Dialog } from './Dialog';

const shows: Record<Shown['what'], string> = {
  worksheet:
    'this candidate’s costs, line by line, as they are now and as you change them. It shows nothing about you, your orders or your other candidates',
  comparison:
    'all your candidates side by side, as they are now and as you change them. It shows nothing about you or your orders',
  'key-sheet':
    'where to log in, the user name, server addresses and dates, the holder of the domain and the mail address you gave. It shows no password',
};

/** A link by which somebody can read one page: made, copied, withdrawn, and what its readers wrote. */
export function ShowSomebody({ shown, name }: { shown: Shown; name: string }) {
  const [open, setOpen] = useState(false);
  return (
    <>
      <Button look="text" onClick={() => setOpen(true)}>
        A link to show somebody
      </Button>
      <ShareSheet shown={shown} name={name} open={open} onOpenChange={setOpen} />
    </>
  );
}

/** The sheet by itself, for what opens it from a sheet that closes then. */
export function ShareSheet({
  shown,
  name,
  open,
  onOpenChange,
}: {
  shown: Shown;
  name: string;
  open: boolean;
  onOpenChange: (open: boolean) => void;
}) {
  return (
    <Dialog open={open} onOpenChange={onOpenChange} title={`A link to show ${name}`}>
      {open && <Links shown={shown} />}
    </Dialog>
  );
}

function Links({ shown }: { shown: Shown }) {
  const query = useQuery(sharesQuery(shown.of));
  const { make, withdraw } = useShare(shown);
  const failure = make.error ?? withdraw.error;
  const links = query.data?.filter(({ what, letter }) => what === shown.what && letter === (shown.letter ?? null));
  return (
    <>
      <p className="max-w-xl">
        Anyone with the link can read {shows[shown.what]}. They can leave one note for each line. It works for a week,
        or until you withdraw it.
      </p>
      <div className="mt-3">
        <Button look="main" disabled={make.isPending} onClick={() => make.mutate()}>
          Make a link
        </Button>
      </div>
      {failure && <Announced className="text-red mt-2">{failure.message}</Announced>}
      {!links ? (
        <Awaited query={query} for="Looking for your links" />
      ) : (
        <ul className="mt-4">
          {links.map((link) => (
            <Link key={link.id} link={link} isBusy={withdraw.isPending} withdraw={() => withdraw.mutate(link.id)} />
          ))}
        </ul>
      )}
    </>
  );
}

function Link({ link, isBusy, withdraw }: { link: Share; isBusy: boolean; withdraw: () => void }) {
  return (
    <li className="odd:bg-band px-2.5 py-2">
      {link.address ? (
        <>
          <span className="flex flex-wrap items-baseline gap-x-4">
            <a href={link.address} className="ink break-all" target="_blank" rel="noreferrer">
              {link.address}
            </a>
            <Copy name="the link" text={link.address} />
            <Button look="text" disabled={isBusy} onClick={withdraw}>
              Withdraw it
            </Button>
          </span>
          <span className="text-soft text-sm">can be read until {longDay(link.until)}</span>
        </>
      ) : (
        <span className="text-soft">A link that could be read until {longDay(link.until)}. It opens nothing now.</span>
      )}
      {link.notes.map((note) => (
        <Note key={note.line} ink="soft" className="mt-1.5">
          <b>
            <bdi>{note.line}</bdi>
          </b>
          : <bdi>{note.text}</bdi>{' '}
          <span className="text-soft">
            {note.by && (
              <>
                <bdi>{note.by}</bdi>,{' '}
              </>
            )}
            {ago(note.at)}
          </span>
        </Note>
      ))}
    </li>
  );
}
