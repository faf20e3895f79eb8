import { afterEach, beforeEach, expect, test, vi } from 'vitest';
import { send, type Progress, type Upload } from './upload';

const mb = 1024 * 1024;
const upload = (files: Upload['files']): Upload => ({ id: 'u', folder: '', alone: false, unpacks: false, files });
const file = (name: string, size: number) => ({ path: name, file: new File([new Uint8Array(size)], name) });

let pieces: { index: string; from: number; size: number }[] = [];
let answer: (from: number, size: number) => Response = () => new Response();
let lines: unknown[] = [];

beforeEach(() => {
  pieces = [];
  lines = [{ done: 1, files: 1, version: 1, problem: null }];
  answer = (from, size) => Response.json({ has: from + size });
  vi.stubGlobal('fetch', (path: string, request: RequestInit) => {
    if (path.endsWith('/put-up')) {
      return Promise.resolve(new Response(lines.map((line) => `${JSON.stringify(line)}\n`).join('')));
    }

    const [, index, from] = /files\/(\d+)\?from=(\d+)/.exec(path)!;
    const size = (request.body as Blob).size;
    pieces.push({ index: index!, from: Number(from), size });
    return Promise.resolve(answer(Number(from), size));
  });
});

afterEach(() => vi.unstubAllGlobals());

const run = async (what: Upload, chosen: ReturnType<typeof file>[]) => {
  const told: Progress[] = [];
  await send('o', what, chosen, (progress) => told.push(progress), new AbortController().signal);
  return told;
};

test('a large file goes in pieces, one behind the other', async () => {
  const told = await run(upload([{ path: 'a.mp4', size: 9 * mb, has: 0 }]), [file('a.mp4', 9 * mb)]);
  expect(pieces.map(({ from, size }) => [from / mb, size / mb])).toEqual([
    [0, 4],
    [4, 4],
    [8, 1],
  ]);
  expect(told.map(({ sent }) => sent / mb)).toEqual([4, 8, 9, 9]);
  expect(told.at(-1)!.placed).toEqual({ done: 1, files: 1 });
});

test('what is there already is not sent again, and an empty file is', async () => {
  await run(
    upload([
      { path: 'a.html', size: 10, has: 10 },
      { path: 'b.html', size: 10, has: 4 },
      { path: 'c.html', size: 0, has: 0 },
    ]),
    [file('a.html', 10), file('b.html', 10), file('c.html', 0)],
  );
  expect(pieces).toEqual([
    { index: '1', from: 4, size: 6 },
    { index: '2', from: 0, size: 0 },
  ]);
});

test('a piece whose answer was lost is gone on from where the server says', async () => {
  answer = (from, size) =>
    from === 0 ? Response.json({ has: 4 * mb }, { status: 409 }) : Response.json({ has: from + size });
  await run(upload([{ path: 'a.mp4', size: 5 * mb, has: 0 }]), [file('a.mp4', 5 * mb)]);
  expect(pieces.map(({ from }) => from / mb)).toEqual([0, 4]);
});

test('another file under the same name is not sent', async () => {
  await expect(run(upload([{ path: 'a.html', size: 10, has: 4 }]), [file('a.html', 11)])).rejects.toThrow(
    'a.html is not among the files you chose, or it has changed since.',
  );
  await expect(run(upload([{ path: 'a.html', size: 10, has: 4 }]), [])).rejects.toThrow('a.html is not among');
  expect(pieces).toEqual([]);
});

test('a refusal and a problem while putting up are said in their own words', async () => {
  answer = () => Response.json({ detail: 'There is no such upload here.' }, { status: 404 });
  await expect(run(upload([{ path: 'a.html', size: 1, has: 0 }]), [file('a.html', 1)])).rejects.toThrow(
    'There is no such upload here.',
  );
  answer = (from, size) => Response.json({ has: from + size });
  lines = [
    { done: 0, files: 1, version: null, problem: null },
    { done: 0, files: 1, version: null, problem: 'The host has no room.' },
  ];
  await expect(run(upload([{ path: 'a.html', size: 1, has: 0 }]), [file('a.html', 1)])).rejects.toThrow('no room');
});
