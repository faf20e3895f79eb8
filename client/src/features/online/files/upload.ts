import { api, expect, Refused, tokenHeader, type Schemas } from '../../../api/wire/client';
import { linesOf } from '../../../api/wire/lines';
import { putUpLineOf } from '../../../api/wire/shapes';

export type Upload = Schemas['UploadWire'];

/** A file as it was chosen, with where it goes. */
export interface Chosen {
  path: string;
  file: File;
}

export interface Progress {
  /** Bytes that are with us, of all. */
  sent: number;
  of: number;
  /** Files that are with the host, of all; null until all is sent. */
  placed: { done: number; files: number } | null;
}

const pieceBytes = 4 * 1024 * 1024;
const atOnce = 4;

/** What a folder, a list of files or a drop holds, with the paths inside it. */
export const chosenOf = (files: Iterable<File>): Chosen[] =>
  [...files].map((file) => {
    const path = file.webkitRelativePath || file.name;
    // A folder that was chosen is meant as what is in it.
    return { path: file.webkitRelativePath ? path.slice(path.indexOf('/') + 1) : path, file };
  });

/** What was dropped: folders are walked. */
export async function droppedOf(items: DataTransferItemList): Promise<Chosen[]> {
  const entries = [...items].map((item) => item.webkitGetAsEntry()).filter((entry) => entry !== null);
  const inside = entries.length === 1 && entries[0]!.isDirectory;
  const found = (await Promise.all(entries.map((entry) => walk(entry, '')))).flat();
  return inside ? found.map(({ path, file }) => ({ path: path.slice(path.indexOf('/') + 1), file })) : found;
}

async function walk(entry: FileSystemEntry, within: string): Promise<Chosen[]> {
  const path = within + entry.name;
  if (entry.isFile) {
    const file = await new Promise<File>((resolve, reject) => (entry as FileSystemFileEntry).file(resolve, reject));
    return [{ path, file }];
  }

  const reader = (entry as FileSystemDirectoryEntry).createReader();
  const all: FileSystemEntry[] = [];
  // A folder tells its files a hundred at a time, and nothing when there are no more.
  for (;;) {
    const some = await new Promise<FileSystemEntry[]>((resolve, reject) => reader.readEntries(resolve, reject));
    if (some.length === 0) {
      break;
    }

    all.push(...some);
  }

  return (await Promise.all(all.map((inner) => walk(inner, `${path}/`)))).flat();
}

/** Says what is to come; the server refuses what may not be there before a byte is sent. */
export const begin = async (orderId: string, chosen: Chosen[], folder: string, alone: boolean): Promise<Upload> =>
  expect(
    await api.POST('/api/orders/{orderId}/uploads', {
      params: { path: { orderId } },
      body: {
        files: chosen.map(({ path, file }) => ({ path, size: file.size })),
        folder,
        alone,
        unpacks: chosen.length === 1 && chosen[0]!.path.toLowerCase().endsWith('.zip'),
      },
    }),
  );

/**
 * Sends what is missing, a piece at a time, and puts the whole up. Stopping it loses nothing: the same upload is gone
 * on with later.
 */
export async function send(
  orderId: string,
  upload: Upload,
  chosen: Chosen[],
  tell: (progress: Progress) => void,
  signal: AbortSignal,
): Promise<void> {
  const of = upload.files.reduce((sum, file) => sum + file.size, 0);
  let sent = upload.files.reduce((sum, file) => sum + file.has, 0);
  const left = upload.files
    .map((file, index) => ({ ...file, index }))
    .filter(({ has, size }) => has < size || size === 0);
  const workers = Array.from({ length: atOnce }, async () => {
    for (let next = left.shift(); next; next = left.shift()) {
      const file = chosen.find(({ path }) => path === next.path)?.file;
      if (!file || file.size !== next.size) {
        throw new Error(`${next.path} is not among the files you chose, or it has changed since.`);
      }

      let has = next.has;
      do {
        const piece = file.slice(has, has + pieceBytes);
        const now = await sendPiece(orderId, upload.id, next.index, has, piece, signal);
        sent += now - has;
        has = now;
        tell({ sent, of, placed: null });
      } while (has < next.size);
    }
  });
  await Promise.all(workers);
  const request = { method: 'POST', headers: tokenHeader(), signal };
  for await (const text of linesOf(`/api/orders/${orderId}/uploads/${upload.id}/put-up`, request)) {
    const line = putUpLineOf(text);
    tell({ sent, of, placed: { done: line.done, files: line.files } });
    if (line.problem !== null) {
      throw new Error(line.problem);
    }
  }
}

async function sendPiece(orderId: string, id: string, index: number, from: number, piece: Blob, signal: AbortSignal) {
  const answer = await fetch(`/api/orders/${orderId}/uploads/${id}/files/${index}?from=${from}`, {
    method: 'PUT',
    headers: { 'Content-Type': 'application/octet-stream', ...tokenHeader() },
    body: piece,
    signal,
  });
  const told = (await answer.json().catch(() => null)) as { has?: number } | null;
  // A piece whose answer was lost is there already: the server says how far it is.
  if ((answer.ok || answer.status === 409) && typeof told?.has === 'number') {
    return told.has;
  }

  throw new Refused(answer.status, told);
}
