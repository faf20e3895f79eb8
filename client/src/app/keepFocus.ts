/** Where the focus was: the element, then each of its ancestors with the place among its children that led there. */
type Trail = readonly { element: Element; at: number }[];

/** How long what takes the place of an element may be in coming, in ms. */
const patience = 60;

const focusable = 'a[href], button, input:not([type=hidden]), select, textarea, summary, [tabindex]';

/**
 * Keeps the focus from falling to the page (WCAG 2.4.3): where what had it is removed, replaced or hidden, it goes to
 * what took its place, else to its neighbour, else to the part both were in. A change of page is not this one's: there
 * the heading takes the focus.
 *
 * @returns What ends it.
 */
export function keepFocus(): () => void {
  let trail: Trail = [];
  let path = '';
  let timer: ReturnType<typeof setTimeout> | null = null;
  const isLost = () => {
    const had = trail[0]?.element;
    return had !== undefined && document.activeElement === document.body && !isThere(had) && path === location.pathname;
  };
  const look = () => {
    timer ??= isLost()
      ? setTimeout(() => {
          timer = null;
          if (isLost()) {
            focusNear(trail);
          }
        }, patience)
      : null;
  };
  const remember = ({ target }: FocusEvent) => {
    trail = trailOf(target as Element);
    path = location.pathname;
  };
  const lookSoon = () => setTimeout(look); // It may be on its way to something else.
  const changes = new MutationObserver(look);
  document.addEventListener('focusin', remember);
  document.addEventListener('focusout', lookSoon);
  changes.observe(document.body, { childList: true, subtree: true });
  return () => {
    document.removeEventListener('focusin', remember);
    document.removeEventListener('focusout', lookSoon);
    changes.disconnect();
  };
}

const isThere = (element: Element) => element.isConnected && (element.checkVisibility?.() ?? true);

function trailOf(element: Element): Trail {
  const steps = [{ element, at: 0 }];
  for (let child = element; child.parentElement; child = child.parentElement) {
    steps.push({ element: child.parentElement, at: [...child.parentElement.children].indexOf(child) });
  }

  return steps;
}

function focusNear(trail: Trail): void {
  const near = trail.find(({ element }) => isThere(element));
  const isOnPage = near !== undefined && document.body.contains(near.element) && near.element !== document.body;
  // A page that becomes another one by itself, such as an order that is delivered, is heard by its new heading; so is
  // the page beneath a sheet that is closed after what opened it has gone.
  const heading = document.querySelector<HTMLElement>('main h1');
  if (!isOnPage || (heading && trail[0]?.element.matches('h1'))) {
    focusOn(heading);
    return;
  }

  const children = [...near.element.children];
  const next = children.slice(near.at).flatMap(reachable)[0] ?? children.slice(0, near.at).flatMap(reachable).at(-1);
  focusOn(next ?? (near.element as HTMLElement));
}

function focusOn(element: HTMLElement | null): void {
  if (element && !element.matches(focusable)) {
    element.tabIndex = -1;
  }

  element?.focus({ preventScroll: true });
}

const reachable = (part: Element): HTMLElement[] =>
  [part, ...part.querySelectorAll(focusable)].filter(
    (element): element is HTMLElement =>
      element.matches(focusable) && isThere(element) && !element.closest('[aria-hidden=true], [inert]'),
  );
