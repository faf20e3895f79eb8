import { useSite } from '../../api/site/site';

/**
 * Said beside figures: that a seller is made up, in an owner's own site, and that prices were read over 60 days ago.
 */
export function SellerNotes({ of }: { of: readonly (string | null | undefined)[] }) {
  const { page, books } = useSite();
  const told = books.filter((book) => of.includes(book.id));
  const isMadeUp = !page.isExample && told.some((book) => book.isExample);
  const isOld = told.some((book) => book.isOld);
  return (
    <>
      {isMadeUp && <span className="text-soft block text-[13px]">made-up seller of the example</span>}
      {isOld && <span className="text-red block text-[13px]">prices over 60 days old</span>}
    </>
  );
}
