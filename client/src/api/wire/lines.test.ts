import { afterEach, expect, it, vi } from 'vitest';
import { Refused } from './client';
import { linesOf } from './lines';

afterEach(() => vi.unstubAllGlobals());

const answered = (status: number, ...pieces: string[]) => {
  const fetched = vi.fn(() =>
    Promise.resolve(
      new Response(
        new ReadableStream({
          start(controller) {
            pieces.forEach((piece) => controller.enqueue(new TextEncoder().encode(piece)));
            controller.close();
          },
        }),
        { status },
      ),
    ),
  );
  vi.stubGlobal('fetch', fetched);
  return fetched;
};

const all = async () => {
  const lines: string[] = [];
  for await (const line of linesOf('/api/lines', { method: 'POST', headers: { 'X-Token': 't' } })) {
    lines.push(line);
  }

  return lines;
};

it('lines come whole, however they were cut on the way, and the last needs no end', async () => {
  const fetched = answered(200, '{"a":1}\n{"b"', ':2}\n\n{"c":3}');
  expect(await all()).toEqual(['{"a":1}', '{"b":2}', '{"c":3}']);
  expect(fetched).toHaveBeenCalledWith('/api/lines', {
    method: 'POST',
    headers: { 'X-Token': 't', Accept: 'application/x-ndjson' },
  });
});

it('a letter that was cut in two is one again', async () => {
  const bytes = new TextEncoder().encode('“£”\n');
  vi.stubGlobal('fetch', () =>
    Promise.resolve(
      new Response(
        new ReadableStream({
          start(controller) {
            bytes.forEach((byte) => controller.enqueue(new Uint8Array([byte])));
            controller.close();
          },
        }),
      ),
    ),
  );
  expect(await all()).toEqual(['“£”']);
});

it('a refusal is one, with its faults', async () => {
  answered(422, JSON.stringify({ errors: [{ code: 'required', where: 'name', message: 'Say it.' }] }));
  const refused = await all().catch((error: unknown) => error);
  expect(refused).toBeInstanceOf(Refused);
  expect((refused as Refused).faults).toEqual([{ code: 'required', where: 'name', message: 'Say it.' }]);
});
