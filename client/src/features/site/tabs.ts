import { useHasCounterparts } from '../../api/session';

/** The sheets on which a way to buy is chosen. */
export const choosing = [
  ['/sites/$siteId/needs', 'Needs'],
  ['/sites/$siteId/scan', 'Scan'],
  ['/sites/$siteId/worksheet', 'Worksheet'],
  ['/sites/$siteId/compare', 'Compare'],
  ['/sites/$siteId/domain', 'Domain'],
  ['/sites/$siteId/shelf', 'Shelf'],
] as const;

/** The sheets on what was bought. */
const having = [
  ['/sites/$siteId/orders', 'Orders'],
  ['/sites/$siteId/online', 'Online'],
  ['/sites/$siteId/upkeep', 'Upkeep'],
  ['/sites/$siteId/mail', 'Mail'],
] as const;

/** Of the sheets on what was bought, those there are: without counterparts nothing is put online or mailed here. */
export const useHaving = () => {
  const hasCounterparts = useHasCounterparts();
  return having.filter(([, label]) => hasCounterparts || label === 'Orders' || label === 'Upkeep');
};
