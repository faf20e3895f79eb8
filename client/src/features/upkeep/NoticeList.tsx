import { shortDay } from '../../format/dates';
import { cx } from '../../ui/cx';
import type { Tenure } from './upkeep';

/** What should be known before its day. */
export function NoticeList({ tenure }: { tenure: Tenure }) {
  const isOver = tenure.holdings.every(({ state }) => state === 'gone' || state === 'left');
  return (
    <section aria-label="Coming up">
      <h3 className="text-lg">Coming up</h3>
      {tenure.notices.length === 0 ? (
        <p className="text-soft">
          {isOver
            ? 'Nothing is left of it to look after.'
            : 'Nothing. Everything is paid, and no price goes up in the time ahead.'}
        </p>
      ) : (
        <ul className="mt-1">
          {tenure.notices.map((notice) => (
            <li key={notice.kind + notice.holding + notice.on} className="odd:bg-band flex gap-3 px-2.5 py-1.5">
              <span className={cx('w-24 flex-none font-semibold', notice.isUrgent && 'text-red')}>
                {shortDay(notice.on)}
              </span>
              <span>
                <bdi>{notice.words}</bdi>
              </span>
            </li>
          ))}
        </ul>
      )}
    </section>
  );
}
