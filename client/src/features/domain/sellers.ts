import { useSite } from '../../api/site/site';

/** Everybody who sells domains with this candidate, each once. */
export function useSellers(takesTransfers: boolean) {
  const { endings } = useSite().page.worksheet;
  const all = endings.flatMap((offer) => offer.sellers).filter((seller) => seller.takesTransfers || !takesTransfers);
  return [...new Map(all.map((seller) => [seller.book, seller])).values()];
}
