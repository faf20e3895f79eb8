import type { QueryClient } from '@tanstack/react-query';
import {
  createRootRouteWithContext,
  createRoute,
  createRouter,
  lazyRouteComponent,
  Link,
  Outlet,
  redirect,
} from '@tanstack/react-router';
import { sessionQuery } from '../api/wire/queries';
import { landingOf, lastSite } from '../api/site/sites';
import { Failed, Waiting } from '../ui/said/Waiting';
import { useHeadingFocus } from './useHeadingFocus';

function Root() {
  useHeadingFocus();
  return <Outlet />;
}

const root = createRootRouteWithContext<{ queries: QueryClient }>()({
  component: Root,
  // Every other request is the workspace's: its cookie and token come with the session.
  beforeLoad: ({ context }) => context.queries.ensureQueryData(sessionQuery),
  notFoundComponent: () => (
    <main className="p-8">
      <h1 className="text-2xl">There is no such page</h1>
      <p>
        Go to{' '}
        <Link to="/start" className="ink">
          the start page
        </Link>
        .
      </p>
    </main>
  ),
  errorComponent: ({ error, reset }) => (
    <Failed error={error instanceof Error ? error : new Error(String(error))} retry={reset} />
  ),
  pendingComponent: () => <Waiting for="Opening your site" />,
});

const start = createRoute({
  getParentRoute: () => root,
  path: '/',
  beforeLoad: async ({ context }) => {
    const { sites } = await context.queries.ensureQueryData(sessionQuery);
    const landing = landingOf(sites, lastSite.read());
    throw landing
      ? redirect({ to: '/sites/$siteId/worksheet', params: { siteId: landing.id }, search: {} })
      : redirect({ to: '/start' });
  },
});

const startPage = createRoute({
  getParentRoute: () => root,
  path: '/start',
  component: lazyRouteComponent(() => import('../features/start/StartPage'), 'StartPage'),
});

const account = createRoute({
  getParentRoute: () => root,
  path: '/account',
  component: lazyRouteComponent(() => import('../features/account/AccountPage'), 'AccountPage'),
});

export interface SiteSearch {
  /** The letter of the candidate looked at; none: the first. */
  view?: string;
}

const text = (value: unknown) =>
  typeof value === 'string' && value.length > 0 && value.length < 300 ? value : undefined;

const site = createRoute({
  getParentRoute: () => root,
  path: '/sites/$siteId',
  validateSearch: (search): SiteSearch => ({ view: text(search.view) }),
  component: lazyRouteComponent(() => import('../features/site/SiteLayout'), 'SiteLayout'),
});

const worksheet = createRoute({
  getParentRoute: () => site,
  path: '/worksheet',
  validateSearch: (search): SiteSearch & { sheet?: string } => ({ view: text(search.view), sheet: text(search.sheet) }),
  component: lazyRouteComponent(() => import('../features/worksheet/WorksheetPage'), 'WorksheetPage'),
});

const domain = createRoute({
  getParentRoute: () => site,
  path: '/domain',
  validateSearch: (search): SiteSearch & { name?: string } => ({ view: text(search.view), name: text(search.name) }),
  component: lazyRouteComponent(() => import('../features/domain/DomainPage'), 'DomainPage'),
});

const manyNames = createRoute({
  getParentRoute: () => site,
  path: '/domain/many',
  component: lazyRouteComponent(() => import('../features/domain/ManyNames'), 'ManyNames'),
});

const ownDomain = createRoute({
  getParentRoute: () => site,
  path: '/domain/own',
  component: lazyRouteComponent(() => import('../features/domain/OwnDomain'), 'OwnDomain'),
});

const wait = createRoute({
  getParentRoute: () => site,
  path: '/domain/wait',
  component: lazyRouteComponent(() => import('../features/domain/WaitPage'), 'WaitPage'),
});

const needs = createRoute({
  getParentRoute: () => site,
  path: '/needs',
  component: lazyRouteComponent(() => import('../features/needs/NeedsPage'), 'NeedsPage'),
});

const scan = createRoute({
  getParentRoute: () => site,
  path: '/scan',
  validateSearch: (search): SiteSearch & { by?: string; all?: boolean; one?: boolean } => ({
    view: text(search.view),
    by: text(search.by),
    one: search.one === true || undefined,
    all: search.all === true || undefined,
  }),
  component: lazyRouteComponent(() => import('../features/scan/ScanPage'), 'ScanPage'),
});

const compare = createRoute({
  getParentRoute: () => site,
  path: '/compare',
  validateSearch: (search): SiteSearch & { base?: string; against?: string; all?: boolean } => ({
    view: text(search.view),
    base: text(search.base),
    against: text(search.against),
    all: search.all === true || undefined,
  }),
  component: lazyRouteComponent(() => import('../features/compare/ComparePage'), 'ComparePage'),
});

const order = createRoute({
  getParentRoute: () => site,
  path: '/order',
  component: lazyRouteComponent(() => import('../features/order/form/OrderPage'), 'OrderPage'),
});

const orders = createRoute({
  getParentRoute: () => site,
  path: '/orders',
  component: lazyRouteComponent(() => import('../features/order/placed/OrdersPage'), 'OrdersPage'),
});

const placed = createRoute({
  getParentRoute: () => site,
  path: '/orders/$orderId',
  component: lazyRouteComponent(() => import('../features/order/placed/PlacedPage'), 'PlacedPage'),
});

const online = createRoute({
  getParentRoute: () => site,
  path: '/online',
  component: lazyRouteComponent(() => import('../features/online/OnlinePage'), 'OnlinePage'),
});

const slip = createRoute({
  getParentRoute: () => site,
  path: '/slip',
  component: lazyRouteComponent(() => import('../features/slip/SlipPage'), 'SlipPage'),
});

const bought = createRoute({
  getParentRoute: () => site,
  path: '/bought',
  // The order whose telling is mended; none: a candidate is noted as bought.
  validateSearch: (search): SiteSearch & { order?: string } => ({ view: text(search.view), order: text(search.order) }),
  component: lazyRouteComponent(() => import('../features/bought/BoughtPage'), 'BoughtPage'),
});

const upkeep = createRoute({
  getParentRoute: () => site,
  path: '/upkeep',
  // The order whose "stay or move" is worked out at once: a reminder leads there.
  validateSearch: (search): SiteSearch & { stay?: string } => ({ view: text(search.view), stay: text(search.stay) }),
  component: lazyRouteComponent(() => import('../features/upkeep/UpkeepPage'), 'UpkeepPage'),
});

const hosting = createRoute({
  getParentRoute: () => site,
  path: '/online/$orderId',
  component: lazyRouteComponent(() => import('../features/online/HostingLayout'), 'HostingLayout'),
});

const hostingPages = [
  createRoute({
    getParentRoute: () => hosting,
    path: '/first-page',
    component: lazyRouteComponent(() => import('../features/online/firstPage/FirstPagePage'), 'FirstPagePage'),
  }),
  createRoute({
    getParentRoute: () => hosting,
    path: '/files',
    component: lazyRouteComponent(() => import('../features/online/files/FilesPage'), 'FilesPage'),
  }),
  createRoute({
    getParentRoute: () => hosting,
    path: '/engine',
    component: lazyRouteComponent(() => import('../features/online/engine/EnginePage'), 'EnginePage'),
  }),
  createRoute({
    getParentRoute: () => hosting,
    path: '/mailboxes',
    component: lazyRouteComponent(() => import('../features/online/mailboxes/MailboxesPage'), 'MailboxesPage'),
  }),
  createRoute({
    getParentRoute: () => hosting,
    path: '/names',
    component: lazyRouteComponent(() => import('../features/online/names/NamesPage'), 'NamesPage'),
  }),
  createRoute({
    getParentRoute: () => hosting,
    path: '/records',
    component: lazyRouteComponent(() => import('../features/online/records/RecordsPage'), 'RecordsPage'),
  }),
] as const;

const mail = createRoute({
  getParentRoute: () => site,
  path: '/mail',
  validateSearch: (search): SiteSearch & { letter?: string } => ({
    view: text(search.view),
    letter: text(search.letter),
  }),
  component: lazyRouteComponent(() => import('../features/mail/MailPage'), 'MailPage'),
});

const shelf = createRoute({
  getParentRoute: () => site,
  path: '/shelf',
  validateSearch: (search): SiteSearch & { book?: string } => ({ view: text(search.view), book: text(search.book) }),
  component: lazyRouteComponent(() => import('../features/shelf/ShelfPage'), 'ShelfPage'),
});

const advertisement = createRoute({
  getParentRoute: () => site,
  path: '/shelf/advertisement',
  component: lazyRouteComponent(() => import('../features/shelf/advertisement/AdvertisementPage'), 'AdvertisementPage'),
});

const sellersPage = createRoute({
  getParentRoute: () => site,
  path: '/shelf/page',
  component: lazyRouteComponent(() => import('../features/shelf/page/PastedPage'), 'PastedPage'),
});

const table = createRoute({
  getParentRoute: () => site,
  path: '/shelf/table',
  component: lazyRouteComponent(() => import('../features/shelf/table/TablePage'), 'TablePage'),
});

const edit = createRoute({
  getParentRoute: () => site,
  path: '/shelf/edit/$book',
  component: lazyRouteComponent(() => import('../features/shelf/edit/EditPage'), 'EditPage'),
});

const format = createRoute({
  getParentRoute: () => site,
  path: '/shelf/format',
  component: lazyRouteComponent(() => import('../features/shelf/format/FormatPage'), 'FormatPage'),
});

const tree = root.addChildren([
  start,
  startPage,
  account,
  site.addChildren([
    needs,
    scan,
    worksheet,
    compare,
    domain,
    manyNames,
    ownDomain,
    wait,
    shelf,
    sellersPage,
    advertisement,
    table,
    edit,
    format,
    order,
    orders,
    placed,
    online,
    slip,
    bought,
    upkeep,
    hosting.addChildren(hostingPages),
    mail,
  ]),
]);

export const makeRouter = (queries: QueryClient) =>
  createRouter({ routeTree: tree, context: { queries }, defaultPreload: 'intent', scrollRestoration: true });

declare module '@tanstack/react-router' {
  interface Register {
    router: ReturnType<typeof makeRouter>;
  }
}
