import { useId, useState } from 'react';
import type { Page } from '../../api/books/pages';
import { Button } from '../Button';
import { cx } from '../cx';
import { Announced } from '../said/Announced';

/** Takes the clipboard's HTML where there is some, a file that is dropped or chosen, or typed words. */
export function PasteBox({
  label,
  give,
  error,
  isReading,
}: {
  label: string;
  give: (page: Page) => void;
  error: string | null;
  isReading: boolean;
}) {
  const id = useId();
  const file = useId();
  const [text, setText] = useState('');
  const [isOver, setOver] = useState(false);
  const read = (chosen: File | undefined) =>
    void (chosen && bytesOf(chosen).then((bytes) => give({ html: null, text: null, file: bytes })));
  return (
    <section
      aria-label={label}
      className={cx('border-blue rounded border border-dashed px-4 py-2.5', isOver && 'bg-band')}
      onDragOver={(event) => {
        event.preventDefault();
        setOver(true);
      }}
      onDragLeave={() => setOver(false)}
      onDrop={(event) => {
        event.preventDefault();
        setOver(false);
        const words = event.dataTransfer.getData('text/plain');
        if (event.dataTransfer.files.length > 0) {
          read(event.dataTransfer.files[0]);
        } else if (words) {
          give({ html: event.dataTransfer.getData('text/html') || null, text: words, file: null });
        }
      }}
    >
      <label htmlFor={id} className="font-semibold">
        {label}
      </label>
      <textarea
        id={id}
        rows={2}
        value={text}
        placeholder="Ctrl+A and Ctrl+C on their page, then Ctrl+V here"
        onChange={(event) => setText(event.target.value)}
        onPaste={(event) => {
          const html = event.clipboardData.getData('text/html');
          const words = event.clipboardData.getData('text/plain');
          if (text === '' && (html || words)) {
            give({ html: html || null, text: words || null, file: null });
          }
        }}
        className="border-blue bg-sheet placeholder:text-soft mt-1 w-full rounded border px-2.5 py-1.5"
      />
      <div className="mt-1 flex flex-wrap items-baseline gap-x-5 gap-y-1">
        {text.trim() !== '' && (
          <Button disabled={isReading} onClick={() => give({ html: null, text, file: null })}>
            Read it
          </Button>
        )}
        <span className="text-soft text-sm">
          <label htmlFor={file}>Or drop a saved page or a PDF here: </label>
          <input
            id={file}
            type="file"
            accept=".html,.htm,.mhtml,.mht,.pdf,.txt"
            className="max-w-full text-sm"
            onChange={(event) => read(event.target.files?.[0])}
          />
        </span>
        <Announced className="text-sm">
          {error ? <span className="text-red">{error}</span> : isReading ? 'Reading …' : null}
        </Announced>
      </div>
    </section>
  );
}

/** The bytes of a file in Base64. */
const bytesOf = (file: File) =>
  new Promise<string>((resolve, reject) => {
    const reader = new FileReader();
    reader.onload = () => resolve((reader.result as string).replace(/^[^,]*,/, ''));
    reader.onerror = () => reject(reader.error ?? new Error('The file cannot be read.'));
    reader.readAsDataURL(file);
  });
