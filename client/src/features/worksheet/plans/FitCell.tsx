import type { Book, Schemas } from '../../../api/wire/client';
import { limitWords, needTitle, wantedWords } from '../../../format/needs';
import { Head } from '../../../ui/Table';
import { TellLimit } from '../../../ui/said/TellLimit';

type NeedFit = Schemas['NeedFitWire'];

/** A need as the head of a column: what it is, and how much of it is asked for. */
export function FitHead({ fit }: { fit: NeedFit }) {
  const wanted = wantedWords(fit);
  return (
    <Head className="max-md:hidden">
      {needTitle(fit)}
      {wanted && <span className="block font-normal">you need {wanted}</span>}
    </Head>
  );
}

/** How a plan meets it: a mark and, for those who do not see it or its colour, words. */
export function FitCell({ fit, book, plan }: { fit: NeedFit; book: Book; plan: Book['plans'][number] }) {
  return (
    <td className="max-w-44 text-[13.5px] max-md:hidden">
      <Fits fit={fit} book={book} plan={plan} />
    </td>
  );
}

function Fits({ fit, book, plan }: { fit: NeedFit; book: Book; plan: Book['plans'][number] }) {
  const has = limitWords(fit);
  switch (fit.fit) {
    case 'met':
      return (
        <span className="text-green">
          <span aria-hidden>✓ </span>
          {fit.by ? <bdi>{fit.by} included</bdi> : has || 'yes'}
        </span>
      );
    case 'with-extra':
      return (
        <>
          {has && `${has}, `}as an extra: <bdi>{fit.by}</bdi>
        </>
      );
    case 'not-stated':
      return (
        <>
          <span className="text-soft">not said</span>
          {!book.isExample && <TellLimit fit={fit} book={book.id} plan={plan.id} />}
        </>
      );
    default:
      return (
        <b className="font-semibold">
          <span aria-hidden>✗ </span>
          {has ? `${has}, not enough` : 'no'}
        </b>
      );
  }
}
