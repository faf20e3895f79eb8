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
export const having = [
  ['/sites/$siteId/orders', 'Orders'],
  ['/sites/$siteId/online', 'Online'],
  ['/sites/$siteId/upkeep', 'Upkeep'],
  ['/sites/$siteId/mail', 'Mail'],
] as const;

export const tabs = [...choosing, ...having];
