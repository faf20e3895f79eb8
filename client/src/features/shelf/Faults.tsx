import type { Fault } from '../../api/wire/client';
import { placeWords } from './edit/words';

/** What is wrong in a book, each thing with its place in words and as its file has it. */
export function Faults({ faults, document }: { faults: Fault[]; document: unknown }) {
  return (
    <ul className="mt-1 flex max-h-72 flex-col gap-1 overflow-auto text-[14px]">
      {faults.map((fault) => (
        <li key={fault.where + fault.code}>
          {fault.where && (
            <>
              <b>
                <bdi>{placeWords(fault.where, document)}</bdi>
              </b>{' '}
              <code className="text-soft break-all">{fault.where}</code>:{' '}
            </>
          )}
          {fault.message}
        </li>
      ))}
    </ul>
  );
}
