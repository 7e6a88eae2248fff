import { isIP } from 'node:net';
import { z } from 'zod';

const Environment = z.object({
  PORT: z.coerce.number().int().min(1).max(65535).default(4600),
  HOST: z.string().default('127.0.0.1'),
  /** Folder of the shop's own certificates; a server on the network has one. */
  TLS_DIR: z.string().optional(),
  /** Beside a server on the network: where plain HTTP is sent on to TLS, and tablets get the shop's authority. */
  HTTP_PORT: z.coerce.number().int().min(1).max(65535).optional(),
  /** Names the server is reached by beside addresses and `localhost`, with commas between. */
  HOSTS: z.string().default(''),
  /** Figures for a monitor, on loopback alone; left out, there are none. */
  METRICS_PORT: z.coerce.number().int().min(1).max(65535).optional(),
  DB_HOST: z.string().default('127.0.0.1'),
  DB_PORT: z.coerce.number().int().min(1).max(65535),
  DB_USER: z.string().default('wrenchman_app'),
  DB_PASSWORD: z.string().min(8),
  /** The schema's owner, for the tasks that migrate, seed and prove. The server itself is never given it. */
  DB_OWNER: z.string().optional(),
  DB_OWNER_PASSWORD: z.string().min(8).optional(),
  DB_NAME: z.string().default('wrenchman'),
  /** Where the servers' account comes from, as MariaDB writes it; for tasks alone, that grant it its rights. */
  DB_CLIENT_HOST: z
    .string()
    .regex(/^[\w.%:/-]+$/, 'a host as MariaDB writes it')
    .default('127.0.0.1'),
  /** `1` shows the demo's PINs on the sign-in screen and allows resetting the demo. */
  WRENCHMAN_DEMO: z.enum(['0', '1']).default('0'),
  /** Folder of the shop's signing key and of the daily anchors: outside the database on purpose. */
  SEAL_DIR: z.string().default('.data/seal'),
  /** The bundle of the thread that reads kits. */
  KIT_WORKER: z.string().default('dist/server/kit-worker.mjs'),
  /** Folder of the built web application. */
  WEB_DIST: z.string().default('dist/web'),
  /** `1`: a proxy of the shop's own stands in front, which says in `X-Forwarded-For` who asks. */
  PROXY: z.enum(['0', '1']).default('0'),
  /** `0`: other programs are told nothing, as on a machine that only tries a backup out. */
  TELL: z.enum(['0', '1']).default('1'),
  LOG_LEVEL: z.enum(['silent', 'error', 'warn', 'info', 'debug']).default('info'),
});

/** Whether an address is this machine's own and nobody else reaches it. */
const isLoopback = (host: string): boolean =>
  host === 'localhost' || host === '::1' || (isIP(host) === 4 && host.startsWith('127.'));

export interface Config {
  port: number;
  host: string;
  /** TLS, for a server that is reached from the network; left out on loopback. */
  tls?: { folder: string; httpPort?: number };
  /** Where a monitor on this machine reads figures. */
  metricsPort?: number;
  database: { host: string; port: number; username: string; password: string; database: string };
  /** The same schema as its owner; only tasks have it. */
  owner?: Config['database'];
  /** Where the servers' account comes from. */
  clientHost: string;
  sealDir: string;
  kitWorker: string;
  hosts: string[];
  demo: boolean;
  webDist: string;
  /** Whether a proxy of the shop's own stands in front. */
  proxied: boolean;
  /** Whether programs that listen are told. */
  tell: boolean;
  logLevel: 'silent' | 'error' | 'warn' | 'info' | 'debug';
}

/**
 * Why a server may not listen so: on the network, but in the clear. Tasks that only use the database do not listen.
 */
export const listeningFault = ({ host, tls }: Pick<Config, 'host' | 'tls'>): string | undefined =>
  isLoopback(host) || tls
    ? undefined
    : `Configuration: HOST ${host} is reached from the network, and that only with TLS: give TLS_DIR, the folder of the shop's certificates.`;

/** Reads the configuration from the environment; throws naming every variable that is wrong. */
export function readConfig(environment: NodeJS.ProcessEnv): Config {
  const parsed = Environment.safeParse(environment);
  if (!parsed.success) {
    throw new Error(
      `Configuration: ${parsed.error.issues.map((issue) => `${issue.path.join('.')} ${issue.message}`).join('; ')}`,
    );
  }
  const env = parsed.data;
  const database = {
    host: env.DB_HOST,
    port: env.DB_PORT,
    username: env.DB_USER,
    password: env.DB_PASSWORD,
    database: env.DB_NAME,
  };
  const { DB_OWNER: username, DB_OWNER_PASSWORD: password } = env;
  return {
    port: env.PORT,
    host: env.HOST,
    metricsPort: env.METRICS_PORT,
    tls: env.TLS_DIR === undefined ? undefined : { folder: env.TLS_DIR, httpPort: env.HTTP_PORT },
    database,
    clientHost: env.DB_CLIENT_HOST,
    owner: username && password ? { ...database, username, password } : undefined,
    sealDir: env.SEAL_DIR,
    kitWorker: env.KIT_WORKER,
    hosts: env.HOSTS.split(',')
      .map((name) => name.trim().toLowerCase())
      .filter(Boolean),
    demo: env.WRENCHMAN_DEMO === '1',
    webDist: env.WEB_DIST,
    proxied: env.PROXY === '1',
    tell: env.TELL === '1',
    logLevel: env.LOG_LEVEL,
  };
}
