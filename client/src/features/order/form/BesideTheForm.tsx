import { useWatch, type Control } from 'react-hook-form';
import { useSite } from '../../../api/site/site';
import { countryName } from './countries';
import { movedIn, type OrderForm } from './form';

/** What the eye needs beside the form: what everybody will be able to read, and what the button sets going. */
export function BesideTheForm({ control }: { control: Control<OrderForm> }) {
  return (
    <aside className="flex flex-col gap-8 self-start lg:sticky lg:top-0 lg:pt-4">
      <PublicRecord control={control} />
      <WhatHappens />
    </aside>
  );
}

/** The public record of the domain, as it will stand there, written while the owner types. */
function PublicRecord({ control }: { control: Control<OrderForm> }) {
  const { page } = useSite();
  const [payer, holder, isHeldByOther] = useWatch({ control, name: ['contact', 'holder', 'isHeldByOther'] });
  const contact = isHeldByOther ? holder : payer;
  const record = page.worksheet.publicRecord;
  if (!record) {
    return null;
  }

  const rows: [string, string, string][] = [
    ['name', 'Holder', contact.name],
    ['organisation', 'Organisation', contact.organisation],
    ['street', 'Street', contact.street],
    ['town', 'Town', contact.town],
    ['postcode', 'Postcode', contact.postcode],
    ['country', 'Country', countryName(contact.country)],
    ['mail', 'Mail', contact.mail],
    ['telephone', 'Telephone', contact.telephone],
  ];
  return (
    <section aria-labelledby="public-record">
      <h2 id="public-record" className="text-lg">
        What everybody can read
      </h2>
      <p className="text-soft text-sm">{recordWords(record)}</p>
      <dl className="[&>*:nth-child(4n+1)]:bg-band [&>*:nth-child(4n+2)]:bg-band mt-2 grid grid-cols-[6rem_minmax(0,1fr)] text-[14px] [&>*]:px-2.5 [&>*]:py-1">
        <dt className="text-soft">Domain</dt>
        <dd className="font-semibold break-words">
          <bdi>{record.domain}</bdi>
        </dd>
        {rows.map(([field, name, value]) => (
          <Row key={name} name={name} value={value} isHidden={!isShown(record, field)} />
        ))}
      </dl>
    </section>
  );
}

type Record = NonNullable<ReturnType<typeof useSite>['page']['worksheet']['publicRecord']>;

// What a book does not state is taken as shown, unless contact privacy is had.
const isShown = ({ shown, isPrivate }: Record, field: string) => (shown ? shown.includes(field) : !isPrivate);

function recordWords({ isPrivate, privacy, seller, shown }: Record): string {
  if (shown === null) {
    return isPrivate
      ? `You take contact privacy: ${seller} stands in your place in the public record.`
      : 'Without contact privacy the registry may show all of this in its public record: the price list does not say.';
  }

  switch (privacy) {
    case 'forbidden':
      return 'This registry hides nobody: what is shown here in black is seen, whatever is bought.';
    case 'by-default':
      return isPrivate
        ? `You take contact privacy: ${seller} stands in your place in the public record.`
        : 'This registry leaves a private person’s details out by itself; a business’s are seen.';
    default:
      return isPrivate
        ? `You take contact privacy: ${seller} stands in your place in the public record.`
        : 'Without contact privacy anybody can read what is shown here in black.';
  }
}

function Row({ name, value, isHidden }: { name: string; value: string; isHidden: boolean }) {
  return (
    <>
      <dt className="text-soft">{name}</dt>
      <dd className="break-words">
        {isHidden ? (
          <span className="text-green">not shown</span>
        ) : (
          <bdi className={value ? '' : 'text-soft'}>{value || 'not given yet'}</bdi>
        )}
      </dd>
    </>
  );
}

/** The steps in the order in which they are carried out. */
function WhatHappens() {
  const { page } = useSite();
  const { candidate, publicRecord } = page.worksheet;
  const moved = movedIn(candidate.domains);
  const registered = candidate.domains.filter((domain) => domain.route === 'register');
  const steps = [
    'The money is held: on your card, in your wallet, or once your bank transfer has arrived. Nothing is taken yet.',
    candidate.hosting && 'The host prepares your account.',
    ...moved.map((domain) => `${domain} is moved in. That takes up to five days, and its present seller may refuse.`),
    ...registered.map(
      ({ name, ending }) => `${name}.${ending} is registered. From here on it is yours, and that cannot be undone.`,
    ),
    candidate.hosting && publicRecord && 'The domain is pointed at the hosting.',
    'Only now is the money taken, and you get your key sheet.',
  ].filter((step): step is string => Boolean(step));
  return (
    <section aria-labelledby="what-happens">
      <h2 id="what-happens" className="text-lg">
        What the button sets going
      </h2>
      <ol className="mt-1 list-decimal pl-5 text-[14px] [&>li]:py-1">
        {steps.map((step) => (
          <li key={step}>
            <bdi>{step}</bdi>
          </li>
        ))}
      </ol>
      <h3 className="mt-3 font-semibold">When does it start working?</h3>
      <p className="text-[14px]">
        {[
          candidate.hosting && 'The hosting works within minutes.',
          registered.length > 0 && 'A new name is seen by most people within an hour, and everywhere within two days.',
          moved.length > 0 && 'A domain that is moved goes on working where it is until it has come, up to five days.',
        ]
          .filter(Boolean)
          .join(' ')}
      </p>
      <p className="text-soft mt-2 text-sm">
        If something fails before a domain is yours, all of it is undone and nothing is charged.
      </p>
    </section>
  );
}
