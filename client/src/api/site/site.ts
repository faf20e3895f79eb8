import { createContext, useContext } from 'react';
import type { Book, SitePage } from '../wire/client';
import type { Command, SiteChanges } from './commands';

export interface SiteInHand {
  page: SitePage;
  books: Book[];
  changes: SiteChanges;
  /** Sends a command about the candidate looked at. */
  change: (command: Command) => void;
}

export const SiteContext = createContext<SiteInHand | null>(null);

/** The site that the page is about. */
export function useSite(): SiteInHand {
  const site = useContext(SiteContext);
  if (!site) {
    throw new Error('This part stands inside a site.');
  }

  return site;
}
