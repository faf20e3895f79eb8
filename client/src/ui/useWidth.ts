import { useEffect, useRef, useState } from 'react';

/** The width of a block, in pixels: a picture scaled with its block would scale its words too. */
export function useWidth() {
  const frame = useRef<HTMLDivElement>(null);
  const [width, setWidth] = useState(0);
  useEffect(() => {
    const block = frame.current;
    if (!block) {
      return;
    }

    const observer = new ResizeObserver(([entry]) => setWidth(Math.floor(entry?.contentRect.width ?? 0)));
    observer.observe(block);
    return () => observer.disconnect();
  }, []);
  return [frame, width] as const;
}
