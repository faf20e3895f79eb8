import { useSite } from '../api/site';

/** Said beside figures that stand on prices read over 60 days ago; nothing where all are fresh. */
export function OldPrices({ of }: { of: readonly (string | null | undefined)[] }) {
  const { books } = useSite();
  const old = books.some((book) => book.isOld && of.includes(book.id));
  return old ? <span className="text-red block text-[13px]">prices over 60 days old</span> : null;
}
