import type { Server } from 'node:http';
import { serve, upgradeWebSocket } from '@hono/node-server';
import pino, { type Logger } from 'pino';
import { WebSocketServer } from 'ws';
import { DEMO_PEOPLE } from '#demo/shop.ts';
import type { Config } from './config.ts';
import { makeApp } from './http/app.ts';
import { CatalogService } from './service/catalog-service.ts';
import { CribService } from './service/crib-service.ts';
import { JobService } from './service/job-service.ts';
import { KitDraftService } from './service/kit-draft-service.ts';
import { SessionService } from './service/session-service.ts';
import { CatalogRepository } from './store/catalog-repository.ts';
import { CribRepository } from './store/crib-repository.ts';
import { makeDataSource } from './store/data-source.ts';
import { JobRepository } from './store/job-repository.ts';
import { KitDraftRepository } from './store/kit-draft-repository.ts';
import { PersonRepository } from './store/person-repository.ts';

export interface RunningServer {
  port: number;
  /** Stops taking requests, lets those under way finish, and closes the database. */
  stop(): Promise<void>;
}

/** How long open requests may take to finish at shutdown. */
const DRAIN_MS = 3000;

/** Connects, migrates and listens. */
export async function startServer(
  config: Config,
  log: Logger = pino({ level: config.logLevel }),
): Promise<RunningServer> {
  const source = await makeDataSource(config.database).initialize();
  await source.runMigrations();
  const pins = config.demo ? Object.fromEntries(DEMO_PEOPLE.map((person) => [person.id, person.pin])) : undefined;
  const sessions = new SessionService(new PersonRepository(source), pins);
  const catalogRepository = new CatalogRepository(source);
  const catalog = new CatalogService(catalogRepository);
  const people = new PersonRepository(source);
  const cribRepository = new CribRepository(source);
  const jobs = new JobService(
    new JobRepository(source),
    catalogRepository,
    sessions,
    cribRepository,
    Date.now,
    (error) => log.error({ error }, 'owed'),
  );
  await jobs.noteOwed();
  const crib = new CribService(
    cribRepository,
    catalogRepository,
    people,
    (shopId) => jobs.forgetWrenches(shopId),
    (shopId, jobId) => jobs.plan(shopId, jobId),
  );
  const drafts = new KitDraftService(new KitDraftRepository(source), catalogRepository);
  const app = makeApp(
    { source, sessions, catalog, jobs, crib, drafts, log, webDist: config.webDist },
    upgradeWebSocket,
  );
  const sockets = new WebSocketServer({ noServer: true });
  const server = await new Promise<Server>((resolve, reject) => {
    const listening = serve(
      { fetch: app.fetch, port: config.port, hostname: config.host, websocket: { server: sockets } },
      () => resolve(listening as Server),
    );
    (listening as Server).once('error', reject);
  });
  const address = server.address();
  const port = typeof address === 'object' && address ? address.port : config.port;
  log.info({ port }, 'listening');
  return {
    port,
    async stop() {
      for (const socket of sockets.clients) socket.close(1001);
      const closed = new Promise<void>((resolve) => server.close(() => resolve()));
      // Event streams never end by themselves; give plain requests their time, then cut.
      server.closeIdleConnections();
      const cut = setTimeout(() => server.closeAllConnections(), DRAIN_MS);
      await closed;
      clearTimeout(cut);
      await source.destroy();
      log.info('stopped');
    },
  };
}
