import { useWatch } from 'react-hook-form';
import { useChangeForm } from '../../api/site/changeForm';
import { useSite } from '../../api/site/site';
import { span } from '../../format/words';
import { Button } from '../../ui/Button';
import { SelectField, TextField } from '../../ui/fields/Field';

const horizons = [12, 24, 30, 36, 48, 60, 84, 120];

/** Over how long everything is added up. */
export default function HorizonSheet({ close }: { close: () => void }) {
  const { page } = useSite();
  const now = page.settings.horizonMonths;
  const choices = horizons.includes(now) ? horizons : [...horizons, now].sort((left, right) => left - right);
  const { form, field, submit } = useChangeForm(
    { months: now },
    ({ months }) => ({ kind: 'set-horizon', months }),
    close,
  );
  const months = useWatch({ control: form.control, name: 'months' });
  return (
    <form onSubmit={submit} className="flex flex-col gap-3">
      <SelectField
        label="Count what is due over"
        hint="Longer shows what happens after the first price has run out."
        value={choices.includes(months) ? months : ''}
        onChange={(event) => form.setValue('months', Number(event.target.value))}
      >
        {choices.map((choice) => (
          <option key={choice} value={choice}>
            {span(choice)}
          </option>
        ))}
        {!choices.includes(months) && <option value="">another number</option>}
      </SelectField>
      <TextField
        label="or so many months"
        type="number"
        min={1}
        max={120}
        step={1}
        required
        {...field('months')}
        {...form.register('months', { valueAsNumber: true })}
      />
      <Button type="submit">Count over this</Button>
    </form>
  );
}
