import { useSite } from '../site/SiteContext';
import { slipTitle } from '../worksheet/Shortlist';

/** A candidate's name by its letter, as the shortlist has it. */
export function useTitles() {
  const { page } = useSite();
  return (letter: string) => {
    const slip = page.shortlist.find((known) => known.letter === letter);
    return slip ? slipTitle(slip) : letter;
  };
}
