import type { Server } from 'node:http';
import { createServer as createSecureServer } from 'node:https';
import { type AddressInfo, isIP } from 'node:net';
import { serve, upgradeWebSocket } from '@hono/node-server';
import pino, { type Logger } from 'pino';
import { WebSocketServer } from 'ws';
import { DEMO_PEOPLE } from '#demo/shop.ts';
import { OutboxStandIn } from '#devices/outbox/outbox.ts';
import { openFiles } from './archive/open-files.ts';
import { writeArchive } from './archive/write-archive.ts';
import { type Config, listeningFault } from './config.ts';
import { addresses } from './http/address.ts';
import { makeApp } from './http/app.ts';
import { figuresServer, makeFigures } from './http/figures.ts';
import { MessagePost } from './outside/message-post.ts';
import { OutsideService } from './outside/outside-service.ts';
import { TellingPost } from './outside/telling-post.ts';
import { openSeal, type SealFolder } from './seal/open-seal.ts';
import { BookService } from './service/book-service.ts';
import type { Caller } from './service/caller.ts';
import { CatalogService } from './service/catalog-service.ts';
import { CommandAuthority } from './service/command-authority.ts';
import { CribService } from './service/crib-service.ts';
import { DayService } from './service/day-service.ts';
import { DrillService } from './service/drill-service.ts';
import { FollowUpService } from './service/follow-up-service.ts';
import { JobDevices } from './service/job-devices.ts';
import { JobLines } from './service/job-lines.ts';
import { JobService } from './service/job-service.ts';
import { KitDraftService } from './service/kit-draft-service.ts';
import { KitPictures } from './service/kit-pictures.ts';
import { Leaves } from './service/leaves.ts';
import { MessageService } from './service/message-service.ts';
import { MovingInService } from './service/moving-in/moving-in-service.ts';
import { News } from './service/news.ts';
import { OtherShopService } from './service/other-shop-service.ts';
import { OwnerLinkService } from './service/owner-link-service.ts';
import { OwnerService } from './service/owner-service.ts';
import { PasskeyService } from './service/passkey-service.ts';
import { ReadingProofs } from './service/reading-proofs.ts';
import { RecallService } from './service/recall-service.ts';
import { RetorqueService } from './service/retorque-service.ts';
import { ServerCodes } from './service/server-codes.ts';
import { SessionService } from './service/session-service.ts';
import { ShelfService } from './service/shelf-service.ts';
import { ShopService } from './service/shop-service.ts';
import { ShopWrenches } from './service/shop-wrenches.ts';
import { TabletService } from './service/tablet-service.ts';
import { BookRepository } from './store/book-repository.ts';
import { CatalogRepository } from './store/catalog-repository.ts';
import { CribRepository } from './store/crib-repository.ts';
import { makeDataSource } from './store/data-source.ts';
import { DrillRepository } from './store/drill-repository.ts';
import { FollowUpRepository } from './store/follow-up-repository.ts';
import { JobRepository } from './store/job-repository.ts';
import { KitDraftRepository } from './store/kit-draft-repository.ts';
import { KitPictureRepository } from './store/kit-picture-repository.ts';
import { MovingInRepository } from './store/moving-in-repository.ts';
import { OutsideRepository } from './store/outside-repository.ts';
import { OwnerLinkRepository } from './store/owner-link-repository.ts';
import { OwnerMessageRepository } from './store/owner-message-repository.ts';
import { PersonRepository } from './store/person-repository.ts';
import { RecallRepository } from './store/recall-repository.ts';
import { schemaFaults } from './store/schema.ts';
import { ServerRepository } from './store/server-repository.ts';
import { ShelfRepository } from './store/shelf-repository.ts';
import { ShopRepository } from './store/shop-repository.ts';
import { TabletRepository } from './store/tablet-repository.ts';
import { KitWorks } from './thread/kit-works.ts';
import { machineNames, networkAddresses, reachedBy } from './tls/own-names.ts';
import { plainHttp, TRUST_PATH } from './tls/plain-http.ts';
import { shopCertificates } from './tls/shop-certificates.ts';

export interface RunningServer {
  port: number;
  /** Of the shop's authority, where it speaks TLS, and the port of plain HTTP beside it. */
  fingerprint?: string;
  httpPort?: number;
  /** Of the figures for a monitor. */
  metricsPort?: number;
  /** Stops taking requests, lets those under way finish, and closes the database. */
  stop(): Promise<void>;
}

/** How long open requests may take to finish at shutdown. */
const DRAIN_MS = 3000;
/** Heads are anchored once a day; a server that runs on looks this often whether a day has gone by. */
const ANCHOR_EVERY_MS = 24 * 3_600_000;
const ANCHOR_LOOK_MS = 15 * 60_000;
/** The largest message a tablet sends to a wrench is a few hundred bytes. */
const SOCKET_BYTES = 4096;

/** Connects, sees that the schema is whole, and listens. */
export async function startServer(
  config: Config,
  log: Logger = pino({ level: config.logLevel }),
): Promise<RunningServer> {
  const inTheClear = listeningFault(config);
  if (inTheClear !== undefined) throw new Error(inTheClear);
  const source = await makeDataSource(config.database).initialize();
  const faults = await schemaFaults(source);
  if (faults.length > 0) {
    await source.destroy();
    throw new Error(
      `The database is not as this version needs it: ${faults.slice(0, 5).join('; ')}. Run the migrations.`,
    );
  }
  const pins = config.demo ? Object.fromEntries(DEMO_PEOPLE.map((person) => [person.id, person.pin])) : undefined;
  const failedLater = (error: unknown) => log.error({ err: error }, 'owed');
  const folder = openSeal(config.sealDir);
  const people = new PersonRepository(source);
  const servers = new ServerRepository(source);
  const codes = new ServerCodes(folder.secret);
  const jobRepository = new JobRepository(source, (events) => figures?.recorded(events));
  const lines = new JobLines({
    heads: (jobs) => servers.heads(jobs),
    eventsAfter: (job, seq) => jobRepository.eventsAfter(job, seq),
  });
  const news = new News(servers, failedLater, [lines]);
  const passkeys = new PasskeyService(people, codes, servers);
  const leaves = new Leaves(codes);
  const sessions = new SessionService(people, passkeys, pins, news);
  const catalogRepository = new CatalogRepository(source);
  const catalog = new CatalogService(catalogRepository);
  const cribRepository = new CribRepository(source);
  const sockets = new WebSocketServer({ noServer: true, maxPayload: SOCKET_BYTES });
  const figures = config.metricsPort === undefined ? undefined : makeFigures(() => sockets.clients.size);
  const wrenches = new ShopWrenches(catalogRepository, cribRepository);
  const readings = new ReadingProofs(codes, servers);
  news.on('wrenches', () => wrenches.forget());
  const wrenchesChanged = () => {
    wrenches.forget();
    news.tell('wrenches').catch(failedLater);
  };
  const devices = new JobDevices(jobRepository, failedLater);
  const drills = new DrillService(new DrillRepository(source), people);
  const jobs = new JobService({
    jobs: jobRepository,
    catalog: catalogRepository,
    crib: cribRepository,
    wrenches,
    authority: new CommandAuthority(sessions, passkeys, leaves),
    readings,
    devices,
    lines,
    news,
    seal: folder.seal,
    unpractised: (shopId) => drills.unpractised(shopId),
    failedLater,
  });
  await jobs.noteOwed();
  const shelfRepository = new ShelfRepository(source);
  const shelf = new ShelfService(shelfRepository);
  const crib = new CribService(
    cribRepository,
    catalogRepository,
    people,
    wrenchesChanged,
    (shopId, jobId) => jobs.plan(shopId, jobId),
    (shopId) => shelf.low(shopId),
  );
  const shops = new ShopRepository(source);
  const shop = new ShopService(shops, sessions);
  const works = new KitWorks(config.kitWorker);
  const drafts = new KitDraftService(new KitDraftRepository(source), catalogRepository, works);
  const movingIn = new MovingInService({
    imports: new MovingInRepository(source),
    catalog: catalogRepository,
    crib: cribRepository,
    shelf: shelfRepository,
    shops,
    drafts,
    wrenchesChanged,
  });
  const pictureRepository = new KitPictureRepository(source);
  const others = new OtherShopService({
    people,
    shops,
    catalog: catalogRepository,
    pictures: pictureRepository,
    drafts,
    sessions,
    wrenchesChanged,
  });
  const tablets = new TabletService(new TabletRepository(source), sessions);
  const outsideRepository = new OutsideRepository(source);
  const outside = new OutsideService(outsideRepository, catalog, jobs);
  const owners = new OwnerService(catalogRepository, jobs);
  const followUp = new FollowUpService(new FollowUpRepository(source), jobs, catalogRepository);
  const retorque = new RetorqueService(jobs, catalogRepository);
  const messageRepository = new OwnerMessageRepository(source);
  const messages = new MessageService(messageRepository, followUp, shop);
  const recalls = new RecallService(new RecallRepository(source), catalogRepository, messages);
  const book = new BookService(new BookRepository(source), jobs, failedLater);
  const days = new DayService(jobs, book, shop, wrenches, failedLater);
  const messagePost = new MessagePost(messageRepository, new OutboxStandIn(), log);
  const ownerLinks = new OwnerLinkService(
    new OwnerLinkRepository(source),
    jobs,
    jobRepository,
    followUp,
    codes,
    folder.publicKey,
  );
  const tellings = new TellingPost(outsideRepository, log);
  const pictures = new KitPictures(pictureRepository);
  const archive = async (caller: Caller) => {
    const { name } = await shop.settings(caller.shopId);
    const nowMs = Date.now();
    const open = () => openFiles({ catalog, crib, shelf, shop, jobs, drafts, publicKey: folder.publicKey }, caller);
    return {
      name: `wrenchman-${new Date(nowMs).toISOString().slice(0, 10)}.zip`,
      stream: writeArchive(source, { shopId: caller.shopId, shop: name, nowMs, open }),
    };
  };
  const parts = {
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
    works,
    readings,
    devices,
    codes,
    once: servers,
    addresses: addresses(config.proxied),
  };
  const { tls } = config;
  const hosts = tls ? [...config.hosts, ...machineNames()] : config.hosts;
  const certificates = tls && (await shopCertificates(tls.folder, certifiedNames(config), machineNames(), Date.now()));
  const app = makeApp(
    {
      ...parts,
      source,
      log,
      webDist: config.webDist,
      hosts,
      folder,
      figures,
      network: {
        fingerprint: certificates?.fingerprint,
        trustUrls: certificates ? trustUrls(config, tls?.httpPort) : [],
      },
    },
    upgradeWebSocket,
  );
  const server = await new Promise<Server>((resolve, reject) => {
    const listening = serve(
      {
        fetch: app.fetch,
        port: config.port,
        hostname: config.host,
        websocket: { server: sockets },
        ...(certificates
          ? {
              createServer: createSecureServer,
              serverOptions: { cert: certificates.certPem, key: certificates.keyPem, minVersion: 'TLSv1.2' as const },
            }
          : {}),
      },
      () => resolve(listening as Server),
    );
    (listening as Server).once('error', reject);
  });
  const address = server.address();
  const port = typeof address === 'object' && address ? address.port : config.port;
  log.info({ port }, 'listening');
  const plain = certificates && tls?.httpPort !== undefined ? plainHttp(certificates, () => port, hosts) : undefined;
  if (plain) await listen(plain, tls?.httpPort, config.host);
  const monitored = figures && figuresServer(figures);
  if (monitored) await listen(monitored, config.metricsPort, '127.0.0.1');
  if (config.tell) tellings.start();
  if (config.tell) messagePost.start();
  await news.start();
  const watch = watchRecords(jobs, jobRepository, servers, folder, log);
  return {
    port,
    fingerprint: certificates?.fingerprint,
    httpPort: portOf(plain),
    metricsPort: portOf(monitored),
    async stop() {
      watch.stop();
      for (const beside of [plain, monitored]) {
        beside?.close();
        beside?.closeAllConnections();
      }
      for (const socket of sockets.clients) socket.close(1001);
      const closed = new Promise<void>((resolve) => server.close(() => resolve()));
      // Event streams never end by themselves; give plain requests their time, then cut.
      server.closeIdleConnections();
      const cut = setTimeout(() => server.closeAllConnections(), DRAIN_MS);
      await closed;
      clearTimeout(cut);
      await watch.done;
      await news.stop();
      devices.stop();
      await tellings.stop();
      await messagePost.stop();
      await works.stop();
      await source.destroy();
      log.info('stopped');
    },
  };
}

const listen = (server: Server, port: number | undefined, host: string): Promise<void> =>
  new Promise((resolve, reject) => {
    server.once('error', reject);
    server.listen(port, host, resolve);
  });

const portOf = (server: Server | undefined): number | undefined =>
  (server?.address() as AddressInfo | null | undefined)?.port;

/**
 * Where tablets fetch what to trust: the shop's own names for the server first, then addresses, of version 4 before 6
 * because a code of theirs is shorter, then what the machine calls itself.
 */
function trustUrls({ host, hosts }: Config, httpPort: number | undefined): string[] {
  if (httpPort === undefined) return [];
  const addresses = reachedBy(host, networkAddresses()).sort((a, b) => isIP(a) - isIP(b));
  const places = new Set([...hosts, ...addresses, ...machineNames()]);
  return [...places].map((place) => `http://${isIP(place) === 6 ? `[${place}]` : place}:${httpPort}${TRUST_PATH}`);
}

/** Names and addresses the server's certificate must carry. */
const certifiedNames = ({ hosts }: Config): string[] => [
  'localhost',
  '127.0.0.1',
  '::1',
  ...networkAddresses(),
  ...hosts,
];

/** Holds every record against its seal when the server starts, and anchors the heads once a day. */
function watchRecords(
  jobs: JobService,
  repository: JobRepository,
  servers: ServerRepository,
  { anchors }: SealFolder,
  log: Logger,
) {
  let stopped = false;
  class Stopped extends Error {}
  const pause = () =>
    new Promise<void>((resolve, reject) => setImmediate(() => (stopped ? reject(new Stopped()) : resolve())));
  const anchor = async () => {
    const { lastAtMs = 0, faults } = anchors.read();
    if (faults.length > 0) log.error({ faults }, 'anchors altered');
    if (Date.now() - lastAtMs >= ANCHOR_EVERY_MS) anchors.write(await repository.heads(), Date.now());
  };
  const look = async () => {
    try {
      const broken = await jobs.checkAll(pause);
      if (broken.length > 0) log.error({ broken }, 'records altered');
      await anchor();
    } catch (error) {
      // Tried again at the next look: nobody waits for it.
      if (!(error instanceof Stopped)) log.error({ err: error }, 'records not checked');
    }
  };
  let running = look();
  const timer = setInterval(() => {
    running = running
      .then(() => anchor())
      .then(() => servers.forgetSpent(Date.now()))
      .catch((error: unknown) => log.error({ err: error }, 'not anchored, or not cleared'));
  }, ANCHOR_LOOK_MS);
  return {
    get done() {
      return running;
    },
    stop() {
      stopped = true;
      clearInterval(timer);
    },
  };
}
