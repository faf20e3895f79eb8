import { useQuery } from '@tanstack/react-query';
import { Link, useSearch } from '@tanstack/react-router';
import type { Schemas } from '../../api/wire/client';
import { mailQuery } from '../../api/wire/queries';
import { useSite } from '../../api/site/site';
import { ago } from '../../format/dates';
import { cx } from '../../ui/cx';
import { Note } from '../../ui/said/Note';
import { Failed, Waiting } from '../../ui/said/Waiting';
import { unsentWords } from './words';

type Letter = Schemas['LetterWire'];

/** The mail that was sent to the owner: what arrived, to read or to take away, and what still waits to be sent. */
export function MailPage() {
  const { page } = useSite();
  const { letter: chosen } = useSearch({ from: '/sites/$siteId/mail' });
  const mail = useQuery(mailQuery);
  if (mail.error) {
    return <Failed error={mail.error} retry={() => void mail.refetch()} />;
  }

  if (!mail.data) {
    return <Waiting for="Fetching your mail" />;
  }

  const { arrived, unsent, isSilent } = mail.data;
  const letter = arrived.find((known) => known.id === chosen) ?? arrived[0];
  return (
    <div className="py-5">
      <title>{`Mail · ${page.name} · Home Start`}</title>
      <h1 className="text-2xl">Mail</h1>
      <p className="text-soft max-w-2xl">
        Everything here is simulated: mails go to a mail server that ships with Home Start, and are read here whatever
        address they are for.
      </p>
      {isSilent && (
        <Note ink="red" className="mt-3 max-w-2xl">
          The mail server does not answer just now, so what arrived cannot be shown. Nothing is lost; this page looks
          again by itself.
        </Note>
      )}
      <Unsent letters={unsent} />
      {!isSilent && arrived.length === 0 && unsent.length === 0 && (
        <p className="mt-3">
          No mail yet. When you order a candidate from{' '}
          <Link to="/sites/$siteId/worksheet" params={{ siteId: page.id }} search={{}} className="ink">
            its worksheet
          </Link>
          , you are written to about each step that matters.
        </p>
      )}
      {letter && (
        <div className="mt-4 grid gap-x-10 gap-y-6 lg:grid-cols-[24rem_minmax(0,1fr)]">
          <nav aria-label="Letters">
            <ul>
              {arrived.map((known) => (
                <li key={known.id} className={cx('px-2.5 py-1.5', known.id === letter.id ? 'bg-band' : undefined)}>
                  <Link
                    to="/sites/$siteId/mail"
                    params={{ siteId: page.id }}
                    search={(search) => ({ view: search.view, letter: known.id })}
                    replace
                    className="ink"
                    aria-current={known.id === letter.id ? 'true' : undefined}
                  >
                    <bdi>{known.subject}</bdi>
                  </Link>
                  <span className="text-soft block text-[13px]">
                    came {ago(known.arrivedAt)}, to <bdi className="break-all">{known.to}</bdi>
                  </span>
                </li>
              ))}
            </ul>
          </nav>
          <ReadLetter letter={letter} />
        </div>
      )}
    </div>
  );
}

function Unsent({ letters }: { letters: Schemas['UnsentLetterWire'][] }) {
  return letters.length === 0 ? null : (
    <section className="mt-3 max-w-3xl" aria-labelledby="unsent">
      <h2 id="unsent" className="text-base">
        On the way
      </h2>
      <ul>
        {letters.map((letter, place) => (
          <li key={letter.writtenAt + letter.subject} className="odd:bg-band px-2.5 py-1.5">
            <bdi>{letter.subject}</bdi>
            <span className={cx('block text-[13px]', letter.tries > 0 ? 'text-red' : 'text-soft')}>
              {unsentWords(letter, letters.slice(0, place))}
            </span>
          </li>
        ))}
      </ul>
    </section>
  );
}

function ReadLetter({ letter }: { letter: Letter }) {
  return (
    <article aria-label={letter.subject} className="max-w-2xl min-w-0">
      <h2 className="text-lg">
        <bdi>{letter.subject}</bdi>
      </h2>
      <p className="text-soft text-sm">
        From <bdi>{letter.from}</bdi> to <bdi className="break-all">{letter.to}</bdi>, came {ago(letter.arrivedAt)}
      </p>
      <p className="border-rule mt-3 border-y py-4 leading-relaxed break-words whitespace-pre-wrap">
        {letter.parts.map((part, at) =>
          part.path === null && part.address === null ? (
            <bdi key={at}>{part.text}</bdi>
          ) : (
            <a key={at} href={part.path ?? part.address ?? ''} className="ink break-all">
              {part.text}
            </a>
          ),
        )}
      </p>
      <p className="mt-2">
        <a className="ink" download href={`/api/mail/${letter.id}.eml`}>
          Take it away as a file
        </a>
      </p>
    </article>
  );
}
