import { useQuery } from '@tanstack/react-query';
import { Link } from '@tanstack/react-router';
import type { Schemas } from '../../api/wire/client';
import { useSite } from '../../api/site/site';
import { slipQuery } from '../../api/site/slip';
import { useTicks, type Ticks } from './ticks';
import { longDay } from '../../format/dates';
import { figure, money, sumMoney } from '../../format/money';
import { Button } from '../../ui/Button';
import { Awaited } from '../../ui/said/Waiting';
import { Questions } from './Questions';
import { TheirCart } from './TheirCart';
import { TheirSum } from './TheirSum';
import { Announced } from '../../ui/said/Announced';

type Seller = Schemas['SellerSlipWire'];

/** The slip of a candidate: what to choose, untick and expect at the sellers' own pages, to tick off on the way. */
export function SlipPage() {
  const { page } = useSite();
  const { letter, costing } = page.worksheet;
  const slip = useQuery({ ...slipQuery(page.id, letter, page.revision), enabled: costing !== null });
  const ticks = useTicks(page.id, letter, slip.data);
  return (
    <div className="py-5">
      <title>{`Buy ${letter} yourself · ${page.name} · Home Start`}</title>
      <h1 className="text-2xl">Buy {letter} at the sellers’ own pages</h1>
      <p className="text-soft no-print max-w-2xl">
        Keep this beside their page. It says what to choose, what to untick, and the sum that their page should show
        there before you pay.
      </p>
      {costing === null ? (
        <p className="mt-3">
          Candidate {letter} is not complete yet.{' '}
          <Link to="/sites/$siteId/worksheet" params={{ siteId: page.id }} search={{ view: letter }} className="ink">
            Choose what is missing on its worksheet
          </Link>
          .
        </p>
      ) : !slip.data ? (
        <Awaited query={slip} for="Writing the slip" />
      ) : (
        <>
          <p className="no-print mt-2 flex gap-4">
            <Button look="text" onClick={() => window.print()}>
              Print it
            </Button>
            <a className="ink" download href={`/api/sites/${page.id}/candidates/${letter}/slip.pdf`}>
              One page as PDF
            </a>
          </p>
          {slip.data.sellers.map((seller) => (
            <AtSeller key={seller.book} seller={seller} letter={letter} ticks={ticks} />
          ))}
          {ticks.fault && <Announced className="text-red mt-2">The tick was not kept: {ticks.fault.message}</Announced>}
          <p className="no-print border-rule mt-8 border-t pt-3">
            Bought it?{' '}
            <Link
              to="/sites/$siteId/bought"
              params={{ siteId: page.id }}
              search={{ view: letter }}
              className="ink font-semibold"
            >
              Note what you bought there
            </Link>
            , so that it is looked after from today on.
          </p>
        </>
      )}
    </div>
  );
}

function AtSeller({ seller, letter, ticks }: { seller: Seller; letter: string; ticks: Ticks }) {
  return (
    <section className="mt-6" aria-labelledby={`at-${seller.book}`}>
      <h2 id={`at-${seller.book}`} className="text-xl">
        At <bdi>{seller.seller}</bdi>
      </h2>
      <div className="mt-2 grid gap-x-12 gap-y-6 lg:grid-cols-[minmax(0,1fr)_minmax(0,27rem)]">
        <Steps seller={seller} ticks={ticks} />
        <div>
          <MustStand seller={seller} />
          <TheirSum seller={seller} letter={letter} />
        </div>
      </div>
      <TheirCart seller={seller} letter={letter} />
      {seller.questions.length > 0 && <Questions seller={seller} letter={letter} />}
    </section>
  );
}

/** Ticked off on the way, at the desk or on the telephone: kept with the site. */
function Steps({ seller, ticks }: { seller: Seller; ticks: Ticks }) {
  return (
    <ol>
      {seller.steps.map((step) => {
        const key = `${seller.book}: ${step.words}`;
        return (
          <li key={step.words} className="odd:bg-band px-2.5 py-1.5">
            <label className="flex gap-2.5">
              <input
                type="checkbox"
                aria-label={step.words}
                className="mt-0.5"
                checked={ticks.done.includes(key)}
                onChange={() => ticks.tick(key)}
              />
              <span className={step.kind === 'untick-extra' ? 'text-red' : undefined}>
                <bdi>{step.words}</bdi>
              </span>
            </label>
          </li>
        );
      })}
    </ol>
  );
}

/** The sum that must stand there, line by line, and the next one. */
function MustStand({ seller }: { seller: Seller }) {
  const { today, next, currency } = seller;
  return today === null ? (
    <p>Nothing is due there today.</p>
  ) : (
    <>
      <table className="w-full text-left text-[14px]">
        <caption className="text-soft text-left">What their page should show today, in {currency}</caption>
        <tbody>
          {today.lines.map((line, index) => (
            <tr key={index} className="odd:bg-band [&>*]:px-2.5 [&>*]:py-1">
              <th scope="row" className="font-normal">
                <bdi>{line.what}</bdi>
              </th>
              <td className="text-right">{line.notStated ? 'not stated' : figure(line.amount)}</td>
            </tr>
          ))}
          {today.tax !== null && (
            <tr className="[&>*]:px-2.5 [&>*]:py-1">
              <th scope="row" className="font-normal">
                Tax on top
              </th>
              <td className="text-right">{figure(today.tax)}</td>
            </tr>
          )}
          <tr className="double-rule font-semibold [&>*]:px-2.5 [&>*]:py-1">
            <th scope="row">In total</th>
            <td className="text-right">{sumMoney({ amount: today.total, atLeast: today.atLeast }, currency)}</td>
          </tr>
        </tbody>
      </table>
      {next && (
        <p className="text-soft mt-1">
          Next, on {longDay(next.date)}: {next.atLeast && 'at least '}
          {money(next.total, currency)}.
        </p>
      )}
    </>
  );
}
