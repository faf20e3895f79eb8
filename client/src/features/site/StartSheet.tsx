import { useChangeForm } from '../../api/site/changeForm';
import { useSite } from '../../api/site/site';
import { longDay } from '../../format/dates';
import { daySent } from '../../format/typedDates';
import { Button } from '../../ui/Button';
import { DateField } from '../../ui/fields/DateField';

/** From which day everything is added up. */
export default function StartSheet({ close }: { close: () => void }) {
  const { page, change } = useSite();
  const { startDate, startsToday, businessDate } = page.settings;
  const { field, submit } = useChangeForm(
    { date: longDay(startDate) },
    ({ date }) => ({ kind: 'set-start', date: daySent(date) === businessDate ? null : daySent(date) }),
    close,
  );
  return (
    <form onSubmit={submit} className="flex flex-col gap-3">
      <DateField
        label="Count from"
        required
        hint={`Today is ${longDay(businessDate)}. An order starts on the day it is placed.`}
        {...field('date')}
      />
      <div className="flex gap-2">
        <Button type="submit">Count from this day</Button>
        {!startsToday && (
          <Button
            onClick={() => {
              change({ kind: 'set-start', date: null });
              close();
            }}
          >
            From today
          </Button>
        )}
      </div>
    </form>
  );
}
