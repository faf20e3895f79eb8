import { clsx, type ClassValue } from 'clsx';
import { twMerge } from 'tailwind-merge';

/** Joins class names; a later utility replaces an earlier one of its kind. */
export const cx = (...classes: ClassValue[]) => twMerge(clsx(classes));
