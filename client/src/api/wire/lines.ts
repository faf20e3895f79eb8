import { Refused } from './client';

/**
 * The lines of an answer that is told line by line, each as it comes. Leaving the loop, or the signal, ends it on the
 * server too.
 */
export async function* linesOf(path: string, request: RequestInit): AsyncGenerator<string> {
  const answer = await fetch(path, {
    ...request,
    headers: { ...request.headers, Accept: 'application/x-ndjson' },
  });
  if (!answer.ok || !answer.body) {
    throw new Refused(answer.status, await answer.json().catch(() => null));
  }

  const reader = answer.body.pipeThrough(new TextDecoderStream()).getReader();
  let rest = '';
  try {
    for (;;) {
      const { value, done } = await reader.read();
      const lines = (rest + (value ?? '')).split('\n');
      rest = done ? '' : (lines.pop() ?? '');
      yield* lines.filter(Boolean);
      if (done) {
        return;
      }
    }
  } finally {
    void reader.cancel().catch(() => undefined);
  }
}
