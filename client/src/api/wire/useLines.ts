import { useCallback, useEffect, useRef, useState } from 'react';
import { tokenHeader } from './client';
import { linesOf } from './lines';

/**
 * A request whose answer comes line by line. One at a time: the next one, `stop`, or leaving the page ends the one
 * before on the server too; what it told so far stays.
 */
export function useLines() {
  const [isRunning, setRunning] = useState(false);
  const [error, setError] = useState<Error | null>(null);
  const running = useRef<AbortController | null>(null);

  const stop = useCallback(() => {
    running.current?.abort();
    running.current = null;
    setRunning(false);
  }, []);

  /** True where the answer came to its end; false where it failed (`error` says why) or was stopped. */
  const run = useCallback(async (path: string, body: unknown, tell: (line: string) => void): Promise<boolean> => {
    running.current?.abort();
    const mine = new AbortController();
    running.current = mine;
    setRunning(true);
    setError(null);
    try {
      const lines = linesOf(path, {
        method: 'POST',
        headers: { 'Content-Type': 'application/json', ...tokenHeader() },
        body: JSON.stringify(body),
        signal: mine.signal,
      });
      for await (const line of lines) {
        tell(line);
      }
    } catch (failure) {
      if (!mine.signal.aborted) {
        setError(failure instanceof Error ? failure : new Error(String(failure)));
      }
    }

    if (mine.signal.aborted) {
      return false;
    }

    setRunning(false);
    return running.current === mine;
  }, []);

  useEffect(() => () => running.current?.abort(), []);
  return { isRunning, error, run, stop };
}
