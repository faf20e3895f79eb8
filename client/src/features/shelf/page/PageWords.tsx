import type { Schemas } from '../../../api/client';
import { marked, whyWords } from './words';

/** The page's own words, with what was read marked where it stands, and what went nowhere listed below. */
export function PageWords({ page }: { page: Schemas['PageReadingWire'] }) {
  return (
    <aside aria-label="The page’s own words" className="min-w-0 lg:sticky lg:top-4 lg:self-start">
      <h2 className="text-lg">The page’s own words</h2>
      <p className="text-soft text-sm">What was read is marked.</p>
      <div
        role="region"
        aria-label="Words of the page"
        tabIndex={0}
        className="border-rule mt-2 max-h-96 overflow-auto border px-3 py-2 text-sm break-words whitespace-pre-wrap"
      >
        {marked(page).map(({ words, isRead }, index) =>
          isRead ? (
            <mark key={index} className="bg-band text-ink border-blue border-b">
              {words}
            </mark>
          ) : (
            <span key={index}>{words}</span>
          ),
        )}
      </div>
      {page.notPlaced.length > 0 && (
        <>
          <h3 className="mt-4 font-semibold">Amounts that were left out</h3>
          <ul className="text-sm">
            {page.notPlaced.slice(0, 30).map(({ words, why, from }) => (
              <li key={from}>
                {words} <span className="text-soft">{whyWords(why)}</span>
              </li>
            ))}
            {page.notPlaced.length > 30 && <li className="text-soft">and {page.notPlaced.length - 30} more</li>}
          </ul>
        </>
      )}
    </aside>
  );
}
