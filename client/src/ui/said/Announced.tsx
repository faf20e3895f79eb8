import { useEffect, useRef, type ComponentProps } from 'react';
import { announce } from './announce';

/** How long words must stay as they are before they are spoken, in ms: what passes sooner is not worth hearing. */
const rest = 300;

/**
 * Words that a screen reader speaks when they appear and whenever they change: as a whole, once, and from the one live
 * region of the page. A region of their own would be silent where it comes with its words, and is heard twice
 * elsewhere.
 */
export function Announced({
  as: Tag = 'p',
  onlyChanges = false,
  ...props
}: ComponentProps<'p'> & {
  as?: 'p' | 'span' | 'div' | 'section';
  /** Whether it is read with the page at first: then only later words are spoken. */
  onlyChanges?: boolean;
}) {
  const element = useRef<HTMLParagraphElement>(null);
  useEffect(() => {
    const read = () => spoken(element.current);
    let said = onlyChanges ? read() : '';
    let timer = 0;
    const later = () => {
      clearTimeout(timer);
      timer = window.setTimeout(() => {
        const words = read();
        if (words !== said) {
          said = words;
          announce(words);
        }
      }, rest);
    };
    later();
    const changes = new MutationObserver(later);
    changes.observe(element.current!, { childList: true, characterData: true, subtree: true });
    return () => {
      clearTimeout(timer);
      changes.disconnect();
    };
  }, [onlyChanges]);
  const Any = Tag as 'p';
  return <Any ref={element} {...props} />;
}

/** What is heard of an element: its words, but not those of the buttons and fields in it, nor what is hidden. */
function spoken(element: Element | null): string {
  const copy = element?.cloneNode(true) as Element | undefined;
  copy
    ?.querySelectorAll('button, a, input, select, textarea, [aria-hidden=true], [hidden]')
    .forEach((one) => one.remove());
  return (copy?.textContent ?? '').replace(/\s+/g, ' ').trim();
}
