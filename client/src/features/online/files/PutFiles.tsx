import { useRef, useState, type DragEvent } from 'react';
import { api, Refused } from '../../../api/wire/client';
import { cx } from '../../../ui/cx';
import { Button } from '../../../ui/Button';
import { TextField } from '../../../ui/fields/Field';
import { begin, chosenOf, droppedOf, send, type Chosen, type Progress, type Upload } from './upload';
import { Announced } from '../../../ui/said/Announced';

/**
 * Files, a folder or a ZIP: chosen or dropped, checked before a byte is sent, sent with progress, stopped and gone on
 * with.
 */
export function PutFiles({ orderId, unfinished, done }: { orderId: string; unfinished: Upload[]; done: () => void }) {
  const [folder, setFolder] = useState('');
  const [alone, setAlone] = useState(false);
  const [progress, setProgress] = useState<Progress | null>(null);
  const [said, setSaid] = useState('');
  const [faults, setFaults] = useState<string[]>([]);
  const [isOver, setOver] = useState(false);
  const stop = useRef<AbortController | null>(null);

  const run = async (chosen: Chosen[], going?: Upload) => {
    if (chosen.length === 0 || progress) {
      return;
    }

    setFaults([]);
    setSaid('');
    setProgress({ sent: 0, of: 1, placed: null });
    stop.current = new AbortController();
    try {
      const upload = going ?? (await begin(orderId, chosen, folder, alone));
      await send(orderId, upload, chosen, setProgress, stop.current.signal);
      setSaid('It is up. Visitors see it from now on.');
    } catch (error) {
      setFaults(
        stop.current.signal.aborted
          ? ['Stopped. What was sent is kept for a week: choose the same files again to go on.']
          : error instanceof Refused && error.faults.length > 0
            ? error.faults.map(({ message }) => message)
            : [
                error instanceof TypeError
                  ? 'The connection was lost. Choose the same files again to go on: what was sent is kept.'
                  : (error as Error).message,
              ],
      );
    }

    setProgress(null);
    done();
  };
  const goOn = (upload: Upload, files: FileList | null) => void run(chosenOf(files ?? []), upload);
  const drop = (event: DragEvent) => {
    event.preventDefault();
    setOver(false);
    void droppedOf(event.dataTransfer.items).then((chosen) => run(chosen));
  };
  return (
    <div className="flex max-w-xl flex-col gap-3">
      <h2 className="text-lg">Put files up</h2>
      <div
        className={cx('border-blue rounded border border-dashed px-4 py-5', isOver && 'bg-band')}
        onDragOver={(event) => (event.preventDefault(), setOver(true))}
        onDragLeave={() => setOver(false)}
        onDrop={drop}
      >
        <p>Drop files, a folder or a ZIP here, or choose:</p>
        <p className="mt-2 flex flex-wrap gap-x-6 gap-y-2">
          <Choose label="Files or a ZIP" disabled={!!progress} chosen={(files) => void run(chosenOf(files))} />
          <Choose label="A folder" isFolder disabled={!!progress} chosen={(files) => void run(chosenOf(files))} />
        </p>
      </div>
      <TextField
        label="Into which folder"
        hint="Empty: the front of your site."
        value={folder}
        onChange={(event) => setFolder(event.target.value)}
      />
      <label className="flex items-baseline gap-2">
        <input
          type="checkbox"
          className="accent-blue"
          checked={alone}
          onChange={(event) => setAlone(event.target.checked)}
        />
        <span>Everything that is there now gives way</span>
      </label>
      {progress && (
        <div>
          <Announced>
            {progress.placed
              ? `Putting it up: ${progress.placed.done} of ${progress.placed.files} files`
              : `Sending: ${Math.floor((100 * progress.sent) / Math.max(1, progress.of))} %`}
          </Announced>
          <progress
            className="accent-blue w-full"
            aria-label="How much is sent"
            value={progress.placed ? progress.placed.done : progress.sent}
            max={progress.placed ? progress.placed.files : Math.max(1, progress.of)}
          />
          <Button look="text" onClick={() => stop.current?.abort()}>
            Stop
          </Button>
        </div>
      )}
      {said && <Announced className="text-green">{said}</Announced>}
      {faults.length > 0 && (
        <Announced as="div" className="text-red">
          <ul>
            {faults.slice(0, 12).map((fault) => (
              <li key={fault} className="break-words">
                {fault}
              </li>
            ))}
          </ul>
          {faults.length > 12 && <p>and {faults.length - 12} more.</p>}
        </Announced>
      )}
      {!progress &&
        unfinished.map((upload) => (
          <div key={upload.id} className="bg-band px-3 py-2">
            <p>
              An upload is not finished: {upload.files.filter(({ has, size }) => has === size).length} of{' '}
              {upload.files.length} files are here
              {upload.files[0] && (
                <>
                  , beginning with <bdi className="break-all">{upload.files[0].path}</bdi>
                </>
              )}
              . Choose the same again to go on.
            </p>
            <p className="mt-1 flex flex-wrap gap-x-6">
              <Choose label="Go on with files" disabled={false} chosen={(files) => goOn(upload, files)} />
              {upload.files.length > 1 && (
                <Choose label="Go on with a folder" isFolder disabled={false} chosen={(files) => goOn(upload, files)} />
              )}
              <Button
                look="text"
                onClick={() =>
                  void api
                    .DELETE('/api/orders/{orderId}/uploads/{uploadId}', {
                      params: { path: { orderId, uploadId: upload.id } },
                    })
                    .then(done)
                }
              >
                Give it up
              </Button>
            </p>
          </div>
        ))}
    </div>
  );
}

function Choose({
  label,
  isFolder = false,
  disabled,
  chosen,
}: {
  label: string;
  isFolder?: boolean;
  disabled: boolean;
  chosen: (files: FileList) => void;
}) {
  return (
    <label className={cx('ink focus-within:outline-blue focus-within:outline-2', disabled && 'opacity-50')}>
      {label}
      <input
        type="file"
        multiple
        disabled={disabled}
        className="sr-only"
        {...(isFolder ? { webkitdirectory: '' } : {})}
        onChange={(event) => {
          const files = event.target.files;
          if (files) {
            chosen(files);
          }

          // The same files can be chosen again.
          event.target.value = '';
        }}
      />
    </label>
  );
}
