import { lazy } from 'react';
import { useSite } from '../../api/site/site';
import { wayToPay } from '../../format/words';
import { OnOpening } from './OnOpening';

const Changed = lazy(() => import('./Changed'));

/**
 * Whether one can start with the shortest way to pay and change later: when, what it costs, and what is lost. Worked
 * out when it is opened.
 */
export function ChangeLater() {
  const { page } = useSite();
  const { waysToPay } = page.worksheet;
  const shortest = [...waysToPay].sort(
    (left, right) => left.commitMonths - right.commitMonths || left.everyMonths - right.everyMonths,
  )[0];
  return waysToPay.length < 2 || !shortest ? null : (
    <OnOpening asks={`Can I start ${startWords(shortest.everyMonths, shortest.commitMonths)} and change later?`}>
      <Changed />
    </OnOpening>
  );
}

const startWords = (every: number, commit: number) =>
  every === 1 && commit === 1 ? 'monthly' : `by paying ${wayToPay(every, commit)}`;
