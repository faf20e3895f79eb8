import type { Schemas } from '../../api/wire/client';
import { money } from '../../format/money';
import { count } from '../../format/words';
import { useSite } from '../../api/site/site';
import { Choice, NumberAnswer, Requirement, TextAnswer, Tick, Ticks } from './Answers';
import { DomainQuestion } from './DomainQuestion';
import { Outcome } from './Outcome';
import { Question } from './Question';
import { asksOf, atLeast, chances, purposeOf, purposes, visitors, type Needs, type NumberNeed } from './requirements';
import { channelWords, needWords, regionWord, tagWords } from '../../format/needs';

type ChangeNeeds = (changed: Schemas['NeedsBody']) => void;

/** What the site must do, in the owner's words; each answer says the requirement it becomes. Nothing is required. */
export function NeedsPage() {
  const { page, change } = useSite();
  const { needs } = page;
  const set: ChangeNeeds = (changed) => change({ kind: 'set-needs', needs: { ...needs, ...changed } });
  return (
    <div className="py-5">
      <title>{`Needs · ${page.name} · Home Start`}</title>
      <h1 className="text-2xl">What must the site do?</h1>
      <p className="text-soft max-w-2xl">
        Skip anything you don’t know yet. Beside each answer is what a plan needs for it; you can edit the text in blue.
      </p>
      <div className="mt-4 grid gap-x-10 gap-y-6 lg:grid-cols-[minmax(0,48rem)_1fr]">
        <div>
          <TheSite needs={needs} set={set} />
          <TheVisitors needs={needs} set={set} />
          <WhatElse needs={needs} set={set} />
          <DomainQuestion needs={needs} set={set} />
          <TheMoney needs={needs} set={set} />
          <InTheTradesWords needs={needs} set={set} />
        </div>
        <Outcome />
      </div>
    </div>
  );
}

interface Answered {
  needs: Needs;
  set: ChangeNeeds;
}

function TheSite({ needs, set }: Answered) {
  const purpose = purposeOf(needs);
  return (
    <>
      <Question
        ask="What is the site for?"
        becomes={[atLeast(needs, 'storageGB', 'databases'), needs.installer ? 'an installer' : '']
          .filter(Boolean)
          .join(', ')}
        edit={() => (
          <div className="flex flex-col gap-3">
            <NumberRequirement need="storageGB" word="Storage, in GB" {...{ needs, set }} />
            <NumberRequirement need="databases" word="Databases" {...{ needs, set }} />
            <Tick label="An installer for a site engine" on={needs.installer} set={(installer) => set({ installer })} />
          </div>
        )}
      >
        <Choice label="What the site is for" value={purpose} set={(choice) => set(asksOf(choice))}>
          <option value="">no preference</option>
          {purposes.map(({ words }, at) => (
            <option key={words} value={at}>
              {words}
            </option>
          ))}
          {purpose === 'own' && <option value="own">in my own numbers</option>}
        </Choice>
      </Question>
      <Question
        ask="How many websites, now and soon?"
        about="One site has one address of its own, however many pages it has. A second address for a second business, or a copy to try things on, is another site. Most owners need one."
        becomes={atLeast(needs, 'websites')}
      >
        <NumberAnswer label="Websites" value={needs.websites} set={(websites) => set({ websites })} />
      </Question>
      <Question
        ask="Will you sell on it?"
        about="A certificate puts the lock in the browser’s address bar and keeps what visitors type from being read on its way. One shared by the host’s customers is enough for most sites; a shop looks better with its own."
        becomes={needs.certificate === 'none' ? '' : `certificate: ${needs.certificate} or better`}
        edit={() => (
          <Requirement word="Certificate">
            <Choice label="Certificate" value={needs.certificate} set={(certificate) => set({ certificate })}>
              <option value="none">none asked</option>
              <option value="shared">shared with others, or better</option>
              <option value="own">your own, or better</option>
              <option value="wildcard">wildcard: all your subdomains</option>
            </Choice>
          </Requirement>
        )}
      >
        <Choice label="Selling" value={needs.certificate} set={(certificate) => set({ certificate })}>
          <option value="none">no preference</option>
          <option value="shared">no, it shows what we do</option>
          <option value="own">yes, shoppers must trust it</option>
          <option value="wildcard">yes, on several subdomains</option>
        </Choice>
      </Question>
    </>
  );
}

function TheVisitors({ needs, set }: Answered) {
  const { books } = useSite();
  const rough = [...new Set([...visitors, ...(needs.monthlyVisits > 0 ? [needs.monthlyVisits] : [])])].sort(
    (left, right) => left - right,
  );
  const regions = [...new Set(books.flatMap((book) => book.dataCentres.map((centre) => centre.region ?? '')))]
    .filter(Boolean)
    .sort();
  return (
    <>
      <Question
        ask="About how many visitors a month?"
        becomes={atLeast(needs, 'monthlyVisits')}
        edit={() => <NumberRequirement need="monthlyVisits" word="Visits a month" {...{ needs, set }} />}
      >
        <Choice
          label="Visitors a month"
          value={String(needs.monthlyVisits)}
          set={(visits) => set({ monthlyVisits: Number(visits) })}
        >
          <option value="0">no preference</option>
          {rough.map((number) => (
            <option key={number} value={number}>
              about {count(number)}
            </option>
          ))}
        </Choice>
      </Question>
      <Question
        ask="Where are they? The site should be near them."
        becomes={needs.regions.length === 0 ? '' : needWords({ need: 'regions', wants: needs.regions })}
      >
        <Ticks
          of={regions.map((region) => [region, regionWord(region)] as const)}
          chosen={needs.regions}
          set={(chosen) => set({ regions: chosen })}
        />
      </Question>
      <Question ask="How many mail addresses at your own domain?" becomes={atLeast(needs, 'mailboxes')}>
        <NumberAnswer label="Mailboxes" value={needs.mailboxes} set={(mailboxes) => set({ mailboxes })} />
      </Question>
    </>
  );
}

function WhatElse({ needs, set }: Answered) {
  const { books } = useSite();
  const provided = books.flatMap((book) => book.addOns.map((addOn) => addOn.provides ?? ''));
  const tags = [...new Set([...provided, ...needs.extras, 'design-help'])]
    .filter((tag) => /^[a-z-]+$/.test(tag))
    .sort();
  return (
    <>
      <Question
        ask="What else must be there?"
        becomes={needs.extras.length === 0 ? '' : needs.extras.map((tag) => tagWords[tag] ?? tag).join(', ')}
      >
        <Ticks
          of={tags.map((tag) => [tag, tagWords[tag] ?? tag] as const)}
          chosen={needs.extras}
          set={(extras) => set({ extras })}
        />
      </Question>
      <Question
        ask="How do you want to be helped?"
        about="What you tick here the seller must offer. A call back means that they ring you. Help with the design is sold as an extra: tick it in the question before."
        becomes={needs.support.length === 0 ? '' : `support by ${needs.support.join(' and ')}`}
      >
        <Ticks
          of={Object.entries(channelWords).map(([channel, word]) => [channel, `by ${word}`] as const)}
          chosen={needs.support}
          set={(support) => set({ support })}
        />
      </Question>
    </>
  );
}

function TheMoney({ needs, set }: Answered) {
  const { page, change } = useSite();
  const { currency, keepChancePercent, taxPercent, countTax } = page.settings;
  const known = chances.some(([percent]) => percent === keepChancePercent);
  return (
    <>
      <Question
        ask="What can you spend today?"
        becomes={needs.maxDueToday ? `due today at most ${money(needs.maxDueToday, currency)}` : ''}
      >
        <TextAnswer
          label="At most today"
          placeholder="any sum"
          value={needs.maxDueToday ?? ''}
          faultOf={(text) =>
            /^\s*(\d{1,9}(\.\d{1,4})?)?\s*$/.test(text)
              ? null
              : 'A sum in digits, such as 150.00. Leave it empty for no preference.'
          }
          set={(text) => set({ maxDueToday: text || null })}
        />
      </Question>
      <Question
        ask="Must the price stay the same?"
        about="Most plans are cheap for a first term and dearer after. Tick this to see only ways to pay that cost the same at every bill you count."
        becomes={needs.samePrice ? 'the plan costs the same at every bill' : ''}
      >
        <Tick label="yes, no rise later" on={needs.samePrice} set={(samePrice) => set({ samePrice })} />
      </Question>
      <Question
        ask="How sure are you to keep the site a year?"
        becomes={keepChancePercent ? `${keepChancePercent}% a year, for the expected cost` : ''}
        edit={() => (
          <Requirement word="Chance in percent that it still runs a year on">
            <TextAnswer
              label="Chance in percent"
              value={keepChancePercent ?? ''}
              faultOf={(text) =>
                /^\s*(\d{1,3}(\.\d+)?)?\s*$/.test(text)
                  ? null
                  : 'A number from 0 to 100. Leave it empty for no preference.'
              }
              set={(percent) => change({ kind: 'set-keep-chance', percent: percent || null })}
            />
          </Requirement>
        )}
      >
        <Choice
          label="How sure to keep it"
          value={keepChancePercent ?? ''}
          set={(percent) => change({ kind: 'set-keep-chance', percent: percent || null })}
        >
          <option value="">no preference</option>
          {chances.map(([percent, words]) => (
            <option key={percent} value={percent}>
              {words}
            </option>
          ))}
          {keepChancePercent && !known && <option value={keepChancePercent}>{keepChancePercent} in a hundred</option>}
        </Choice>
      </Question>
      <Question
        ask="Does your business reclaim the tax?"
        becomes={countTax ? '' : 'tax is left out of what things cost'}
      >
        <Tick
          label="yes"
          on={!countTax}
          set={(back) => change({ kind: 'set-tax', percent: taxPercent, counted: !back })}
        />
      </Question>
      <Question
        ask="What if a seller doesn’t say?"
        becomes={
          needs.acceptUnknown
            ? 'plans stay in when the seller doesn’t say'
            : 'plans drop out when the seller doesn’t say'
        }
      >
        <Tick label="keep the plan" on={needs.acceptUnknown} set={(acceptUnknown) => set({ acceptUnknown })} />
      </Question>
    </>
  );
}

/** What few owners know they need, for those who do. */
function InTheTradesWords({ needs, set }: Answered) {
  const { books } = useSite();
  const platforms = [
    ...new Set(books.flatMap((book) => book.plans.flatMap((plan) => platformsOf(plan.features['platforms'])))),
  ].sort();
  return (
    <details className="py-3">
      <summary className="text-blue cursor-pointer font-semibold">More technical needs</summary>
      <div className="mt-2">
        <Question
          ask="Subdomains"
          about="An address in front of your own, such as shop.example.com. You need one for each part of the site that has an address like that."
          becomes={atLeast(needs, 'subdomains')}
        >
          <NumberAnswer label="Subdomains" value={needs.subdomains} set={(subdomains) => set({ subdomains })} />
        </Question>
        <Question ask="Traffic a month, in GB" becomes={atLeast(needs, 'transferGB')}>
          <NumberAnswer label="Traffic in GB" value={needs.transferGB} set={(transferGB) => set({ transferGB })} />
        </Question>
        <Question
          ask="Platform"
          about="The system that the seller’s machines run. It matters only for a program you have already: its maker can tell you which it needs."
          becomes={needs.platform ? needWords({ need: 'platform', wants: needs.platform }) : ''}
        >
          <Choice label="Platform" value={needs.platform ?? ''} set={(platform) => set({ platform: platform || null })}>
            <option value="">any</option>
            {platforms.map((platform) => (
              <option key={platform} value={platform}>
                {platform}
              </option>
            ))}
          </Choice>
        </Question>
        <Question
          ask="An IP address of its own"
          about="A number by which computers find the site. Sites share one without harm. You need your own only if somebody, a bank or a mail service say, has asked you for it."
          becomes={needs.ownIp ? 'own IP address' : ''}
        >
          <Tick label="yes" on={needs.ownIp} set={(ownIp) => set({ ownIp })} />
        </Question>
        <Question
          ask="Days to ask for your money back"
          becomes={needs.minRefundDays > 0 ? `refund within ${needs.minRefundDays} days or more` : ''}
        >
          <NumberAnswer
            label="Refund days"
            value={needs.minRefundDays}
            set={(minRefundDays) => set({ minRefundDays })}
          />
        </Question>
      </div>
    </details>
  );
}

const platformsOf = (value: unknown) => (Array.isArray(value) ? (value as string[]) : []);

function NumberRequirement({ need, word, needs, set }: Answered & { need: NumberNeed; word: string }) {
  return (
    <Requirement word={word}>
      <NumberAnswer label={`${word}, at least`} value={needs[need]} set={(value) => set({ [need]: value })} />
    </Requirement>
  );
}
