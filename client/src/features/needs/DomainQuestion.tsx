import { useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { useForm, useWatch } from 'react-hook-form';
import type { Schemas } from '../../api/wire/client';
import { ownedRecordQuery, readOwnDomain } from '../../api/names/ownDomain';
import { longDay, shortDay } from '../../format/dates';
import { money } from '../../format/money';
import { daySent } from '../../format/typedDates';
import { span } from '../../format/words';
import { Button } from '../../ui/Button';
import { SelectField, TextField } from '../../ui/fields/Field';
import { ExpiresField, InMonthsField, RenewalField, WholeDomainField } from '../../ui/fields/DomainFields';
import { useSite } from '../../api/site/site';
import { Choice, Ticks } from './Answers';
import { Question } from './Question';
import type { Needs } from './requirements';

type DomainNeed = NonNullable<Needs['domain']>;
type Ask = (domain: Schemas['DomainNeedBody'] | null) => void;

/** Whether there is a domain already, and what is to become of it. What a route needs is asked once it is chosen. */
export function DomainQuestion({ needs, set }: { needs: Needs; set: (changed: Schemas['NeedsBody']) => void }) {
  const saved = needs.domain;
  const [chosen, setChosen] = useState<{ route: string; over: string } | null>(null);
  const over = JSON.stringify(saved);
  const route = chosen?.over === over ? chosen.route : (saved?.route ?? '');
  const ask: Ask = (domain) => set({ domain });
  const choose = (next: string) => {
    setChosen({ route: next, over });
    if (next === '') {
      ask(null);
    } else if (next === 'lent') {
      ask({ route: 'lent' });
    }
  };
  return (
    <Question
      ask="Have you a domain already, the name after the www?"
      becomes={saved?.route === route && saved ? domainWords(saved) : route === '' ? '' : 'not asked yet'}
    >
      <Choice label="Domain" value={route} set={choose}>
        <option value="">not said</option>
        <option value="register">no: register a new name</option>
        <option value="later">no: I choose it later</option>
        <option value="lent">no: borrow one for now</option>
        <option value="keep">yes: keep it where it is</option>
        <option value="transfer">yes: move it here</option>
      </Choice>
      <Answer key={over + route} route={route} saved={saved?.route === route ? saved : null} ask={ask} />
    </Question>
  );
}

function domainWords({ route, name, endings, years, inMonths, expires, renewal, currency }: DomainNeed): string {
  const written = endings.map((ending) => `${name ?? ''}.${ending}`).join(' or ');
  switch (route) {
    case 'register':
      return `register ${written} for ${span(12 * years)}`;
    case 'later':
      return inMonths > 0 ? `register ${written} in ${span(inMonths)}` : `register ${written} later`;
    case 'transfer':
      return `move ${written} in; it expires on ${expires ? shortDay(expires) : ''}`;
    case 'keep':
      return `keep ${written}: ${renewal && currency ? money(renewal, currency) : ''} a year from ${expires ? shortDay(expires) : ''}`;
    default:
      return 'an address lent by the host';
  }
}

/** What a route asks for: open until it is said, then folded away. */
function Answer({ route, saved, ask }: { route: string; saved: DomainNeed | null; ask: Ask }) {
  const details = <Details route={route} saved={saved} ask={ask} />;
  return saved && route !== 'lent' ? (
    <details>
      <summary className="text-blue mt-1 cursor-pointer text-[14px] font-semibold">change what is asked</summary>
      {details}
    </details>
  ) : (
    details
  );
}

function Details({ route, saved, ask }: { route: string; saved: DomainNeed | null; ask: Ask }) {
  switch (route) {
    case 'register':
      return <NewName saved={saved} ask={ask} />;
    case 'later':
      return <LaterName saved={saved} ask={ask} />;
    case 'transfer':
    case 'keep':
      return <OwnedName route={route} saved={saved} ask={ask} />;
    default:
      return null;
  }
}

interface Asked {
  saved: DomainNeed | null;
  ask: Ask;
}

const shape = 'mt-2 flex flex-col gap-2 text-[14px]';

function NewName({ saved, ask }: Asked) {
  const form = useForm({
    defaultValues: { name: saved?.name ?? '', endings: saved?.endings ?? ['com'], years: saved?.years ?? 1 },
  });
  const endings = useWatch({ control: form.control, name: 'endings' });
  const submit = form.handleSubmit(({ name, years }) =>
    ask({ route: 'register', name: name.trim().toLowerCase(), endings, years }),
  );
  return (
    <form className={shape} onSubmit={(event) => void submit(event)}>
      <TextField
        label="Name for the site"
        required
        maxLength={63}
        placeholder="ostlerwren"
        pattern="[A-Za-z0-9]+(-+[A-Za-z0-9]+)*"
        title="Letters, digits and inner hyphens, without the ending"
        {...form.register('name')}
      />
      <EndingTicks chosen={endings} set={(chosen) => form.setValue('endings', chosen)} />
      <SelectField label="Paid at once for" {...form.register('years', { valueAsNumber: true })}>
        {[1, 2, 3, 5, 10].map((count) => (
          <option key={count} value={count}>
            {span(12 * count)}
          </option>
        ))}
      </SelectField>
      <Submit disabled={endings.length === 0} />
    </form>
  );
}

function LaterName({ saved, ask }: Asked) {
  const form = useForm({ defaultValues: { endings: saved?.endings ?? ['com'], inMonths: saved?.inMonths ?? 3 } });
  const endings = useWatch({ control: form.control, name: 'endings' });
  const submit = form.handleSubmit(({ inMonths }) => ask({ route: 'later', name: null, endings, years: 1, inMonths }));
  return (
    <form className={shape} onSubmit={(event) => void submit(event)}>
      <InMonthsField {...form.register('inMonths', { valueAsNumber: true })} />
      <EndingTicks chosen={endings} set={(chosen) => form.setValue('endings', chosen)} />
      <Submit disabled={endings.length === 0} />
    </form>
  );
}

function OwnedName({ route, saved, ask }: Asked & { route: 'keep' | 'transfer' }) {
  const { page } = useSite();
  const form = useForm({
    defaultValues: {
      domain: saved ? `${saved.name ?? ''}.${saved.endings[0] ?? ''}` : '',
      expires: saved?.expires ? longDay(saved.expires) : '',
      renewal: saved?.renewal ?? '',
    },
  });
  const currency = saved?.currency ?? page.settings.currency;
  // The registry knows until when it is paid: the owner need not look for it.
  const queries = useQueryClient();
  const lookUp = async () => {
    const domain = form.getValues('domain').trim();
    const found = domain && (await queries.fetchQuery(ownedRecordQuery(page.id, domain)).catch(() => null));
    const expires = found && (found.had?.expires ?? found.registration?.expires);
    if (expires && !form.getValues('expires')) {
      form.setValue('expires', longDay(expires));
    }
  };
  const submit = form.handleSubmit(async ({ domain, expires: typed, renewal }) => {
    const expires = daySent(typed);
    const read = await readOwnDomain(domain);
    if ('fault' in read) {
      form.setError('domain', { message: read.fault });
    } else if (route === 'keep') {
      ask({ route, ...read, expires, renewal, currency });
    } else {
      ask({ route, name: read.name, endings: [read.ending], expires });
    }
  });
  return (
    <form className={shape} onSubmit={(event) => void submit(event)}>
      <WholeDomainField
        {...form.register('domain', { onBlur: () => void lookUp() })}
        fault={form.formState.errors.domain?.message}
      />
      <ExpiresField required {...form.register('expires')} />
      {route === 'keep' && <RenewalField required currency={currency} {...form.register('renewal')} />}
      <Submit />
    </form>
  );
}

/** The endings that somebody in the books sells. */
function EndingTicks({ chosen, set }: { chosen: readonly string[]; set: (endings: string[]) => void }) {
  const { books } = useSite();
  const sold = [...new Set([...books.flatMap((book) => book.domains.map((price) => price.ending)), ...chosen])].sort();
  return (
    <fieldset>
      <legend className="font-semibold">With one of these endings</legend>
      <Ticks of={sold.map((ending) => [ending, `.${ending}`] as const)} chosen={chosen} set={set} columns />
    </fieldset>
  );
}

function Submit({ disabled }: { disabled?: boolean }) {
  return (
    <p>
      <Button type="submit" disabled={disabled}>
        Ask for it
      </Button>
    </p>
  );
}
