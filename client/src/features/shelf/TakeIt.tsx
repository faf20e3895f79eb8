import { useShelfChanges, type BookLook } from '../../api/books/shelf';
import { change as changeAmount, sumMoney } from '../../format/money';
import { Button } from '../../ui/Button';
import { cx } from '../../ui/cx';
import { Cell, Head, Heads, Row, Table } from '../../ui/Table';
import { changeWords } from './words';
import { Announced } from '../../ui/said/Announced';

export type KnownLook = BookLook & { book: NonNullable<BookLook['book']> };

/** A price list that was looked at: how it stands to the shelf, what taking it changes, and taking it. */
export function TakeIt({
  name,
  text,
  look,
  close,
  taken = close,
  put = standingPut(look.standing),
}: {
  name: string;
  text: string;
  look: KnownLook;
  close: () => void;
  taken?: () => void;
  /** What the press says that takes it. */
  put?: string;
}) {
  const { take } = useShelfChanges();
  const { book, standing } = look;
  return (
    <div className="mt-3 text-[14px]">
      <p className="font-semibold">
        <bdi>{name}</bdi>: {standingWords(standing)} <bdi>{book.provider}</bdi>
        {standing !== 'same' && `, with ${book.plans.length} plans and ${book.domains.length} endings`}.
      </p>
      {standing === 'newer' && <Differences look={look} />}
      {take.error && <Announced className="text-red mt-1">{take.error.message}</Announced>}
      <div className="mt-2 flex gap-4">
        {standing !== 'same' && (
          <Button look="main" disabled={take.isPending} onClick={() => take.mutate(text, { onSuccess: taken })}>
            {put}
          </Button>
        )}
        <Button onClick={close}>{standing === 'same' ? 'Close' : 'Leave it'}</Button>
      </div>
    </div>
  );
}

const standingPut = (standing: BookLook['standing']) =>
  standing === 'new' ? 'Put it on the shelf' : 'Take the newer prices';

const standingWords = (standing: BookLook['standing']) =>
  ({
    new: 'a price list you do not have yet, from',
    newer: 'other prices from',
    same: 'exactly what you already have from',
  })[standing];

/** What differs from the version on the shelf, and what that does to the candidates that buy there. */
export function Differences({ look: { changes, effects } }: { look: KnownLook }) {
  return (
    <>
      <ul className="mt-1 list-disc pl-5">
        {changes.length === 0 && <li>No price and no rule differs: only words do.</li>}
        {changes.map((change) => (
          <li
            key={change.part + change.ref + change.kind}
            className={cx(
              (change.kind === 'dearer' || change.kind === 'gone' || change.kind === 'no-longer-stated') && 'text-red',
              change.kind === 'cheaper' && 'text-green',
            )}
          >
            {changeWords(change)}
          </li>
        ))}
      </ul>
      <Effects effects={effects} />
    </>
  );
}

/** What the newer prices do to each candidate that buys there. */
function Effects({ effects }: { effects: BookLook['effects'] }) {
  return effects.length === 0 ? (
    <p className="mt-1">No candidate of yours buys there.</p>
  ) : (
    <Table caption="What this does to your candidates" shown className="mt-2">
      <Heads>
        <Head>Candidate</Head>
        <Head figures>Now</Head>
        <Head figures>Then</Head>
        <Head figures>Change</Head>
      </Heads>
      <tbody>
        {effects.map((effect) => (
          <Row
            key={effect.site + effect.letter}
            label={
              <bdi>
                {effect.letter} of {effect.site}
              </bdi>
            }
          >
            <Cell figures>{effect.before ? sumMoney(effect.before, effect.currency!) : 'not complete'}</Cell>
            <Cell figures>
              {effect.after ? sumMoney(effect.after, effect.currency!) : 'cannot be worked out any more'}
            </Cell>
            <Cell figures>{effect.change ? changeAmount(effect.change, effect.currency!) : 'not known'}</Cell>
          </Row>
        ))}
      </tbody>
    </Table>
  );
}
