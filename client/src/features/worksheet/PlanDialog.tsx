import type { Book, Schemas } from '../../api/client';
import { money } from '../../format/money';
import { shortDay } from '../../format/dates';
import { Button } from '../../ui/Button';
import { Dialog } from '../../ui/Dialog';
import { ScrollRegion } from '../../ui/ScrollRegion';
import { useSite } from '../site/SiteContext';

const columns: [string, string][] = [
  ['websites', 'Sites'],
  ['storageGB', 'Storage, GB'],
  ['monthlyVisits', 'Visits a month'],
  ['mailboxes', 'Mailboxes'],
  ['databases', 'Databases'],
  ['certificate', 'Certificate'],
];

/** Every plan of every book, with what it allows, to choose one. */
export function PlanDialog({ open, onOpenChange }: { open: boolean; onOpenChange: (open: boolean) => void }) {
  const { books, page, change } = useSite();
  const { letter, candidate } = page.worksheet;
  const hosts = books.filter((book) => book.plans.length > 0);
  const choose = (book: Book, plan: Schemas['PlanWire']) => {
    change({ kind: 'choose-plan', letter, book: book.id, plan: plan.id });
    onOpenChange(false);
  };
  return (
    <Dialog
      open={open}
      onOpenChange={onOpenChange}
      wide
      title={`Choose a plan for ${letter}`}
      about="The advertised price is the lowest first price a month, whatever it becomes later. The worksheet shows all of it."
    >
      <ScrollRegion label="Plans">
        <table className="w-full text-left">
          <thead>
            <tr className="border-ink text-soft border-b text-sm">
              <th scope="col" className="py-1.5 pr-4 font-semibold">
                Plan
              </th>
              {columns.map(([, label]) => (
                <th key={label} scope="col" className="px-2 text-right font-semibold">
                  {label}
                </th>
              ))}
              <th scope="col" className="px-2 font-semibold">
                Comes with it
              </th>
              <th scope="col" className="pl-2 text-right font-semibold">
                Advertised, a month
              </th>
            </tr>
          </thead>
          {hosts.map((book) => (
            <tbody key={book.id} className="even:bg-band">
              <tr>
                <th scope="rowgroup" colSpan={columns.length + 3} className="px-1 pt-2 font-normal">
                  <bdi className="font-semibold">{book.provider}</bdi>
                  <span className="text-soft text-sm">
                    , prices {book.pricesIncludeTax ? 'with tax' : 'before tax'}, read on {shortDay(book.asOf)}.{' '}
                    <bdi>{book.facts.join(' ')}</bdi>
                  </span>
                </th>
              </tr>
              {book.plans.map((plan) => {
                const chosen = candidate.hosting?.book === book.id && candidate.hosting.plan === plan.id;
                return (
                  <tr key={plan.id} className="align-top">
                    <th scope="row" className="px-1 py-1.5 font-normal">
                      <Button look="text" onClick={() => choose(book, plan)}>
                        <bdi>{plan.name}</bdi>
                      </Button>
                      {chosen && <span className="text-soft text-sm"> chosen now</span>}
                    </th>
                    {columns.map(([feature, label]) => (
                      <td key={label} className="px-2 py-1.5 text-right">
                        {featureWords(plan.features[feature])}
                      </td>
                    ))}
                    <td className="px-2 py-1.5 text-[13.5px]">{comesWith(plan)}</td>
                    <td className="py-1.5 pl-2 text-right">
                      {plan.firstPerMonth ? money(plan.firstPerMonth, book.currency) : 'not stated'}
                    </td>
                  </tr>
                );
              })}
            </tbody>
          ))}
        </table>
      </ScrollRegion>
    </Dialog>
  );
}

export function featureWords(value: unknown): string {
  return value === undefined || value === null
    ? 'not stated'
    : typeof value === 'boolean'
      ? value
        ? 'yes'
        : 'no'
      : typeof value === 'number'
        ? new Intl.NumberFormat('en-GB').format(value)
        : typeof value === 'string'
          ? value
          : 'not stated';
}

function comesWith(plan: Schemas['PlanWire']): string {
  const given = plan.includedDomain;
  const domain = given
    ? [
        `a domain-year ${given.everyYear ? 'every year' : 'once'} (.${given.endings.join(', .')}) from ${given.minCommitMonths} months on`,
      ]
    : [];
  const all = [...plan.includes, ...domain];
  return all.length === 0 ? 'nothing more' : all.join(', ');
}
