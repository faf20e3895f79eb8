import { clsx } from 'clsx';

/**
 * Joins class names. Of two that say the same thing the order of the style sheet decides, not theirs: a part leaves out
 * what its users are to say.
 */
export const cx = clsx;
