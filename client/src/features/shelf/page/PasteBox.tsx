import { useId, useState } from 'react';
import type { Pasted } from '../../../api/pages';
import { Button } from '../../../ui/Button';

/** Takes the clipboard's HTML where there is some, or a saved page; typed words work too. */
export function PasteBox({
  give,
  error,
  isReading,
}: {
  give: (pasted: Pasted) => void;
  error: string | null;
  isReading: boolean;
}) {
  const id = useId();
  const file = useId();
  const [text, setText] = useState('');
  return (
    <section className="border-blue mt-4 rounded border border-dashed px-4 py-3">
      <label htmlFor={id} className="font-semibold">
        The page
      </label>
      <textarea
        id={id}
        rows={3}
        value={text}
        onChange={(event) => setText(event.target.value)}
        onPaste={(event) => {
          const html = event.clipboardData.getData('text/html');
          const words = event.clipboardData.getData('text/plain');
          if (text === '' && (html || words)) {
            give({ html: html || null, text: words || null });
          }
        }}
        className="border-blue bg-sheet mt-1 w-full rounded border px-2.5 py-1.5"
      />
      <div className="mt-1 flex flex-wrap items-baseline gap-x-5 gap-y-1">
        <Button disabled={text.trim() === '' || isReading} onClick={() => give({ html: null, text })}>
          Read it
        </Button>
        <span>
          <label htmlFor={file}>or choose a saved page: </label>
          <input
            id={file}
            type="file"
            accept=".html,.htm,.txt"
            className="max-w-full text-sm"
            onChange={(event) => {
              const chosen = event.target.files?.[0];
              void chosen
                ?.text()
                .then((words) =>
                  give(/\.html?$/i.test(chosen.name) ? { html: words, text: null } : { html: null, text: words }),
                );
            }}
          />
        </span>
        <p aria-live="polite" className="text-sm">
          {error ? <span className="text-red">{error}</span> : isReading ? 'Reading …' : null}
        </p>
      </div>
    </section>
  );
}
