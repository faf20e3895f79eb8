import { createContext, useContext } from 'react';
import type { Answers, Change, PageReview } from '../../../api/books/pages';

/** A page under review: what was read, what the owner answers, and the value they look at. */
export interface Review {
  read: PageReview;
  answers: Answers;
  answer: (more: Partial<Answers>) => void;
  change: (change: Change) => void;
  /** The place of the value that is looked at, and its words with it. */
  selected: string | null;
  select: (at: string | null) => void;
}

export const ReviewContext = createContext<Review | null>(null);

export function useReview(): Review {
  const review = useContext(ReviewContext);
  if (!review) {
    throw new Error('There is no page under review here.');
  }

  return review;
}
