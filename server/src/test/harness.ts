import { randomUUID } from 'node:crypto';
import pino from 'pino';
import { DataSource } from 'typeorm';
import type { DeviceCommand } from '#contract/acts.ts';
import type { CommandBatchAnswer, CommandInput, JobDocument } from '#contract/job.ts';
import { type Config, readConfig } from '../config.ts';
import { seedDemo } from '../demo/seed.ts';
import { type RunningServer, startServer } from '../server.ts';
import { makeDataSource } from '../store/data-source.ts';

/** A real server on a schema of its own in the real MariaDB that `npm test` starts. */
export interface TestServer {
  url: string;
  source: DataSource;
  config: Config;
  stop(): Promise<void>;
}

/** Makes a fresh schema; its name begins with the application's so that the application's account may use it. */
async function freshSchema(): Promise<Config> {
  const config = readConfig({ ...process.env, LOG_LEVEL: 'silent', WRENCHMAN_DEMO: '1', WEB_DIST: 'web' });
  const database = `wrenchman_t_${randomUUID().slice(0, 8)}`;
  const admin = await new DataSource({ type: 'mariadb', ...config.database }).initialize();
  await admin.query(`CREATE DATABASE ${database}`);
  await admin.destroy();
  return { ...config, port: 0, database: { ...config.database, database } };
}

export async function startTestServer(given?: Config, { seed = true } = {}): Promise<TestServer> {
  const config = given ?? (await freshSchema());
  const server: RunningServer = await startServer(config, pino({ level: 'silent' }));
  const source = await makeDataSource(config.database).initialize();
  if (seed) await seedDemo(source, Date.now());
  return {
    url: `http://127.0.0.1:${server.port}`,
    source,
    config,
    async stop() {
      await source.destroy();
      await server.stop();
    },
  };
}

/** A device with its own id and cookie. */
export class Device {
  readonly id = randomUUID();
  cookie = '';
  person = '';

  constructor(private readonly server: TestServer) {}

  async request(method: string, path: string, body?: unknown, headers: Record<string, string> = {}): Promise<Response> {
    return fetch(`${this.server.url}${path}`, {
      method,
      headers: {
        ...(body === undefined ? {} : { 'Content-Type': 'application/json' }),
        // As a browser does on every write.
        ...(method === 'GET' ? {} : { origin: this.server.url }),
        cookie: this.cookie,
        ...headers,
      },
      body: body === undefined ? undefined : typeof body === 'string' ? body : JSON.stringify(body),
    });
  }

  async signIn(person: string, secret: string): Promise<Response> {
    const response = await this.request('POST', '/api/session', { person, secret, device: this.id });
    const cookie = response.headers.get('set-cookie');
    if (cookie) {
      this.cookie = cookie.split(';')[0] ?? '';
      this.person = person;
    }
    return response;
  }

  async job(id: string): Promise<JobDocument> {
    return (await this.request('GET', `/api/jobs/${id}`)).json() as Promise<JobDocument>;
  }

  input(command: DeviceCommand, over: Partial<CommandInput> = {}): CommandInput {
    return { id: randomUUID(), atMs: Date.now(), by: this.person, command, ...over };
  }

  async send(job: string, ...commands: CommandInput[]): Promise<CommandBatchAnswer> {
    const response = await this.request('POST', `/api/jobs/${job}/commands`, { commands });
    if (response.status !== 200) throw new Error(`${response.status} ${await response.text()}`);
    return response.json() as Promise<CommandBatchAnswer>;
  }
}

/** A signed-in fitter on a fresh device. */
export async function fitter(server: TestServer, person = 'u-vane', pin = '2468'): Promise<Device> {
  const device = new Device(server);
  await device.signIn(person, pin);
  return device;
}

/** Opens the guard job on the demo wagon in bay 3. */
export async function openGuard(device: Device): Promise<string> {
  const response = await device.request('POST', '/api/jobs', {
    vehicle: 'v-carrick',
    kits: ['transfer-case-guard'],
    answers: {},
    bay: 3,
    plannedStartMs: Date.now(),
  });
  if (response.status !== 201) throw new Error(await response.text());
  return ((await response.json()) as { id: string }).id;
}

/** Counts, starts and snugs the guard: the first pull is due on g2. */
export const guardUpToTorque: DeviceCommand[] = [
  { type: 'countLine', item: 'm1', found: 6, damaged: 0 },
  { type: 'countLine', item: 'm2', found: 8, damaged: 0 },
  { type: 'countLine', item: 'm3', found: 6, damaged: 0 },
  { type: 'countLine', item: 'm4', found: 1, damaged: 0 },
  ...(['g1', 'g2', 'g3', 'g4', 'g5', 'g6'].map((station) => ({ type: 'startByHand', station })) as DeviceCommand[]),
  ...(['g1', 'g2', 'g3', 'g4', 'g5', 'g6'].map((station) => ({
    type: 'snug',
    station,
    tool: 'hand',
  })) as DeviceCommand[]),
];

/** The guard's pulls of its first pass, in its printed order. */
export const guardPulls: DeviceCommand[] = ['g2', 'g5', 'g1', 'g6', 'g3', 'g4'].map((station) => ({
  type: 'pull',
  station,
  torqueNm: 10.2,
  wrench: 'w-1',
  source: 'typed',
}));
