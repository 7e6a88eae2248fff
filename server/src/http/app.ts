import { existsSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import type { Readable } from 'node:stream';
import { serveStatic } from '@hono/node-server/serve-static';
import { type Context, Hono } from 'hono';
import { bodyLimit } from 'hono/body-limit';
import { compress } from 'hono/compress';
import { csrf } from 'hono/csrf';
import { HTTPException } from 'hono/http-exception';
import { requestId } from 'hono/request-id';
import { routePath } from 'hono/route';
import { secureHeaders } from 'hono/secure-headers';
import type { UpgradeWebSocket } from 'hono/ws';
import type { Logger } from 'pino';
import type { DataSource } from 'typeorm';
import { PAGE_HEADER, pageScript } from '#contract/page-version.ts';
import { SERVER_TIME_HEADER } from '#contract/server-time.ts';
import type { ShopNetwork } from '#contract/shop.ts';
import type { OutsideService } from '../outside/outside-service.ts';
import type { SealFolder } from '../seal/open-seal.ts';
import type { BookService } from '../service/book-service.ts';
import type { Caller } from '../service/caller.ts';
import type { CatalogService } from '../service/catalog-service.ts';
import type { CribService } from '../service/crib-service.ts';
import type { DayService } from '../service/day-service.ts';
import type { DrillService } from '../service/drill-service.ts';
import type { FollowUpService } from '../service/follow-up-service.ts';
import type { JobDevices } from '../service/job-devices.ts';
import type { JobService } from '../service/job-service.ts';
import type { KitDraftService } from '../service/kit-draft-service.ts';
import type { KitPictures } from '../service/kit-pictures.ts';
import type { Leaves } from '../service/leaves.ts';
import type { MessageService } from '../service/message-service.ts';
import type { MovingInService } from '../service/moving-in/moving-in-service.ts';
import type { OtherShopService } from '../service/other-shop-service.ts';
import type { OwnerLinkService } from '../service/owner-link-service.ts';
import type { OwnerService } from '../service/owner-service.ts';
import type { PasskeyService } from '../service/passkey-service.ts';
import type { Once, ReadingProofs } from '../service/reading-proofs.ts';
import type { RecallService } from '../service/recall-service.ts';
import type { RetorqueService } from '../service/retorque-service.ts';
import type { ServerCodes } from '../service/server-codes.ts';
import type { SessionService } from '../service/session-service.ts';
import type { ShelfService } from '../service/shelf-service.ts';
import type { ShopService } from '../service/shop-service.ts';
import type { ShopWrenches } from '../service/shop-wrenches.ts';
import type { TabletService } from '../service/tablet-service.ts';
import { isDatabaseAway, isDatabaseFull } from '../store/data-source.ts';
import { KitTooLarge, type KitWorks } from '../thread/kit-works.ts';
import type { Addresses } from './address.ts';
import { archiveRoutes } from './archive-routes.ts';
import { bookRoutes } from './book-routes.ts';
import { type SignedInEnv, signedIn, siteOf } from './caller.ts';
import { catalogRoutes } from './catalog-routes.ts';
import { cribRoutes } from './crib-routes.ts';
import { dayRoutes } from './day-routes.ts';
import { drillRoutes } from './drill-routes.ts';
import { dueRoutes } from './due-routes.ts';
import type { Figures } from './figures.ts';
import { handOverRoutes, ownerPageRoutes } from './hand-over-routes.ts';
import { jobRoutes } from './job-routes.ts';
import { kitRoutes } from './kit-routes.ts';
import { isKnownHost } from './known-host.ts';
import { messageRoutes } from './message-routes.ts';
import { movingInRoutes } from './moving-in-routes.ts';
import { openApi } from './openapi.ts';
import { otherShopRoutes } from './other-shop-routes.ts';
import { outsideRoutes, programRoutes } from './outside-routes.ts';
import { ownerRoutes } from './owner-routes.ts';
import { problem } from './problem.ts';
import { rackRoutes } from './rack-routes.ts';
import { recallRoutes } from './recall-routes.ts';
import { sessionRoutes } from './session-routes.ts';
import { shelfRoutes, supplierRoutes } from './shelf-routes.ts';
import { openingRoutes, shopRoutes } from './shop-routes.ts';
import { speakLanguage } from './speak-language.ts';
import { tabletRoutes } from './tablet-routes.ts';
import { wrenchRoutes } from './wrench-routes.ts';

/** What the routes of the API are made of. */
interface ApiParts {
  sessions: SessionService;
  passkeys: PasskeyService;
  leaves: Leaves;
  catalog: CatalogService;
  jobs: JobService;
  crib: CribService;
  shelf: ShelfService;
  drills: DrillService;
  shop: ShopService;
  movingIn: MovingInService;
  tablets: TabletService;
  outside: OutsideService;
  owners: OwnerService;
  followUp: FollowUpService;
  retorque: RetorqueService;
  messages: MessageService;
  recalls: RecallService;
  book: BookService;
  days: DayService;
  ownerLinks: OwnerLinkService;
  others: OtherShopService;
  wrenches: ShopWrenches;
  /** The whole shop as one file. */
  archive: (caller: Caller) => Promise<{ name: string; stream: Readable }>;
  drafts: KitDraftService;
  pictures: KitPictures;
  devices: JobDevices;
  folder: SealFolder;
  works: KitWorks;
  network: ShopNetwork;
  codes: ServerCodes;
  addresses: Addresses;
  once: Once;
}

export interface AppParts extends ApiParts {
  source: DataSource;
  readings: ReadingProofs;
  log: Logger;
  webDist: string;
  /** Names the server is reached by, beside addresses. */
  hosts: readonly string[];
  /** What a monitor reads; left out where none is asked for. */
  figures?: Figures;
}

/** Of the application, as its package has it. */
export const VERSION = '0.1.0';
const BODY_LIMIT = 2 * 1024 * 1024;

/** The routes under /api; their type is the web's typed client. */
function apiRoutes({
  sessions,
  passkeys,
  leaves,
  catalog,
  jobs,
  crib,
  shelf,
  drills,
  shop,
  movingIn,
  tablets,
  outside,
  owners,
  followUp,
  retorque,
  messages,
  recalls,
  book,
  days,
  ownerLinks,
  others,
  wrenches,
  archive,
  drafts,
  pictures,
  devices,
  folder,
  works,
  network,
  codes,
  once,
  addresses,
}: ApiParts) {
  return new Hono<SignedInEnv>()
    .route('/session', sessionRoutes(sessions, passkeys, leaves, tablets, addresses))
    .route('/opening', openingRoutes(shop, addresses))
    .route('/outside/v1', outsideRoutes(outside, followUp, shop))
    .route('/owner-page', ownerPageRoutes(ownerLinks, folder.publicKey, addresses))
    .use('*', signedIn(sessions))
    .route('/', catalogRoutes(catalog, jobs, drafts, sessions, wrenches, shop))
    .route('/jobs', jobRoutes(jobs, crib, sessions, devices, folder))
    .route('/crib', cribRoutes(crib, catalog, sessions))
    .route('/shelf', shelfRoutes(shelf))
    .route('/drills', drillRoutes(drills, shop))
    .route('/shop', shopRoutes(shop, sessions, network))
    .route('/owners', ownerRoutes(owners, sessions))
    .route('/hand-overs', handOverRoutes(jobs, ownerLinks, folder))
    .route('/book', bookRoutes(book, catalog, shop, crib))
    .route('/days', dayRoutes(days))
    .route('/recalls', recallRoutes(recalls, shop))
    .route('/messages', messageRoutes(messages))
    .route('/due', dueRoutes(followUp, retorque, shop))
    .route('/other-shops', otherShopRoutes(others, sessions))
    .route('/programs', programRoutes(outside, sessions))
    .route('/archive', archiveRoutes(sessions, codes, once, archive))
    .route('/tablets', tabletRoutes(tablets, sessions))
    .route('/moving-in', movingInRoutes(movingIn))
    .route('/supplier', supplierRoutes())
    .route('/alignment-rack', rackRoutes())
    .route('/kit-library', kitRoutes(drafts, catalog, jobs, pictures, works));
}
export type Api = ReturnType<typeof apiRoutes>;

/** What a page and whatever is no piece of one is served with: the policy of what it may load and do. */
const pageHeaders = secureHeaders({
  contentSecurityPolicy: {
    defaultSrc: ["'self'"],
    // Widths and positions of drawn things are style attributes.
    styleSrc: ["'self'", "'unsafe-inline'"],
    imgSrc: ["'self'", 'data:'],
    connectSrc: ["'self'", 'ws:', 'wss:'],
    workerSrc: ["'self'"],
    objectSrc: ["'none'"],
    frameAncestors: ["'none'"],
    baseUri: ["'self'"],
  },
  // By addresses and names of a private network; a browser that was told to insist would lock itself out of a demo there.
  strictTransportSecurity: false,
});

/**
 * What a script, a style or a font is served with: the page's own policy rules it, and at a first load a shorter head is
 * saved a hundred times.
 */
const pieceHeaders = secureHeaders({
  crossOriginOpenerPolicy: false,
  originAgentCluster: false,
  referrerPolicy: false,
  strictTransportSecurity: false,
  xDnsPrefetchControl: false,
  xDownloadOptions: false,
  xFrameOptions: false,
  xPermittedCrossDomainPolicies: false,
  xXssProtection: false,
});

/** A worker goes by the policy it came with itself, not by its page's. */
const isPiece = (path: string): boolean => path.startsWith('/assets/') && !path.includes('worker');

/** The whole server: API, wrench stream, health, and the built web application. */
export function makeApp(parts: AppParts, upgradeWebSocket?: UpgradeWebSocket) {
  const { source, log, webDist, hosts, figures } = parts;
  const app = new Hono<SignedInEnv>();

  app.use(requestId());
  app.use(async (c, next) => {
    const startedMs = performance.now();
    await next();
    const seconds = (performance.now() - startedMs) / 1000;
    // The pattern and never the address: that would name jobs and people, and make a series of each.
    figures?.answered(c.req.method, routePath(c), c.res.status, seconds);
    const level = c.res.status >= 500 ? 'error' : 'info';
    log[level]({
      requestId: c.get('requestId'),
      method: c.req.method,
      path: c.req.path,
      status: c.res.status,
      ms: Math.round(seconds * 1000),
    });
  });
  app.use((c, next) => (isPiece(c.req.path) ? pieceHeaders : pageHeaders)(c, next));
  app.use('/api/*', speakLanguage());
  // A name that a page elsewhere lets point here must not open this server to that page.
  app.use(async (c, next) => (isKnownHost(c.req.header('host'), hosts) ? next() : problem(c, 'wrongHost')));
  app.use(csrf());
  // `csrf` looks at form posts only; this covers whatever else a page of another site can ask for, sockets too.
  app.use('/api/*', async (c, next) => {
    const origin = c.req.header('origin');
    return origin === undefined || origin === siteOf(c).origin ? next() : problem(c, 'crossOrigin');
  });
  // Tablets keep their time by the server's, and learn that a newer page is there.
  const index = join(webDist, 'index.html');
  const page = existsSync(index) ? pageScript(readFileSync(index, 'utf8')) : undefined;
  app.use('/api/*', (c, next) => {
    c.header(SERVER_TIME_HEADER, String(Date.now()));
    if (page !== undefined) c.header(PAGE_HEADER, page);
    return next();
  });
  const tooLarge = (c: Context) => problem(c, 'tooLarge', { detail: `At most ${BODY_LIMIT} bytes.` });
  const limited = bodyLimit({ maxSize: BODY_LIMIT, onError: tooLarge });
  app.use('/api/*', (c, next) => {
    const length = c.req.header('content-length');
    // A body that says its length needs no counting; counting costs as much as the rest of a short request.
    if (length === undefined) return c.req.method === 'GET' ? next() : limited(c, next);
    return Number(length) > BODY_LIMIT ? Promise.resolve(tooLarge(c)) : next();
  });
  // Where there is something to gain: lists. Files were packed when they were built.
  // A compressor costs more than a short answer, and would hold
  // single events of a stream back.
  const packed = compress();
  for (const path of [
    '/api/kits',
    '/api/vehicles',
    '/api/jobs',
    '/api/jobs/:jobId',
    '/api/crib',
    '/api/kit-library/*',
  ]) {
    app.use(path, (c, next) => (c.req.method === 'GET' ? packed(c, next) : next()));
  }

  app.get('/healthz', (c) => c.json({ alive: true }));
  app.get('/readyz', async (c) => {
    await source.query('SELECT 1');
    return c.json({ ready: true });
  });
  if (upgradeWebSocket) app.route('/api/devices', wrenchRoutes(parts, upgradeWebSocket));
  const api = apiRoutes(parts);
  app.get('/api/openapi.json', (c) => c.json(openApi(app, VERSION)));
  app.route('/api', api);
  app.all('/api/*', (c) => problem(c, 'notFound'));

  const year = 'public, max-age=31536000, immutable';
  app.use(
    '/assets/*',
    serveStatic({ root: webDist, precompressed: true, onFound: (_, c) => void c.header('Cache-Control', year) }),
  );
  app.get('/assets/*', (c) => problem(c, 'notFound'));
  app.use('*', serveStatic({ root: webDist, onFound: (_, c) => void c.header('Cache-Control', 'no-cache') }));
  // Addresses inside the application all load the same page.
  app.get(
    '*',
    serveStatic({ root: webDist, path: 'index.html', onFound: (_, c) => void c.header('Cache-Control', 'no-cache') }),
  );
  app.notFound((c) => problem(c, 'notFound'));

  app.onError((error, c) => {
    if (error instanceof HTTPException) {
      if (error.status === 403) return problem(c, 'crossOrigin');
      return problem(c, 'badRequest', { detail: error.message });
    }
    if (error instanceof KitTooLarge) return problem(c, 'kitTooLarge', { detail: error.message });
    if (isDatabaseAway(error)) {
      log.warn({ requestId: c.get('requestId'), err: error.message }, 'database away');
      return problem(c, 'storeUnavailable');
    }
    if (isDatabaseFull(error)) {
      log.error({ requestId: c.get('requestId'), err: error.message }, 'disk full');
      return problem(c, 'storeFull');
    }
    log.error({ requestId: c.get('requestId'), err: error }, 'unexpected');
    // The stack stays in the log; the request id leads to it.
    return problem(c, 'internal');
  });
  return app;
}
