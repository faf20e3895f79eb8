import { useQuery } from '@tanstack/react-query';
import { Link } from '@tanstack/react-router';
import { useHasCounterparts } from '../../api/session';
import { useSite } from '../../api/site/site';
import { span } from '../../format/words';
import { Awaited } from '../../ui/said/Waiting';
import { Allowances } from './Allowances';
import { CardStatement } from './CardStatement';
import { Charges } from './Charges';
import { Clock } from './Clock';
import { DayBook } from './DayBook';
import { Decisions } from './Decisions';
import { Holdings } from './Holdings';
import { LaterCard } from './LaterCard';
import { Leaving } from './Leaving';
import { NoticeList } from './NoticeList';
import { PaidThere } from './PaidThere';
import { Reminders } from './Reminders';
import { StayOrMove } from './StayOrMove';
import { WasItTaken } from './WasItTaken';
import { WentWrong } from './WentWrong';
import { YearsLine } from './YearsLine';
import { moreWords } from './sums';
import { upkeepQuery, type Tenure } from './upkeep';
import { Announced } from '../../ui/said/Announced';

/**
 * What is had of each order: until when it is paid, what comes next, what is at risk, and what can be decided about it.
 */
export function UpkeepPage() {
  const { page } = useSite();
  const hasCounterparts = useHasCounterparts();
  const upkeep = useQuery(upkeepQuery(page.id));
  if (!upkeep.data) {
    return <Awaited query={upkeep} for="Looking at what you have" />;
  }

  const { tenures, awaited, untold, today, horizonMonths } = upkeep.data;
  return (
    <div className="py-5">
      <title>{`Upkeep · ${page.name} · Home Start`}</title>
      <h1 className="text-2xl">Upkeep</h1>
      {hasCounterparts && <Clock upkeep={upkeep.data} />}
      {awaited.map(({ orderId, reference }) => (
        <Announced key={orderId} className="mt-4">
          <Link to="/sites/$siteId/orders/$orderId" params={{ siteId: page.id, orderId }} search={{}} className="ink">
            {reference}
          </Link>{' '}
          is being carried out. What it brings stands here once it is delivered.
        </Announced>
      ))}
      {tenures.length === 0 && awaited.length === 0 && (
        <p className="mt-4 max-w-2xl">
          Nothing is ordered and delivered for this site yet, or noted as bought. When it is, this page knows in advance
          what renews, which prices go up and what you could lose.{' '}
          <Link to="/sites/$siteId/worksheet" params={{ siteId: page.id }} search={{}} className="ink">
            Go to the worksheet
          </Link>
          .
        </p>
      )}
      {tenures.map((tenure) => (
        <Kept key={tenure.orderId} tenure={tenure} today={today} horizonMonths={horizonMonths} />
      ))}
      {untold.length > 0 && (
        <p className="text-soft mt-6 max-w-2xl">
          Of {untold.map(({ reference }) => reference).join(', ')} only the dates on the key sheet are known: what it
          was made of was not kept when it was placed.
        </p>
      )}
      {tenures.length > 0 && <CardStatement siteId={page.id} />}
      {tenures.length > 0 && <Reminders reminders={upkeep.data.reminders} siteId={page.id} />}
    </div>
  );
}

function Kept({ tenure, today, horizonMonths }: { tenure: Tenure; today: string; horizonMonths: number }) {
  const { page } = useSite();
  const more = moreWords(tenure.staying);
  return (
    <section className="mt-6" aria-labelledby={`kept-${tenure.orderId}`}>
      <h2 id={`kept-${tenure.orderId}`} className="text-xl">
        <bdi>{tenure.name}</bdi>
      </h2>
      <p>
        If you change nothing, you will pay <b>{more}</b> over {span(horizonMonths)} from today
        {more === 'nothing more' ? '.' : ', with tax; what you have paid already is not counted again.'}{' '}
        {tenure.payer.atTheSellers ? 'Bought there, kept as' : 'Ordered as'}{' '}
        <Link
          to="/sites/$siteId/orders/$orderId"
          params={{ siteId: page.id, orderId: tenure.orderId }}
          search={{}}
          className="ink"
        >
          {tenure.reference}
        </Link>
        .
      </p>
      <WentWrong tenure={tenure} />
      <WasItTaken tenure={tenure} />
      <YearsLine tenure={tenure} today={today} />
      <Holdings tenure={tenure} />
      <div className="mt-6 grid gap-x-12 gap-y-8 lg:grid-cols-[minmax(0,1fr)_minmax(0,27rem)]">
        <div>
          <NoticeList tenure={tenure} />
          <Decisions tenure={tenure} horizonMonths={horizonMonths} />
          <Allowances tenure={tenure} />
          <StayOrMove tenure={tenure} />
          <Leaving tenure={tenure} />
        </div>
        <div>
          {tenure.payer.atTheSellers ? <PaidThere tenure={tenure} /> : <LaterCard tenure={tenure} />}
          <Charges tenure={tenure} />
          <DayBook tenure={tenure} />
        </div>
      </div>
    </section>
  );
}
