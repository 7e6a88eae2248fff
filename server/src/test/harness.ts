import { randomUUID, webcrypto } from 'node:crypto';
import { mkdtempSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import pino from 'pino';
import { DataSource } from 'typeorm';
import WebSocket from 'ws';
import type { DeviceCommand } from '#contract/acts.ts';
import type { CommandBatchAnswer, CommandInput, JobDocument } from '#contract/job.ts';
import type { Session } from '#contract/session.ts';
import type { FromWrench } from '#contract/wrench-stream.ts';
import type { DeviceClock } from '#core/job/command-time.ts';
import { needsProof } from '#core/job/decide.ts';
import { type Config, readConfig } from '../config.ts';
import { seedDemo } from '../demo/seed.ts';
import { openSeal } from '../seal/open-seal.ts';
import { type RunningServer, startServer } from '../server.ts';
import { makeDataSource } from '../store/data-source.ts';
import { prepareSchema } from '../store/schema.ts';

type CryptoKeyPair = webcrypto.CryptoKeyPair;
const { subtle } = webcrypto;

/** A real server on a schema of its own in the real MariaDB that `npm test` starts. */
export interface TestServer {
  url: string;
  source: DataSource;
  config: Config;
  stop(): Promise<void>;
}

/** Makes a fresh schema; its name begins with the application's so that the application's account may use it. */
async function freshSchema(demo: boolean): Promise<Config> {
  const sealDir = mkdtempSync(join(tmpdir(), 'wm-seal-'));
  const given = {
    HOST: '127.0.0.1',
    LOG_LEVEL: 'silent',
    WRENCHMAN_DEMO: demo ? '1' : '0',
    WEB_DIST: 'web',
    SEAL_DIR: sealDir,
  };
  const config = readConfig({ ...process.env, ...given });
  if (!config.owner) throw new Error('Run the server tests through `npm run test:server`: they need its database.');
  const database = `wrenchman_t_${randomUUID().slice(0, 8)}`;
  const admin = await new DataSource({ type: 'mariadb', ...config.owner }).initialize();
  await admin.query(`CREATE DATABASE ${database}`);
  await admin.destroy();
  const owner = { ...config.owner, database };
  const source = await makeDataSource(owner).initialize();
  await prepareSchema(source, config.database.username);
  await source.destroy();
  return { ...config, port: 0, owner, database: { ...config.database, database } };
}

export async function startTestServer(given?: Config, { seed = true, tell = true } = {}): Promise<TestServer> {
  const fresh = given ?? (await freshSchema(seed));
  // Where a test looks after what is sent at a time of its own, the server does not.
  const config = { ...fresh, tell: fresh.tell && tell };
  const server: RunningServer = await startServer(config, pino({ level: 'silent' }));
  // The schema's owner: what a test changes behind the server's back, the server itself may not.
  const source = await makeDataSource(config.owner ?? config.database).initialize();
  if (seed) await seedDemo(source, Date.now(), openSeal(config.sealDir).seal);
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

/** A device with its own cookies, as a browser that can make no keys; {@link SigningDevice} is one that can. */
export class Device {
  /** Given by the server with the first sign-in. */
  id = '';
  person = '';
  protected secret = '';
  private readonly cookies = new Map<string, string>();

  constructor(protected readonly server: { url: string }) {}

  get cookie(): string {
    return [...this.cookies].map(([name, value]) => `${name}=${value}`).join('; ');
  }

  /** The same device before another server, as after a restart. */
  before(server: { url: string }): this {
    const same = Object.assign(Object.create(Object.getPrototypeOf(this)), this);
    return Object.assign(same, { server });
  }

  /** Forgets a cookie, as a browser does that was cleared. */
  forget(name: 'wrenchman_session' | 'wrenchman_device'): void {
    this.cookies.delete(name);
  }

  async request(method: string, path: string, body?: unknown, headers: Record<string, string> = {}): Promise<Response> {
    const response = await fetch(`${this.server.url}${path}`, {
      method,
      headers: {
        ...(body === undefined ? {} : { 'Content-Type': 'application/json' }),
        // As a browser does on every write.
        ...(method === 'GET' ? {} : { origin: this.server.url }),
        cookie: this.cookie,
        ...headers,
      },
      body:
        body === undefined || typeof body === 'string'
          ? body
          : body instanceof Buffer
            ? new Uint8Array(body)
            : JSON.stringify(body),
    });
    for (const line of response.headers.getSetCookie()) {
      const [pair = ''] = line.split(';');
      const at = pair.indexOf('=');
      this.cookies.set(pair.slice(0, at), pair.slice(at + 1));
    }
    return response;
  }

  /** What goes with a sign-in beside who and the PIN. */
  protected async keys(): Promise<object> {
    return {};
  }

  async signIn(person: string, secret: string): Promise<Response> {
    const response = await this.request('POST', '/api/session', { person, secret, ...(await this.keys()) });
    if (response.status === 201) {
      const session = (await response.clone().json()) as Session;
      Object.assign(this, { id: session.device, person, secret });
      this.signedInAs(session);
    }
    return response;
  }

  protected signedInAs(_session: Session): void {}

  async job(id: string): Promise<JobDocument> {
    return (await this.request('GET', `/api/jobs/${id}`)).json() as Promise<JobDocument>;
  }

  input(command: DeviceCommand, over: Partial<CommandInput> = {}): CommandInput {
    return { id: randomUUID(), atMs: Date.now(), by: this.person, command, ...over };
  }

  /** Leave of the server for a command that needs proof. */
  private async withLeave(input: CommandInput): Promise<CommandInput> {
    if (!needsProof(input.command.type) || input.proof) return input;
    const response = await this.request('POST', '/api/session/leave', { secret: this.secret, command: input.id });
    const { leave } = (await response.json()) as { leave: string };
    return { ...input, proof: { kind: 'leave', leave } };
  }

  async send(job: string, ...commands: CommandInput[]): Promise<CommandBatchAnswer> {
    const proven: CommandInput[] = [];
    for (const command of commands) proven.push(await this.withLeave(command));
    return this.sendRaw(job, proven);
  }

  /** Sends a batch as it stands on the wire. */
  async sendRaw(job: string, commands: readonly unknown[], over: object = {}): Promise<CommandBatchAnswer> {
    const response = await this.request('POST', `/api/jobs/${job}/commands`, { commands, ...over });
    if (response.status !== 200) throw new Error(`${response.status} ${await response.text()}`);
    return response.json() as Promise<CommandBatchAnswer>;
  }
}

const CURVE = { name: 'ECDSA', namedCurve: 'P-256' } as const;
const base64 = (bytes: ArrayBuffer): string => Buffer.from(bytes).toString('base64');

/** A device that makes keys, as a browser does over TLS: what it brings in is signed. */
export class SigningDevice extends Device {
  key = '';
  private made?: { session: CryptoKeyPair; proof: CryptoKeyPair };

  protected override async keys(): Promise<object> {
    const pair = () => subtle.generateKey(CURVE, true, ['sign', 'verify']) as Promise<CryptoKeyPair>;
    this.made = { session: await pair(), proof: await pair() };
    const spki = async ({ publicKey }: CryptoKeyPair) => base64(await subtle.exportKey('spki', publicKey));
    return { keys: { session: await spki(this.made.session), proof: await spki(this.made.proof) } };
  }

  protected override signedInAs({ key = '' }: Session): void {
    this.key = key;
  }

  async sign(text: string, which: 'session' | 'proof' = 'session'): Promise<string> {
    const pair = this.made?.[which];
    if (!pair) throw new Error('This device has no keys yet');
    return base64(await subtle.sign({ name: 'ECDSA', hash: 'SHA-256' }, pair.privateKey, Buffer.from(text)));
  }

  /** A command in the letters this device signs, with proof by PIN where it needs one. */
  async signed(
    job: string,
    command: DeviceCommand,
    over: { atMs?: number; clock?: DeviceClock } = {},
  ): Promise<object> {
    const { clock = { deviceMs: Date.now(), offsetMs: 0 }, atMs = clock.deviceMs + clock.offsetMs } = over;
    const id = randomUUID();
    const text = JSON.stringify({ job, id, atMs, by: this.person, clock, command });
    const proof = needsProof(command.type)
      ? { kind: 'pin', signature: await this.sign(`proof\n${text}`, 'proof') }
      : undefined;
    return { id, text, key: this.key, signature: await this.sign(text), proof };
  }
}

/** A signed-in fitter on a fresh device. */
export async function fitter(server: TestServer, person = 'u-vane', pin = '2468'): Promise<Device> {
  const device = new Device(server);
  await device.signIn(person, pin);
  return device;
}

/** Opens the guard job on the demo wagon in bay 3. */
export async function openGuard(device: Device, over: object = {}): Promise<string> {
  const response = await device.request('POST', '/api/jobs', {
    vehicle: 'v-carrick',
    kits: ['transfer-case-guard'],
    answers: {},
    bay: 3,
    plannedStartMs: Date.now(),
    ...over,
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

/** The guard from its first count to its signature, by Mira Vane. */
export const guardToClosed: DeviceCommand[] = [
  ...guardUpToTorque,
  ...guardPulls,
  // The second time round verifies.
  ...guardPulls.map((pull) => ({ ...pull, torqueNm: 10.1 }) as DeviceCommand),
  { type: 'declareSpare', item: 'm2', quantity: 2 },
  { type: 'close', signature: 'Mira Vane' },
];

/** What became of each command of a batch: taken, or why not. */
export const outcomes = ({ results }: CommandBatchAnswer): string[] =>
  results.map((result) => (result.ok ? 'taken' : result.refusal.code));

/** A line to the demo's live wrench, asked for by a page of `origin`. */
export const liveLine = (server: { url: string }, device: Device, origin = server.url): WebSocket =>
  new WebSocket(`${server.url.replace('http', 'ws')}/api/devices/wrenches/w-3/stream`, {
    headers: { cookie: device.cookie, origin },
  });

/** One pull of the live wrench, as it comes off its line. */
export function pulledLive(
  server: { url: string },
  device: Device,
  { station, targetNm }: { station: string; targetNm: number },
): Promise<Extract<FromWrench, { type: 'end' }>> {
  const socket = liveLine(server, device);
  return new Promise((settle, reject) => {
    socket.on('error', reject);
    socket.on('message', (text) => {
      const message = JSON.parse(String(text)) as FromWrench;
      const say = (said: object) => socket.send(JSON.stringify(said));
      if (message.type === 'ready') say({ type: 'arm', station, targetNm, standingNm: 0, nominalMm: 12 });
      if (message.type === 'armed') say({ type: 'pull', speedDegPerS: 180, overshootDeg: 0 });
      if (message.type !== 'end') return;
      socket.close();
      settle(message);
    });
  });
}
