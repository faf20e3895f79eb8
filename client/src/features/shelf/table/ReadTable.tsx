import type { PriceTable } from '../../../api/books/fromPage';
import { features } from '../../../format/features';
import { span } from '../../../format/words';
import { cx } from '../../../ui/cx';
import { InkSelect } from '../../../ui/fields/Field';
import { ScrollRegion } from '../../../ui/ScrollRegion';

/**
 * The table as it was understood: under each heading what its column is taken for, and in red what could not be read.
 */
export function ReadTable({ table, choose }: { table: PriceTable; choose: (roles: string[]) => void }) {
  const { headings, roles, rows, faults, wasTurned } = table;
  const inCells = faults.filter((fault) => fault.where.startsWith('rows['));
  const faultAt = (row: number, column: number) => inCells.find((fault) => fault.where === `rows[${row}][${column}]`);
  return (
    <>
      <ScrollRegion label="The table, with what each column is taken for" className="mt-4">
        <table className="text-left text-[14px]">
          <caption className="text-soft text-left">
            {wasTurned && 'The plans were side by side; here they are one below the other. '}Under each heading is what
            its column was read as.
          </caption>
          <thead>
            <tr className="[&>*]:px-2.5 [&>*]:py-1">
              {headings.map((heading, column) => (
                <th key={column} scope="col">
                  <bdi>{heading || `Column ${column + 1}`}</bdi>
                </th>
              ))}
            </tr>
            <tr className="[&>*]:border-ink [&>*]:border-b [&>*]:px-2.5 [&>*]:pb-1.5">
              {headings.map((heading, column) => (
                <td key={column}>
                  <InkSelect
                    className="w-36"
                    label={`What the column ${heading || column + 1} is taken for`}
                    value={roles[column]}
                    onChange={(event) =>
                      choose(roles.map((role, index) => (index === column ? event.target.value : role)))
                    }
                  >
                    {groups(roles[column] ?? 'ignored').map(([label, of]) => (
                      <optgroup key={label} label={label}>
                        {of.map((role) => (
                          <option key={role} value={role}>
                            {roleWords(role)}
                          </option>
                        ))}
                      </optgroup>
                    ))}
                  </InkSelect>
                </td>
              ))}
            </tr>
          </thead>
          <tbody>
            {rows.map((row, index) => (
              <tr key={index} className="odd:bg-band align-top [&>*]:px-2.5 [&>*]:py-1">
                {row.map((cell, column) => {
                  const fault = faultAt(index, column);
                  return (
                    <td key={column} className={cx(roles[column] === 'ignored' ? 'text-soft' : fault && 'text-red')}>
                      <bdi>{cell}</bdi>
                      {fault && <span className="block text-[13px]">{fault.message}</span>}
                    </td>
                  );
                })}
              </tr>
            ))}
          </tbody>
        </table>
      </ScrollRegion>
      {inCells.some((fault) => inOneCell(fault)) && (
        <p className="text-red mt-2 text-[14px]">
          What stands in red cannot be read: mend it in the text above, or take its column for nothing.
        </p>
      )}
      {inCells
        .filter((fault) => !inOneCell(fault))
        .map((fault) => (
          <p key={fault.where + fault.code} className="text-red text-[14px]">
            {fault.message}
          </p>
        ))}
    </>
  );
}

const inOneCell = ({ where }: { where: string }) => where.includes('][');

const terms = [1, 3, 6, 12, 24, 36];

// What most tables hold stands first; what few do, last.
const often = ['plan', 'price-1', 'later', 'way-1', 'way-12', 'way-36', 'feature-websites', 'feature-storageGB'];
const further: readonly (readonly [label: string, roles: readonly string[]])[] = [
  [
    'Other prices',
    [
      ...terms.slice(1).flatMap((months) => [`way-${months}`, `way-${months}-per-month`]),
      'price-1-per-month',
      'later-per-month',
      'later-per-year',
      'set-up-fee',
    ],
  ],
  [
    'What the plan allows',
    ['mailboxes', 'databases', 'subdomains', 'monthlyVisits', 'transferGB'].map((key) => `feature-${key}`),
  ],
  [
    'Rarely',
    [
      'every-months',
      'commit-months',
      'free-months',
      'bills-1',
      'price-2',
      'endings',
      'domain-from-months',
      'seller',
      'currency',
      'tax',
    ],
  ],
];

/** What a column may be taken for, with what it is taken for now wherever that stands. */
function groups(now: string): [label: string, roles: string[]][] {
  const first = [...new Set(['ignored', ...often, now])];
  return [
    ['Most often', first],
    ...further.map(([label, roles]): [string, string[]] => [label, roles.filter((role) => !first.includes(role))]),
  ];
}

const plain: Record<string, string> = {
  ignored: 'nothing',
  plan: 'the plan',
  later: 'the price after the first bill',
  'later-per-month': 'the later price, a month',
  'later-per-year': 'the later price, a year',
  'set-up-fee': 'set-up fee',
  'every-months': 'months of a bill',
  'commit-months': 'months of commitment',
  'free-months': 'months free on top',
  endings: 'endings of the included domain',
  'domain-from-months': 'from which term it is included',
  seller: 'the seller',
  currency: 'the currency',
  tax: 'whether tax is inside',
};

/** "way-12-per-month" is "paid yearly, a month". */
export function roleWords(role: string): string {
  const feature = features.find(([key]) => role === `feature-${key}`);
  if (feature) {
    return feature[1];
  }

  const [, kind, number, perMonth] = /^(way|price|bills)-(\d+)(-per-month)?$/.exec(role) ?? [];
  const unit = perMonth ? ', a month' : '';
  switch (kind) {
    case 'way':
      return number === '1' ? 'paid each month' : `paid for ${span(Number(number))} at once${unit}`;
    case 'price':
      return `${number === '1' ? 'price of a bill' : `price ${number} of a bill`}${unit}`;
    case 'bills':
      return `for how many bills price ${number} holds`;
    default:
      return plain[role] ?? role;
  }
}
