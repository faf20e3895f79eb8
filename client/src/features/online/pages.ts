/** What can be done with a hosting, in the order in which owners do it. */
export const ongoing = [
  {
    to: '/sites/$siteId/online/$orderId/first-page',
    label: 'First page',
    does: 'A page from a few answers, to be seen today.',
  },
  {
    to: '/sites/$siteId/online/$orderId/files',
    label: 'Files',
    does: 'A site that is made already: put it up, and change what is there.',
  },
  {
    to: '/sites/$siteId/online/$orderId/engine',
    label: 'Site engine',
    does: 'A program that lets you write the site in the browser.',
  },
  {
    to: '/sites/$siteId/online/$orderId/mailboxes',
    label: 'Mail addresses',
    does: 'Addresses at your own domain, and whether mail arrives.',
  },
  {
    to: '/sites/$siteId/online/$orderId/names',
    label: 'Names',
    does: 'Further domains and parts before a name: what each of them shows.',
  },
  {
    to: '/sites/$siteId/online/$orderId/records',
    label: 'Records',
    does: 'Where each name leads, line by line (DNS).',
  },
] as const;
