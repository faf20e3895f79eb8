import { useNavigate } from '@tanstack/react-router';
import type { Comparison, Schemas } from '../../api/wire/client';
import { currencySign, figure, isZero } from '../../format/money';
import { span } from '../../format/words';
import { cx } from '../../ui/cx';
import { InkSelect } from '../../ui/fields/Field';
import { ScrollRegion } from '../../ui/ScrollRegion';
import { useSite } from '../../api/site/site';
import { Head, Heads, Row, Table } from '../../ui/Table';

type Line = Schemas['LineDifferenceWire'];

const kinds: Record<string, string> = {
  plan: 'Plan',
  dataCentre: 'Data centre',
  setup: 'Setting it up',
  domain: 'Domain',
  addOn: 'Extra',
  code: 'Codes and offers',
  tax: 'Tax',
};

/** Two candidates as differences, thing by thing; the rows add up to the difference of the totals. */
export function LineByLine({ comparison, against }: { comparison: Comparison; against?: string }) {
  const { page } = useSite();
  const navigate = useNavigate({ from: '/sites/$siteId/compare' });
  const others = comparison.candidates.filter((known) => known.totals && known.letter !== comparison.base);
  const other = others.find((known) => known.letter === against);
  return (
    <section className="mt-6" aria-labelledby="line-by-line">
      <div className="flex flex-wrap items-baseline gap-x-4">
        <h2 id="line-by-line" className="text-base">
          Line by line
        </h2>
        <span className="text-[14px]">
          What{' '}
          <InkSelect
            label="Line by line"
            value={other?.letter ?? ''}
            onChange={(event) =>
              void navigate({ search: (search) => ({ ...search, against: event.target.value || undefined }) })
            }
          >
            <option value="">another</option>
            {others.map((known) => (
              <option key={known.letter} value={known.letter}>
                {known.letter}
              </option>
            ))}
          </InkSelect>{' '}
          costs more or less than {comparison.base}, {currencySign(comparison.currency)}
        </span>
      </div>
      {other && comparison.differences.length > 0 && (
        <ScrollRegion label="Differences line by line">
          <Table className="mt-1 w-full" caption="Where the two differ, line by line">
            <Heads>
              <Head>What</Head>
              <Head>{comparison.base}</Head>
              <Head>{other.letter}</Head>
              {comparison.columns.map((column, at) => (
                <Head key={column} figures className={cx(at > 0 && 'max-md:hidden')}>
                  {at === 0 ? 'Today' : at === 1 ? 'Rest of year 1' : `Year ${at}`}
                </Head>
              ))}
              <Head figures>{span(page.settings.horizonMonths)}</Head>
            </Heads>
            <tbody>
              {comparison.differences.map((line) => (
                <Row key={line.kind + line.of} label={kinds[line.kind]}>
                  <td>
                    <Names of={line.one} />
                  </td>
                  <td>
                    <Names of={line.other} />
                  </td>
                  <Cells line={line} />
                </Row>
              ))}
              <tr className="[&>*]:double-rule font-bold [&>*]:border-t [&>*]:px-2.5 [&>*]:py-1.5">
                <th scope="row" colSpan={3} className="text-left">
                  In total
                </th>
                {other.columns.map((_, at) => (
                  <td key={at} className={cx(at > 0 && 'max-md:hidden')} />
                ))}
                <td className="text-right">
                  <Difference amount={other.horizonChange} />
                </td>
              </tr>
            </tbody>
          </Table>
        </ScrollRegion>
      )}
    </section>
  );
}

function Names({ of }: { of: readonly string[] }) {
  const words = of.filter(Boolean).join(', ');
  return words ? <bdi>{words}</bdi> : <span className="text-soft">{of.length > 0 ? 'yes' : '–'}</span>;
}

function Cells({ line }: { line: Line }) {
  return (
    <>
      {line.cells.map((cell, at) => (
        <td key={at} className={cx('text-right', at > 0 && 'max-md:hidden')}>
          <Difference amount={cell} />
        </td>
      ))}
      <td className="text-right font-semibold">
        <Difference amount={line.total} />
      </td>
    </>
  );
}

function Difference({ amount }: { amount: string | null }) {
  return amount === null ? (
    <span className="text-red text-[13px]">not stated</span>
  ) : (
    <span className={cx(isZero(amount) && 'text-soft', amount.startsWith('-') && 'text-green')}>
      {!isZero(amount) && !amount.startsWith('-') && '+'}
      {figure(amount)}
    </span>
  );
}
