import { useState } from 'react';
import type { Schemas } from '../wire/client';
import { useSite } from './site';

/** Puts a candidate on the shortlist, once; its letter from then on. */
export function useKeep(candidate: Schemas['CandidateWire']) {
  const { changes } = useSite();
  const [letter, setLetter] = useState<string | null>(null);
  const keep = async () => {
    if (letter) {
      return letter;
    }

    const after = await changes.changeAsync({ kind: 'add-candidate', copyOf: null, candidate }).catch(() => null);
    const kept = after?.shortlist.at(-1)?.letter ?? null;
    setLetter(kept);
    return kept;
  };
  return { letter, keep };
}
