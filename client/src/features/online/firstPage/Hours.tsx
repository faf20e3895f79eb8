import type { Schemas } from '../../../api/wire/client';

type HoursOfDay = Schemas['BusinessPageWire']['hours'][number];

const days = ['Monday', 'Tuesday', 'Wednesday', 'Thursday', 'Friday', 'Saturday', 'Sunday'];

/** When the business is open, day by day. */
export function Hours({
  hours,
  fault,
  set,
}: {
  hours: HoursOfDay[];
  fault: string | undefined;
  set: (hours: HoursOfDay[]) => void;
}) {
  const put = (day: number, next: HoursOfDay) => set(hours.map((old, at) => (at === day ? next : old)));
  // Narrow enough for both of a day to stand in one row on a telephone.
  const box = 'border-blue bg-sheet text-blue w-[7rem] rounded border px-1 text-sm font-semibold';
  return (
    <fieldset>
      <legend className="font-semibold">Open</legend>
      {days.map((day, at) => {
        const open = hours[at] ?? { isOpen: false, opens: '', closes: '' };
        return (
          <div key={day} className="odd:bg-band flex min-h-9 flex-wrap items-center gap-x-1.5 px-2">
            <label className="flex w-28 shrink-0 items-center gap-2 max-[24rem]:w-full">
              <input
                type="checkbox"
                className="accent-blue"
                checked={open.isOpen}
                onChange={(event) =>
                  put(at, {
                    isOpen: event.target.checked,
                    opens: open.opens || '09:00',
                    closes: open.closes || '17:00',
                  })
                }
              />
              {day}
            </label>
            {!open.isOpen ? (
              <span className="text-soft">closed</span>
            ) : (
              <>
                <input
                  type="time"
                  aria-label={`${day}, opens`}
                  className={box}
                  value={open.opens}
                  onChange={(event) => put(at, { ...open, opens: event.target.value })}
                />
                <span>to</span>
                <input
                  type="time"
                  aria-label={`${day}, closes`}
                  className={box}
                  value={open.closes}
                  onChange={(event) => put(at, { ...open, closes: event.target.value })}
                />
              </>
            )}
          </div>
        );
      })}
      {fault && <p className="text-red text-sm">{fault}</p>}
    </fieldset>
  );
}
