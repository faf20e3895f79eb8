import { useChangeForm } from '../../api/site/changeForm';
import { useSite } from '../../api/site/site';
import { Button } from '../../ui/Button';
import { TextField } from '../../ui/fields/Field';

/** Some codes and offers are for new customers only; and how sure the owner is to go on makes the expected cost. */
export default function CustomerSheet({ close }: { close: () => void }) {
  const { page, change } = useSite();
  const { newCustomer, keepChancePercent } = page.settings;
  const { field, submit } = useChangeForm(
    { percent: keepChancePercent ?? '' },
    ({ percent }) => ({ kind: 'set-keep-chance', percent: percent.trim() || null }),
    close,
  );
  return (
    <div className="flex flex-col gap-4">
      <label className="flex gap-2">
        <input
          type="checkbox"
          checked={newCustomer}
          onChange={(event) => change({ kind: 'set-new-customer', isNew: event.target.checked })}
        />
        I am new to all these sellers, so codes for new customers work
      </label>
      <form onSubmit={submit} className="border-rule flex flex-col gap-2 border-t pt-3">
        <TextField
          label="How likely the site still runs a year from now, in percent"
          inputMode="decimal"
          placeholder="not said"
          pattern="[0-9]+([.][0-9]+)?"
          title="A number from 0 to 100, or nothing"
          hint="The expected cost comes from it: what is due later counts for less, as you may have stopped by then."
          {...field('percent')}
        />
        <Button type="submit">Count like this</Button>
      </form>
    </div>
  );
}
