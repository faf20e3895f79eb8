import { useShelfChanges } from '../../api/books/shelf';
import { useSite } from '../../api/site/site';
import { Button } from '../Button';
import { Announced } from './Announced';

/**
 * Where an owner has a price list of their own: that the example's sellers are among these, and the way to leave them
 * out.
 */
export function MadeUpSellers() {
  const { page, books } = useSite();
  const { putExamplesAway } = useShelfChanges();
  const madeUp = books.filter((book) => book.isExample && !book.isPutAway).length;
  const hasOwn = books.some((book) => !book.isExample);
  return page.isExample || madeUp === 0 || !hasOwn ? null : (
    <p className="text-soft text-[14px]">
      {madeUp} made-up sellers of the example are among these.{' '}
      <Button look="text" aria-disabled={putExamplesAway.isPending} onClick={() => putExamplesAway.mutate(true)}>
        {putExamplesAway.isPending ? 'Leaving them out …' : 'Leave them out'}
      </Button>
      {putExamplesAway.error && (
        <Announced as="span" className="text-red block">
          {putExamplesAway.error.message}
        </Announced>
      )}
    </p>
  );
}
