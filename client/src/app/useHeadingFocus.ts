import { useRouter } from '@tanstack/react-router';
import { useEffect } from 'react';

const patience = 4_000;

/**
 * A change of page moves the focus to its heading, or to the part that the address names, which announces it: the focus
 * would fall to the page otherwise. Not where the owner has gone on to a field already.
 */
export function useHeadingFocus() {
  const router = useRouter();
  useEffect(() => {
    let watching: MutationObserver | null = null;
    const stop = () => {
      watching?.disconnect();
      watching = null;
    };
    const unsubscribe = router.subscribe('onRendered', ({ pathChanged, fromLocation, toLocation }) => {
      stop();
      if (!pathChanged || !fromLocation) {
        return;
      }

      const since = performance.now();
      const isDone = () =>
        performance.now() - since > patience || focusOn(toLocation.hash) || isTyping(document.activeElement);
      if (!isDone()) {
        watching = new MutationObserver(() => isDone() && stop());
        watching.observe(document.body, { childList: true, subtree: true });
      }
    });
    return () => {
      stop();
      unsubscribe();
    };
  }, [router]);
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

const isTyping = (element: Element | null) => element?.matches('main :is(input, select, textarea)') ?? false;
