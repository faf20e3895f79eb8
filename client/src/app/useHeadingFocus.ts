import { useRouter } from '@tanstack/react-router';
import { useEffect } from 'react';

/**
 * A change of page moves the focus to its heading, or to the part that the address names, which announces it: the focus
 * would fall to the page otherwise.
 */
export function useHeadingFocus() {
  const router = useRouter();
  useEffect(() => {
    let giveUp = () => {};
    const unsubscribe = router.subscribe('onRendered', ({ pathChanged, fromLocation, toLocation }) => {
      giveUp();
      giveUp = pathChanged && fromLocation ? focusOnceThere(toLocation.hash) : () => {};
    });
    return () => {
      giveUp();
      unsubscribe();
    };
  }, [router]);
}

/**
 * Moves the focus to the part with this id, or to the page's heading where there is none, however long its figures take
 * to come. Not where the owner has gone on to something else meanwhile.
 *
 * @returns What gives up waiting for it.
 */
export function focusOnceThere(id: string): () => void {
  const had = document.activeElement;
  const isDone = () => isElsewhere(had) || focusOn(id);
  if (isDone()) {
    return () => {};
  }

  const watching = new MutationObserver(() => isDone() && watching.disconnect());
  watching.observe(document.body, { childList: true, subtree: true });
  return () => watching.disconnect();
}

function focusOn(id: string): boolean {
  const heading = (id && document.getElementById(id)) || (!id && document.querySelector<HTMLElement>('main h1'));
  if (!heading) {
    return false;
  }

  heading.tabIndex = -1;
  heading.focus({ preventScroll: id === '' });
  return true;
}

function isElsewhere(had: Element | null): boolean {
  const has = document.activeElement;
  return has !== null && has !== document.body && (has !== had || has.matches('main :is(input, select, textarea)'));
}
