import { useState, type FormEvent, type ReactNode } from 'react';
import type { DomainChoice } from '../../api/commands';
import { Button } from '../../ui/Button';
import { SelectField } from '../../ui/Field';
import { ExpiresField, InMonthsField, partsOf, RenewalField, WholeDomainField } from './DomainFields';
import { useSite } from '../site/SiteContext';

/** The routes beside registering a new name. */
export function OtherWays() {
  const { page, books, change } = useSite();
  const { letter, candidate } = page.worksheet;
  const choose = (domain: DomainChoice) => change({ kind: 'choose-domain', letter, domain });
  const host = candidate.hosting?.book;
  const sellers = books.filter((book) => book.plans.length === 0 || book.id === host);
  return (
    <section className="mt-8 max-w-3xl">
      <h2 className="text-lg">Or not a new name</h2>
      <Way title="I have a domain and keep it where it is">
        <KeptForm choose={choose} />
      </Way>
      <Way title="I have a domain and move it to a seller here">
        <MovedForm choose={choose} sellers={sellers} />
      </Way>
      <Way title="I choose the name later">
        <LaterForm choose={choose} sellers={sellers} />
      </Way>
      <Way title="I borrow an address of the host’s for now">
        <p className="text-soft">It costs nothing and goes when you leave the host. It needs a plan.</p>
        <Button className="mt-2" disabled={!candidate.hosting?.plan} onClick={() => choose({ route: 'lent' })}>
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

type Choose = (domain: DomainChoice) => void;
type Sellers = ReturnType<typeof useSite>['books'];

function KeptForm({ choose }: { choose: Choose }) {
  const { page } = useSite();
  const [domain, setDomain] = useState('');
  const [expires, setExpires] = useState('');
  const [renewal, setRenewal] = useState('');
  const submit = (event: FormEvent) => {
    event.preventDefault();
    choose({ route: 'keep', ...partsOf(domain), expires, renewal, currency: page.settings.currency });
  };
  return (
    <form onSubmit={submit} className="grid gap-3 sm:grid-cols-2">
      <WholeDomainField value={domain} set={setDomain} />
      <ExpiresField value={expires} set={setExpires} />
      <RenewalField value={renewal} set={setRenewal} />
      <div className="sm:col-span-2">
        <Button type="submit">Count it like this</Button>
      </div>
    </form>
  );
}

function MovedForm({ choose, sellers }: { choose: Choose; sellers: Sellers }) {
  const [domain, setDomain] = useState('');
  const [expires, setExpires] = useState('');
  const [book, setBook] = useState(sellers[0]?.id ?? '');
  const submit = (event: FormEvent) => {
    event.preventDefault();
    choose({ route: 'transfer', book, ...partsOf(domain), expires });
  };
  return (
    <form onSubmit={submit} className="grid gap-3 sm:grid-cols-2">
      <WholeDomainField value={domain} set={setDomain} />
      <ExpiresField value={expires} set={setExpires} />
      <SellerField sellers={sellers} label="Move it to" value={book} onChange={setBook} />
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

function LaterForm({ choose, sellers }: { choose: Choose; sellers: Sellers }) {
  const [book, setBook] = useState(sellers[0]?.id ?? '');
  const [ending, setEnding] = useState('com');
  const [months, setMonths] = useState('3');
  const endings = sellers.find((seller) => seller.id === book)?.domains.map((price) => price.ending) ?? [];
  const submit = (event: FormEvent) => {
    event.preventDefault();
    choose({
      route: 'later',
      book,
      ending: endings.includes(ending) ? ending : endings[0],
      inMonths: Number(months),
      years: 1,
    });
  };
  return (
    <form onSubmit={submit} className="grid gap-3 sm:grid-cols-2">
      <SellerField sellers={sellers} label="Buy it from" value={book} onChange={setBook} />
      <SelectField
        label="With the ending"
        value={endings.includes(ending) ? ending : endings[0]}
        onChange={(event) => setEnding(event.target.value)}
      >
        {endings.map((choice) => (
          <option key={choice} value={choice}>
            .{choice}
          </option>
        ))}
      </SelectField>
      <InMonthsField value={months} set={setMonths} />
      <div className="sm:col-span-2">
        <Button type="submit">Count it like this</Button>
      </div>
    </form>
  );
}

function SellerField({
  sellers,
  label,
  value,
  onChange,
}: {
  sellers: Sellers;
  label: string;
  value: string;
  onChange: (book: string) => void;
}) {
  return (
    <SelectField label={label} value={value} onChange={(event) => onChange(event.target.value)}>
      {sellers.map((seller) => (
        <option key={seller.id} value={seller.id}>
          {seller.provider}
        </option>
      ))}
    </SelectField>
  );
}
