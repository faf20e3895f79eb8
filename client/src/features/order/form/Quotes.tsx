import { useQuery } from '@tanstack/react-query';
import { Link } from '@tanstack/react-router';
import { useWatch, type Control } from 'react-hook-form';
import { money } from '../../../format/money';
import { clockTime } from '../../../format/dates';
import { useSite } from '../../../api/site/site';
import { Button } from '../../../ui/Button';
import { MendIt } from '../../../ui/said/MendIt';
import type { OrderForm } from './form';
import { quotesQuery } from './quotes';
import { Announced } from '../../../ui/said/Announced';

/** The country whose tax is charged: the holder's. */
export function useHolderCountry(control: Control<OrderForm>) {
  const [contact, holder, isHeldByOther] = useWatch({
    control,
    name: ['contact.country', 'holder.country', 'isHeldByOther'],
  });
  return (isHeldByOther ? holder : contact) || 'GB';
}

/** The sum each seller names for today, or why the order cannot be placed at the worksheet's. */
export function Quotes({ control }: { control: Control<OrderForm> }) {
  const { page } = useSite();
  const country = useHolderCountry(control);
  const asked = useQuery(quotesQuery(page.id, page.revision, page.worksheet.letter, country));
  const differences = asked.data?.differences ?? [];
  return (
    <section className="mt-5" aria-labelledby="quotes" aria-busy={asked.isFetching}>
      <h2 id="quotes" className="text-lg">
        What the sellers ask
      </h2>
      {asked.isPending && <p className="text-soft mt-1">Asking each seller for its sum …</p>}
      {asked.data?.quotes.map((quote) => (
        <p key={quote.book} className="mt-1">
          <bdi>{quote.seller}</bdi> asks for {money(quote.total, quote.currency)}
          {quote.taxPercent && `, ${quote.taxPercent}% tax included`}. It keeps to that until{' '}
          {clockTime(quote.validUntil)}.
        </p>
      ))}
      {(asked.isError || differences.length > 0) && (
        <Announced as="div" className="border-red text-red mt-2 border-l-2 pl-3">
          <p>This cannot be ordered yet:</p>
          <ul className="mt-1 list-disc pl-5">
            {asked.isError && <li>{asked.error.message}</li>}
            {differences.map((difference) => (
              <li key={difference.message}>{difference.message}</li>
            ))}
          </ul>
          <p className="mt-2 flex flex-wrap gap-x-4">
            <MendIt faults={differences} />
            <Link
              to="/sites/$siteId/worksheet"
              params={{ siteId: page.id }}
              search={{ view: page.worksheet.letter }}
              className="ink"
            >
              Go to the worksheet
            </Link>
            <Button look="text" onClick={() => void asked.refetch()}>
              Ask the sellers again
            </Button>
          </p>
        </Announced>
      )}
    </section>
  );
}
