import { useRef } from 'react';
import type { Candidate } from '../../api/books/pages';
import { useSite } from '../../api/site/site';

/**
 * Puts what was read from a seller on the shortlist, the first in the place of an empty candidate. Where the shortlist
 * had no room for all, the next call goes on behind those that are on it.
 */
export function useShortlist() {
  const { page, changes } = useSite();
  const listed = useRef(new Map<string, string>());
  return {
    /** The letters of those that are on it. */
    letters: () => [...listed.current.values()],
    put: async (candidates: readonly Candidate[]) => {
      const done = listed.current;
      const { candidate, letter } = page.worksheet;
      let empty = done.size === 0 && candidate.hosting === null && candidate.domains.length === 0 ? letter : null;
      for (const added of candidates.filter((next) => !done.has(keyOf(next)))) {
        const after = await changes.changeAsync(
          empty
            ? { kind: 'replace-candidate', letter: empty, candidate: added }
            : { kind: 'add-candidate', copyOf: null, candidate: added },
        );
        done.set(keyOf(added), empty ?? after.shortlist.at(-1)?.letter ?? '');
        empty = null;
      }

      return [...done.values()];
    },
  };
}

const keyOf = ({ hosting }: Candidate) => `${hosting?.book}/${hosting?.plan}`;

/** What is said where not all of them could be put there. */
export const shortlistFault = (letters: readonly string[], fault: unknown) =>
  [
    letters.length > 0 && `On your shortlist now: ${letters.join(', ')}. The other plans are not.`,
    fault instanceof Error ? fault.message : 'The plans were not put on the shortlist.',
  ]
    .filter(Boolean)
    .join(' ');
