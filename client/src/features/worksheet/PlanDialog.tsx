import { Link } from '@tanstack/react-router';
import { useState } from 'react';
import type { Book, Outcome, Schemas } from '../../api/client';
import { shortDay } from '../../format/dates';
import { change as changeWords, currencySign, figure, dueNext } from '../../format/money';
import { span } from '../../format/words';
import { Button } from '../../ui/Button';
import { cx } from '../../ui/cx';
import { Dialog } from '../../ui/Dialog';
import { InkSelect } from '../../ui/Field';
import { ScrollRegion } from '../../ui/ScrollRegion';
import { NeedFits } from '../../ui/NeedFits';
import { SellerNotes } from '../../ui/SellerNotes';
import { useSite } from '../../api/site';
import { plansSheet, useSheet } from './sheet';
import { comesWith, differing, features, featureWords } from '../../format/features';
import { Head, Heads, Table } from '../../ui/Table';

type Option = Schemas['PlanOptionWire'];
type Plan = Schemas['PlanWire'];
type Feature = (typeof features)[number];

/** The plans of every book, or of one, against the needs and by what each would cost as the candidate is paid. */
export function PlanDialog() {
  const { page, change } = useSite();
  const { sheet, close } = useSheet();
  const open = sheet === plansSheet;
  const { letter, costing } = page.worksheet;
  return (
    <Dialog
      open={open}
      onOpenChange={close}
      wide
      title={`Choose a plan for ${letter}`}
      about={
        costing
          ? 'Each total is for the same way to pay, domain, extras and codes, where the seller has them.'
          : 'The price a month is the lowest that the seller advertises, whatever it becomes later. Choose a plan to see what it really costs.'
      }
    >
      {open && (
        <Plans
          choose={(book, plan) => {
            change({ kind: 'choose-plan', letter, book, plan });
            close();
          }}
        />
      )}
    </Dialog>
  );
}

function Plans({ choose }: { choose: (book: string, plan: string) => void }) {
  const { page, books } = useSite();
  const [only, setOnly] = useState('');
  const [all, setAll] = useState(false);
  const [fitting, setFitting] = useState(false);
  // A book that is put away offers nothing.
  const hosts = books.filter((book) => page.worksheet.plans.some((option) => option.book === book.id));
  const ofOne = only ? hosts.filter((book) => book.id === only) : hosts;
  const options = page.worksheet.plans.filter(
    (option) =>
      !fitting ||
      option.fits.every((fit) => fit.fit !== 'not-met' && (fit.fit !== 'not-stated' || page.needs.acceptUnknown)),
  );
  const shown = ofOne.filter((book) => options.some((option) => option.book === book.id));
  const asked = page.worksheet.plans[0]?.fits.map((fit) => fit.need) ?? [];
  const differ = differing(shown.flatMap((book) => book.plans));
  const columns = all ? features : only ? differ : differ.filter(([key]) => asked.includes(key));
  return (
    <>
      <p className="mb-2 flex flex-wrap gap-x-6 gap-y-1 text-[14px]">
        <span>
          Plans of{' '}
          <InkSelect label="Plans of" value={only} onChange={(event) => setOnly(event.target.value)}>
            <option value="">every seller</option>
            {hosts.map((book) => (
              <option key={book.id} value={book.id}>
                {book.provider}
              </option>
            ))}
          </InkSelect>
        </span>
        {asked.length > 0 && (
          <label className="flex gap-2">
            <input type="checkbox" checked={fitting} onChange={(event) => setFitting(event.target.checked)} />
            only plans that do what I need
          </label>
        )}
        <label className="flex gap-2">
          <input type="checkbox" checked={all} onChange={(event) => setAll(event.target.checked)} />
          show all limits
        </label>
        <Link to="/sites/$siteId/shelf/page" params={{ siteId: page.id }} className="ink">
          Paste a seller’s page to add its plans
        </Link>
      </p>
      <ScrollRegion label="Plans">
        <Table className="w-full">
          <PlanHeads columns={columns} />
          {shown.map((book) => (
            <tbody key={book.id} className="even:bg-band">
              <tr>
                <th scope="rowgroup" colSpan={columns.length + 6} className="px-1 pt-2 font-normal">
                  <bdi className="font-semibold">{book.provider}</bdi>
                  <span className="text-soft">
                    , prices {book.pricesIncludeTax ? 'with tax' : 'before tax'} in {book.currency}, read on{' '}
                    <span className={cx(book.isOld && 'text-red')}>{shortDay(book.asOf)}</span>.{' '}
                    <bdi>{book.facts.join(' ')}</bdi>
                  </span>
                  <SellerNotes of={[book.id]} />
                </th>
              </tr>
              {book.plans.map((plan) => {
                const option = options.find((known) => known.book === book.id && known.plan === plan.id);
                return option && <PlanRow key={plan.id} {...{ book, plan, option, columns }} choose={choose} />;
              })}
            </tbody>
          ))}
        </Table>
      </ScrollRegion>
    </>
  );
}

function PlanHeads({ columns }: { columns: readonly Feature[] }) {
  const { page } = useSite();
  const sign = currencySign(page.settings.currency);
  return (
    <Heads>
      <Head>Plan</Head>
      <Head className="max-md:hidden">Your needs</Head>
      {columns.map(([key, label]) => (
        <Head key={key} figures className="max-md:hidden">
          {label}
        </Head>
      ))}
      <Head figures className="max-md:hidden">
        A month, then later
      </Head>
      <Head figures>Today, {sign}</Head>
      <Head figures>
        {span(page.settings.horizonMonths)}, {sign}
      </Head>
      <Head figures>Next bill after that</Head>
    </Heads>
  );
}

function PlanRow({
  book,
  plan,
  option,
  columns,
  choose,
}: {
  book: Book;
  plan: Plan;
  option: Option;
  columns: readonly Feature[];
  choose: (book: string, plan: string) => void;
}) {
  return (
    <tr className="align-top [&>*]:px-2 [&>*]:py-1.5">
      <th scope="row" className="pl-1! font-normal">
        <Button look="text" onClick={() => choose(book.id, plan.id)}>
          <bdi>{plan.name}</bdi>
        </Button>
        {option.isChosen && <span className="text-soft"> chosen now</span>}
        <span className="text-soft block max-w-56 text-[12.5px] max-md:hidden">with {comesWith(plan)}</span>
        <span className="block text-[12.5px] md:hidden">
          <NeedFits fits={option.fits} />
        </span>
      </th>
      <td className="max-w-60 text-[13px] max-md:hidden">
        <NeedFits fits={option.fits} />
      </td>
      {columns.map(([key]) => (
        <td key={key} className="text-right max-md:hidden">
          {featureWords(plan.features[key])}
        </td>
      ))}
      <td className="text-right whitespace-nowrap max-md:hidden">
        <PerMonth book={book} plan={plan} option={option} />
      </td>
      <OutcomeCells outcome={option.outcome} isChosen={option.isChosen} />
    </tr>
  );
}

function PerMonth({ book, plan, option }: { book: Book; plan: Plan; option: Option }) {
  if (option.first === null) {
    return (
      <>
        {plan.firstPerMonth ? `from ${figure(plan.firstPerMonth)}` : 'not stated'}
        <span className="text-soft block text-[12.5px]">{book.currency}, advertised</span>
      </>
    );
  }

  return (
    <>
      {figure(option.first)}
      {option.later !== option.first && (
        <span className="text-red block text-[12.5px]">
          {option.later === null ? 'later not stated' : `then ${figure(option.later)}`}
        </span>
      )}
    </>
  );
}

function OutcomeCells({ outcome, isChosen }: { outcome: Outcome | null; isChosen: boolean }) {
  const { page } = useSite();
  if (!outcome) {
    return (
      <td colSpan={3} className="text-soft text-right">
        {page.worksheet.candidate.hosting?.plan ? 'not sold with this way to pay' : 'choose the plan to see its total'}
      </td>
    );
  }

  return (
    <>
      <td className="text-right whitespace-nowrap">
        {outcome.todayAtLeast && <AtLeast />}
        {figure(outcome.dueToday)}
      </td>
      <td className="text-right whitespace-nowrap">
        {outcome.atLeast && <AtLeast />}
        <b>{figure(outcome.horizon)}</b>
        {!isChosen && outcome.horizonChange && (
          <span
            className={cx('block text-[12.5px]', outcome.horizonChange.startsWith('-') ? 'text-green' : 'text-soft')}
          >
            {changeWords(outcome.horizonChange, outcome.currency)}
          </span>
        )}
      </td>
      <td className="text-red text-right whitespace-nowrap">
        {outcome.nextDue && dueNext(outcome.nextDue) && (
          <>
            {outcome.nextDue.atLeast && <AtLeast />}
            {figure(outcome.nextDue.total)}
            <span className="block text-[12.5px]">{shortDay(outcome.nextDue.date)}</span>
          </>
        )}
      </td>
    </>
  );
}

const AtLeast = () => <span className="text-red text-[12.5px]">at least </span>;
