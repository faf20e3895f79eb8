import { useChangeForm } from '../../api/site/changeForm';
import { useSite } from '../../api/site/site';
import { Button } from '../../ui/Button';
import { TextField } from '../../ui/fields/Field';

/** With which tax everything is added up. */
export default function TaxSheet({ close }: { close: () => void }) {
  const { page } = useSite();
  const { form, field, submit } = useChangeForm(
    { percent: page.settings.taxPercent, reclaimed: !page.settings.countTax },
    ({ percent, reclaimed }) => ({ kind: 'set-tax', percent, counted: !reclaimed }),
    close,
  );
  return (
    <form onSubmit={submit} className="flex flex-col gap-3">
      <TextField
        label="Tax, in percent"
        inputMode="decimal"
        required
        pattern="[0-9]+([.][0-9]+)?"
        title="Digits, with a decimal point if needed: 20 or 8.875"
        hint="It is added where a seller’s prices do not include it."
        {...field('percent')}
      />
      <label className="flex gap-2">
        <input type="checkbox" {...form.register('reclaimed')} />
        My business reclaims this tax: leave it out of what things cost me
      </label>
      <Button type="submit">Count like this</Button>
    </form>
  );
}
