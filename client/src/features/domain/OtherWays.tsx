import type { ReactNode } from 'react';
import { useWatch } from 'react-hook-form';
import { useChangeForm } from '../../api/changeForm';
import { readOwnDomain } from '../../api/ownDomain';
import { useSite } from '../../api/site';
import { ExpiresField, InMonthsField, RenewalField, WholeDomainField } from '../../ui/DomainFields';
import { Button } from '../../ui/Button';
import { SelectField } from '../../ui/Field';

/** The routes beside registering a new name. */
export function OtherWays() {
  const { page, change } = useSite();
  const { letter, candidate } = page.worksheet;
  return (
    <section className="mt-8 max-w-3xl">
      <h2 className="text-lg">Or not a new name</h2>
      <Way title="I have a domain and keep it where it is">
        <KeptForm />
      </Way>
      <Way title="I have a domain and move it to a seller here">
        <MovedForm />
      </Way>
      <Way title="I choose the name later">
        <LaterForm />
      </Way>
      <Way title="I borrow an address of the host’s for now">
        <p className="text-soft">It costs nothing and goes when you leave the host. It needs a plan.</p>
        <Button
          className="mt-2"
          disabled={!candidate.hosting?.plan}
          onClick={() => change({ kind: 'choose-domain', letter, domain: { route: 'lent' } })}
        >
          Borrow an address for {letter}
        </Button>
      </Way>
    </section>
  );
}

function Way({ title, children }: { title: string; children: ReactNode }) {
  return (
    <details className="border-rule border-b py-2">
      <summary className="text-blue cursor-pointer font-semibold">{title}</summary>
      <div className="py-3">{children}</div>
    </details>
  );
}

const shape = 'grid gap-3 sm:grid-cols-2';

/** Everybody who sells domains with this candidate, each once. */
function useSellers(takesTransfers: boolean) {
  const { endings } = useSite().page.worksheet;
  const all = endings.flatMap((offer) => offer.sellers).filter((seller) => seller.takesTransfers || !takesTransfers);
  return [...new Map(all.map((seller) => [seller.book, seller])).values()];
}

function KeptForm() {
  const { page } = useSite();
  const { currency } = page.settings;
  const { field, submit } = useChangeForm(
    { name: '', expires: '', renewal: '' },
    async ({ name, expires, renewal }, form) => {
      const read = await readOwnDomain(name);
      if ('fault' in read) {
        form.setError('name', { message: read.fault });
        return null;
      }

      return {
        kind: 'choose-domain',
        letter: page.worksheet.letter,
        domain: { route: 'keep', ...read, expires, renewal, currency },
      };
    },
  );
  return (
    <form onSubmit={submit} className={shape}>
      <WholeDomainField {...field('name')} />
      <ExpiresField {...field('expires')} />
      <RenewalField currency={currency} {...field('renewal')} />
      <div className="sm:col-span-2">
        <Button type="submit">Count it like this</Button>
      </div>
    </form>
  );
}

function MovedForm() {
  const { page } = useSite();
  const sellers = useSellers(true);
  const { field, submit } = useChangeForm(
    { name: '', expires: '', book: sellers[0]?.book ?? '' },
    async ({ name, expires, book }, form) => {
      const read = await readOwnDomain(name);
      if ('fault' in read) {
        form.setError('name', { message: read.fault });
        return null;
      }

      return {
        kind: 'choose-domain',
        letter: page.worksheet.letter,
        domain: { route: 'transfer', book, ...read, expires },
      };
    },
  );
  const { fault: unsold } = field('book');
  return (
    <form onSubmit={submit} className={shape}>
      <WholeDomainField {...field('name')} />
      <ExpiresField {...field('expires')} />
      <SelectField label="Move it to" {...field('book')} fault={unsold}>
        {sellers.map((seller) => (
          <option key={seller.book} value={seller.book}>
            {seller.provider}
          </option>
        ))}
      </SelectField>
      <p className="text-soft text-sm sm:col-span-2">
        You will need its transfer code, and it must not be locked. A transfer is costed here, but cannot be ordered
        here yet.
      </p>
      <div>
        <Button type="submit">Count it like this</Button>
      </div>
    </form>
  );
}

function LaterForm() {
  const { page } = useSite();
  const { endings } = page.worksheet;
  const sellers = useSellers(false);
  const { form, field, submit } = useChangeForm(
    { book: sellers[0]?.book ?? '', ending: 'com', inMonths: 3 },
    ({ book, ending, inMonths }) => ({
      kind: 'choose-domain',
      letter: page.worksheet.letter,
      domain: { route: 'later', book, ending, inMonths, years: 1 },
    }),
  );
  const book = useWatch({ control: form.control, name: 'book' });
  const sold = endings.filter((offer) => offer.sellers.some((seller) => seller.book === book));
  return (
    <form onSubmit={submit} className={shape}>
      <SelectField label="Buy it from" {...field('book')}>
        {sellers.map((seller) => (
          <option key={seller.book} value={seller.book}>
            {seller.provider}
          </option>
        ))}
      </SelectField>
      <SelectField label="With the ending" {...field('ending')}>
        {sold.map(({ ending }) => (
          <option key={ending} value={ending}>
            .{ending}
          </option>
        ))}
      </SelectField>
      <InMonthsField {...field('inMonths')} {...form.register('inMonths', { valueAsNumber: true })} />
      <div className="sm:col-span-2">
        <Button type="submit">Count it like this</Button>
      </div>
    </form>
  );
}
