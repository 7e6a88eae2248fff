import { z } from 'zod';

const Environment = z.object({
  PORT: z.coerce.number().int().min(1).max(65535).default(4600),
  HOST: z.string().default('127.0.0.1'),
  DB_HOST: z.string().default('127.0.0.1'),
  DB_PORT: z.coerce.number().int().min(1).max(65535),
  DB_USER: z.string().default('wrenchman'),
  DB_PASSWORD: z.string().min(8),
  DB_NAME: z.string().default('wrenchman'),
  /** `1` shows the demo's PINs on the sign-in screen and allows resetting the demo. */
  WRENCHMAN_DEMO: z.enum(['0', '1']).default('0'),
  /** Folder of the built web application. */
  WEB_DIST: z.string().default('dist/web'),
  LOG_LEVEL: z.enum(['silent', 'error', 'warn', 'info', 'debug']).default('info'),
});

export interface Config {
  port: number;
  host: string;
  database: { host: string; port: number; username: string; password: string; database: string };
  demo: boolean;
  webDist: string;
  logLevel: 'silent' | 'error' | 'warn' | 'info' | 'debug';
}

/** Reads the configuration from the environment; throws naming every variable that is wrong. */
export function readConfig(environment: NodeJS.ProcessEnv): Config {
  const parsed = Environment.safeParse(environment);
  if (!parsed.success) {
    throw new Error(
      `Configuration: ${parsed.error.issues.map((issue) => `${issue.path.join('.')} ${issue.message}`).join('; ')}`,
    );
  }
  const env = parsed.data;
  return {
    port: env.PORT,
    host: env.HOST,
    database: {
      host: env.DB_HOST,
      port: env.DB_PORT,
      username: env.DB_USER,
      password: env.DB_PASSWORD,
      database: env.DB_NAME,
    },
    demo: env.WRENCHMAN_DEMO === '1',
    webDist: env.WEB_DIST,
    logLevel: env.LOG_LEVEL,
  };
}
