import { useQuery } from '@tanstack/react-query';
import { Link } from '@tanstack/react-router';
import { useState, type ReactNode } from 'react';
import type { Schemas } from '../../api/client';
import { scanQuery } from '../../api/scan';
import { cx } from '../../ui/cx';
import { Button } from '../../ui/Button';
import { useSite } from '../site/SiteContext';
import { Rejected } from '../scan/Rejected';

type Needs = Schemas['NeedsWire'];

const box =
  'border-blue text-blue w-full rounded border bg-sheet px-2 py-1 font-semibold placeholder:font-normal placeholder:text-soft';

/** What the site must do, in the owner's words; each answer says the requirement it becomes. Nothing is required. */
export function NeedsPage() {
  const { page, change } = useSite();
  const { needs, settings } = page;
  const set = (changed: Partial<Needs>) => change({ kind: 'set-needs', needs: { ...needs, ...changed } });
  const toggle = (list: readonly string[], word: string, on: boolean) =>
    on ? [...list, word] : list.filter((known) => known !== word);

  return (
    <div className="py-5">
      <title>{`Needs · ${page.name} · Home Start`}</title>
      <h1 className="text-2xl">What must the site do?</h1>
      <p className="text-soft max-w-2xl">
        Answer what you know and skip the rest: a skipped answer asks nothing. Plans that drop out stand at the right,
        with the reason.
      </p>
      <div className="mt-4 grid gap-x-10 gap-y-6 lg:grid-cols-[minmax(0,44rem)_1fr]">
        <div>
          <Question ask="How many websites, now and soon?" becomes={atLeast(needs.websites, 'websites')}>
            <NumberBox label="Websites" value={needs.websites} set={(websites) => set({ websites })} />
          </Question>
          <Question
            ask="Will you sell on it?"
            becomes={needs.certificate === 'none' ? '' : `certificate: ${needs.certificate} or better`}
          >
            <select
              aria-label="Certificate"
              className={box}
              value={needs.certificate}
              onChange={(event) => set({ certificate: event.target.value })}
            >
              <option value="none">not said</option>
              <option value="shared">no, it only shows what we do</option>
              <option value="own">yes, shoppers should see our own certificate</option>
              <option value="wildcard">yes, on several subdomains</option>
            </select>
          </Question>
          <Question ask="About how many visitors a month?" becomes={atLeast(needs.monthlyVisits, 'visits a month')}>
            <NumberBox
              label="Visitors a month"
              value={needs.monthlyVisits}
              set={(monthlyVisits) => set({ monthlyVisits })}
            />
          </Question>
          <Question
            ask="Where are they?"
            becomes={needs.regions.length === 0 ? '' : `data centre in ${needs.regions.join(' or ')}`}
          >
            <select
              aria-label="Region of the data centre"
              className={box}
              value={needs.regions[0] ?? ''}
              onChange={(event) => set({ regions: event.target.value ? [event.target.value] : [] })}
            >
              <option value="">anywhere</option>
              <option value="GB">mostly in Britain: a data centre there</option>
              <option value="NL">mostly on the continent: a data centre in the Netherlands</option>
            </select>
          </Question>
          <Question ask="How many mail addresses at your own domain?" becomes={atLeast(needs.mailboxes, 'mailboxes')}>
            <NumberBox label="Mailboxes" value={needs.mailboxes} set={(mailboxes) => set({ mailboxes })} />
          </Question>
          <Question
            ask="How much will lie on it, in gigabytes? A picture book of a shop needs one or two."
            becomes={atLeast(needs.storageGB, 'GB of storage')}
          >
            <NumberBox label="Storage in GB" value={needs.storageGB} set={(storageGB) => set({ storageGB })} />
          </Question>
          <Question ask="What else must be there?" becomes={needs.extras.join(', ')}>
            <Ticks
              of={[
                ['backup', 'copies of the site'],
                ['privacy', 'my address out of the public record'],
                ['malware-watch', 'a watch for malware'],
              ]}
              chosen={needs.extras}
              set={(word, on) => set({ extras: toggle(needs.extras, word, on) })}
            />
          </Question>
          <Question ask="How do you want to be helped?" becomes={needs.support.join(' and ')}>
            <Ticks
              of={[
                ['phone', 'by telephone'],
                ['chat', 'by chat'],
                ['mail', 'by mail'],
              ]}
              chosen={needs.support}
              set={(word, on) => set({ support: toggle(needs.support, word, on) })}
            />
          </Question>
          <DomainQuestion key={JSON.stringify(needs.domain)} needs={needs} set={set} />
          <Question
            ask="What can you spend today?"
            becomes={needs.maxDueToday ? `due today at most ${needs.maxDueToday} ${settings.currency}` : ''}
          >
            <TextBox
              label="At most today"
              placeholder="any sum"
              value={needs.maxDueToday ?? ''}
              set={(maxDueToday) => set({ maxDueToday: maxDueToday || null })}
            />
          </Question>
          <Question
            ask="How sure are you to keep the site a year?"
            becomes={settings.keepChancePercent ? `${settings.keepChancePercent}% a year, for the expected cost` : ''}
          >
            <select
              aria-label="How sure to keep it"
              className={box}
              value={settings.keepChancePercent ?? ''}
              onChange={(event) => change({ kind: 'set-keep-chance', percent: event.target.value || null })}
            >
              <option value="">not said</option>
              <option value="95">as good as certain</option>
              <option value="80">fairly sure</option>
              <option value="50">half and half</option>
              <option value="25">only trying it out</option>
            </select>
          </Question>
          <Question
            ask="Does your business get the tax back?"
            becomes={settings.countTax ? '' : 'tax is left out of what things cost'}
          >
            <label className="flex gap-2">
              <input
                type="checkbox"
                checked={!settings.countTax}
                onChange={(event) =>
                  change({ kind: 'set-tax', percent: settings.taxPercent, counted: !event.target.checked })
                }
              />
              yes
            </label>
          </Question>
          <Question
            ask="And where a price list does not say?"
            becomes={needs.acceptUnknown ? 'what is not stated counts as met' : 'what is not stated counts as missing'}
          >
            <label className="flex gap-2">
              <input
                type="checkbox"
                checked={needs.acceptUnknown}
                onChange={(event) => set({ acceptUnknown: event.target.checked })}
              />
              take it as met
            </label>
          </Question>
        </div>
        <Outcome />
      </div>
    </div>
  );
}

/** How many plans are left, and why the others are not: at once, while the questions are answered. */
function Outcome() {
  const { page } = useSite();
  const scan = useQuery(scanQuery(page.id, page.revision, 'horizon', true));
  return (
    <section aria-label="What fits" aria-live="polite">
      {scan.data ? (
        <>
          <p className="font-display text-lg font-medium">
            {scan.data.scan.rows.length === 0
              ? 'No plan fits.'
              : `${scan.data.scan.rows.length} ${scan.data.scan.rows.length === 1 ? 'plan fits' : 'plans fit'}.`}
          </p>
          <Link
            to="/sites/$siteId/scan"
            params={{ siteId: page.id }}
            search={{ view: page.worksheet.letter }}
            className="bg-blue text-on-blue mt-2 inline-block rounded px-3.5 py-2 font-semibold"
          >
            See what fits for least
          </Link>
          <Rejected rejected={scan.data.scan.rejected} />
        </>
      ) : (
        <p className={scan.error ? 'text-red' : 'text-soft'}>{scan.error ? scan.error.message : 'Looking …'}</p>
      )}
    </section>
  );
}

function Question({ ask, becomes, children }: { ask: string; becomes: string; children: ReactNode }) {
  return (
    <div className="border-rule grid items-start gap-x-4 gap-y-1 border-b py-2 sm:grid-cols-[1fr_14rem_10rem]">
      <p>{ask}</p>
      <div>{children}</div>
      <p className={cx('text-[13px]', becomes ? 'text-ink' : 'text-soft')}>{becomes || 'asks nothing'}</p>
    </div>
  );
}

const atLeast = (number: number, what: string) =>
  number > 0 ? `at least ${new Intl.NumberFormat('en-GB').format(number)} ${what}` : '';

/** Saved when it is left, so that a number half typed asks nothing. */
function TextBox({
  label,
  value,
  placeholder,
  set,
}: {
  label: string;
  value: string;
  placeholder: string;
  set: (value: string) => void;
}) {
  const [text, setText] = useState(value);
  const save = () => {
    if (text.trim() !== value) {
      set(text.trim());
    }
  };
  return (
    <form
      onSubmit={(event) => {
        event.preventDefault();
        save();
      }}
    >
      <input
        aria-label={label}
        className={box}
        value={text}
        placeholder={placeholder}
        inputMode="decimal"
        onChange={(event) => setText(event.target.value)}
        onBlur={save}
      />
    </form>
  );
}

function NumberBox({ label, value, set }: { label: string; value: number; set: (value: number) => void }) {
  return (
    <TextBox
      label={label}
      placeholder="not said"
      value={value > 0 ? String(value) : ''}
      set={(text) => {
        const number = Number(text.replace(/[ ,]/g, ''));
        set(Number.isFinite(number) && number >= 0 ? number : value);
      }}
    />
  );
}

function Ticks({
  of,
  chosen,
  set,
}: {
  of: [string, string][];
  chosen: readonly string[];
  set: (word: string, on: boolean) => void;
}) {
  return of.map(([word, label]) => (
    <label key={word} className="flex gap-2">
      <input type="checkbox" checked={chosen.includes(word)} onChange={(event) => set(word, event.target.checked)} />
      {label}
    </label>
  ));
}

const endings = ['com', 'co.uk', 'org', 'shop', 'net', 'studio'];

function DomainQuestion({ needs, set }: { needs: Needs; set: (changed: Partial<Needs>) => void }) {
  const { domain } = needs;
  const [name, setName] = useState(domain?.name ?? '');
  const [chosen, setChosen] = useState<readonly string[]>(domain?.endings ?? []);
  const wants = domain?.route === 'register';
  const submit = () =>
    set({
      domain: {
        route: 'register',
        name: name.trim().toLowerCase(),
        endings: [...chosen],
        years: 1,
      } as unknown as Needs['domain'],
    });
  return (
    <Question
      ask="Do you want a new name for it?"
      becomes={
        wants
          ? `register ${domain.name}${domain.endings.map((ending) => `.${ending}`).join(' or ')}`
          : domain
            ? `domain: ${domain.route}`
            : ''
      }
    >
      <form
        className="flex flex-col gap-1.5"
        onSubmit={(event) => {
          event.preventDefault();
          submit();
        }}
      >
        <input
          aria-label="Name for the site"
          className={box}
          value={name}
          placeholder="not said"
          required
          pattern="[A-Za-z0-9]([A-Za-z0-9-]*[A-Za-z0-9])?"
          title="Letters, digits and inner hyphens"
          onChange={(event) => setName(event.target.value)}
        />
        <div className="grid grid-cols-2">
          {endings.map((ending) => (
            <label key={ending} className="flex gap-2">
              <input
                type="checkbox"
                checked={chosen.includes(ending)}
                onChange={(event) =>
                  setChosen(event.target.checked ? [...chosen, ending] : chosen.filter((known) => known !== ending))
                }
              />
              .{ending}
            </label>
          ))}
        </div>
        <p className="flex gap-4">
          <Button type="submit" look="text" disabled={chosen.length === 0}>
            Ask for it
          </Button>
          {domain && (
            <Button look="text" onClick={() => set({ domain: null })}>
              No domain
            </Button>
          )}
        </p>
      </form>
    </Question>
  );
}
