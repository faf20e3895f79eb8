import { SellerNotes } from '../../ui/said/SellerNotes';
import { Link } from '@tanstack/react-router';
import type { ReactNode } from 'react';
import type { Comparison, Schemas } from '../../api/wire/client';
import { shortDay } from '../../format/dates';
import { currencySign, figure, isZero, sumFigure, dueNext } from '../../format/money';
import { span, theseMonths } from '../../format/words';
import { cx } from '../../ui/cx';
import { Head, Heads, Table } from '../../ui/Table';
import { ScrollRegion } from '../../ui/ScrollRegion';
import { needWords, reasonWords } from '../../format/needs';
import { useSite } from '../../api/site/site';
import { features, featureWords } from '../../format/features';
import { Letter } from '../../ui/Letter';
import { useTitles } from '../../format/titles';

type Compared = Schemas['ComparedWire'];
type Totals = Schemas['TotalsWire'];

interface Compare {
  label: string;
  /** What tells whether the row differs. */
  text: (known: Compared) => string;
  show?: (known: Compared) => ReactNode;
  strong?: boolean;
}

/**
 * Each candidate a column, each figure and feature a row; rows that are the same for all are left out unless asked for.
 */
export function CompareTable({ comparison, all }: { comparison: Comparison; all: boolean }) {
  const title = useTitles();
  const shown = comparison.candidates.filter((known) => known.totals);
  const sums = useSumRows(comparison);
  const needs = needRows(shown);
  const allowed = useFeatureRows();
  const differs = (row: Compare) => all || row.strong || new Set(shown.map(row.text)).size > 1;
  return (
    <ScrollRegion label="Candidates side by side">
      <Table className="mt-1 w-full" caption="The shortlist, figure by figure and feature by feature">
        <Heads>
          <td />
          {shown.map((known) => (
            <Head key={known.letter} figures>
              <Titled letter={known.letter} title={title(known.letter)} isLeast={known.isLeast} />
            </Head>
          ))}
        </Heads>
        <Rows head={`What you pay, ${currencySign(comparison.currency)}`} rows={sums.filter(differs)} shown={shown} />
        <Rows head="Your needs" rows={needs.filter(differs)} shown={shown} />
        <Rows head="What the plan allows" rows={allowed.filter(differs)} shown={shown} />
      </Table>
    </ScrollRegion>
  );
}

function Titled({ letter, title, isLeast }: { letter: string; title: string; isLeast: boolean }) {
  const { page } = useSite();
  return (
    <Link
      to="/sites/$siteId/worksheet"
      params={{ siteId: page.id }}
      search={{ view: letter }}
      className="inline-flex min-w-24 flex-col items-end gap-1"
    >
      <Letter letter={letter} />
      <bdi className="ink text-[13px]">{title}</bdi>
      <SellerNotes of={page.shortlist.find((slip) => slip.letter === letter)?.books ?? []} />
      {isLeast && (
        <span className="text-green text-[13px]">
          does what you need for least over {span(page.settings.horizonMonths)}
        </span>
      )}
    </Link>
  );
}

function Rows({ head, rows, shown }: { head: string; rows: readonly Compare[]; shown: readonly Compared[] }) {
  return rows.length === 0 ? null : (
    <tbody>
      <tr>
        <th scope="rowgroup" colSpan={shown.length + 1} className="px-2.5 pt-3 pb-1 text-left">
          {head}
        </th>
      </tr>
      {rows.map((row) => (
        <tr key={row.label} className={cx('odd:bg-band align-top [&>*]:px-2.5 [&>*]:py-1', row.strong && 'font-bold')}>
          <th scope="row" className="text-left font-normal">
            {row.label}
          </th>
          {shown.map((known) => (
            <td key={known.letter} className="text-right">
              {row.show ? row.show(known) : row.text(known)}
            </td>
          ))}
        </tr>
      ))}
    </tbody>
  );
}

function useSumRows(comparison: Comparison): Compare[] {
  const { page } = useSite();
  const sum = (label: string, amount: (totals: Totals) => string, mark?: string): Compare => ({
    label,
    text: ({ totals }) =>
      totals ? `${mark && totals.atLeast.includes(mark) ? 'at least ' : ''}${figure(amount(totals))}` : '',
  });
  const years = comparison.columns.map((_, at): Compare => ({
    label: at === 0 ? 'Today' : at === 1 ? 'Rest of year 1' : `Year ${at}`,
    text: (known) => (known.columns[at] ? sumFigure(known.columns[at]) : ''),
  }));
  return [
    { ...sum('Today', (totals) => totals.dueToday, 'dueToday') },
    sum('First term', (totals) => totals.firstTerm, 'firstTerm'),
    ...years.slice(1, 6),
    { ...sum(span(page.settings.horizonMonths), (totals) => totals.horizon, 'horizon'), strong: true },
    {
      label: `Against ${comparison.base}`,
      strong: true,
      text: ({ horizonChange }) => horizonChange ?? '',
      show: ({ letter, horizonChange }) =>
        horizonChange === null ? (
          letter === comparison.base ? null : (
            <span className="text-soft font-normal">not known</span>
          )
        ) : (
          <span className={cx(horizonChange.startsWith('-') && 'text-green')}>
            {horizonChange.startsWith('-') || isZero(horizonChange) ? '' : '+'}
            {figure(horizonChange)}
          </span>
        ),
    },
    {
      label: `Next bill after ${theseMonths(page.settings.horizonMonths)}`,
      text: ({ totals }) => (dueNext(totals?.next) ? totals!.next!.total + totals!.next!.date : ''),
      show: ({ totals }) =>
        totals?.next && dueNext(totals.next) ? (
          <span className="text-red">
            {totals.next.atLeast && 'at least '}
            {figure(totals.next.total)}
            <span className="block text-[12.5px]">{shortDay(totals.next.date)}</span>
          </span>
        ) : (
          'nothing'
        ),
    },
    sum('A month', (totals) => totals.perMonth, 'horizon'),
    {
      label: 'Price step of the plan, a month',
      text: ({ priceStep }) => (priceStep ? `${priceStep.from} ${priceStep.to} ${priceStep.date}` : 'none'),
      show: ({ priceStep }) =>
        priceStep ? (
          <span className="text-red">
            {figure(priceStep.from)} to {priceStep.to === null ? 'not stated' : figure(priceStep.to)}
            <span className="block text-[12.5px]">on {shortDay(priceStep.date)}</span>
          </span>
        ) : (
          'none'
        ),
    },
    {
      label: 'Refund if you leave early',
      text: ({ totals, refundLastDay }) => (totals && refundLastDay ? totals.refundable + refundLastDay : 'nothing'),
      show: ({ totals, refundLastDay }) =>
        totals && refundLastDay && !isZero(totals.refundable) ? (
          <>
            {figure(totals.refundable)}
            <span className="text-soft block text-[12.5px]">by {shortDay(refundLastDay)}</span>
          </>
        ) : (
          'nothing'
        ),
    },
    sum('Unused at the end', (totals) => totals.unusedAtEnd),
    ...(page.settings.keepChancePercent ? [sum('Expected, if you may stop', (totals) => totals.expected ?? '0')] : []),
  ];
}

function needRows(shown: readonly Compared[]): Compare[] {
  const fits = shown.find((known) => known.fits.length > 0)?.fits ?? [];
  return fits.map((asked, at) => {
    const fit = (known: Compared) => known.fits[at];
    return {
      label: needWords(asked),
      text: (known) => {
        const found = fit(known);
        return !found
          ? 'no plan'
          : found.fit === 'met'
            ? found.by
              ? `met, by ${found.by}`
              : 'met'
            : found.fit === 'with-extra'
              ? `not met; ${found.by ?? 'an extra'} would`
              : reasonWords(found);
      },
      show: (known) => {
        const found = fit(known);
        return (
          <span className={cx(found?.fit !== 'met' && 'font-semibold', 'text-[13px]')}>
            {!found
              ? 'no plan'
              : found.fit === 'met'
                ? `met${found.by ? `, by ${found.by}` : ''}`
                : found.fit === 'with-extra'
                  ? `not met; ${found.by ?? 'an extra'} would`
                  : found.fit === 'not-stated'
                    ? 'not stated'
                    : reasonWords(found)}
          </span>
        );
      },
    };
  });
}

function useFeatureRows(): Compare[] {
  const { books } = useSite();
  const planOf = (known: Compared) =>
    books.find((book) => book.id === known.book)?.plans.find((plan) => plan.id === known.plan);
  return features.map(([key, label]) => ({
    label,
    text: (known) => {
      const plan = planOf(known);
      return plan ? featureWords(plan.features[key]) : '';
    },
  }));
}
