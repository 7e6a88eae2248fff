import { randomUUID, webcrypto } from 'node:crypto';
import { Agent, request } from 'node:http';

const { subtle } = webcrypto;
const CURVE = { name: 'ECDSA', namedCurve: 'P-256' };
const ANSWER_MS = 5000;
const base64 = (bytes) => Buffer.from(bytes).toString('base64');

/** A tablet: its own keys, its own queue, a line that may be cut. Sends until the server says that it has it. */
export class Tablet {
  cookies = new Map();
  queue = [];
  given = 0;
  acknowledged = new Set();
  refused = [];
  cut = false;
  /** How long each entry waited until the server had it, ms, and when that was. */
  waits = [];
  givenAt = new Map();
  /** Numbers of the entries that came over its line, as they came. */
  seen = [];

  /** @param address - of this machine, that the tablet is known by; tablets are counted by theirs */
  constructor(url, person, secret, { address = '127.0.0.1', keepAlive = false } = {}) {
    Object.assign(this, { url, person, secret });
    this.agent = new Agent({ keepAlive, localAddress: address });
  }

  headers() {
    const cookie = [...this.cookies].map(([name, value]) => `${name}=${value}`).join('; ');
    return { 'Content-Type': 'application/json', origin: this.url, cookie };
  }

  ask(method, path, body) {
    if (this.cut) return Promise.reject(new TypeError('the line is cut'));
    const { promise, resolve, reject } = withResolvers();
    const options = { method, agent: this.agent, headers: this.headers(), signal: AbortSignal.timeout(ANSWER_MS) };
    const sent = request(`${this.url}${path}`, options, (response) => {
      for (const line of response.headers['set-cookie'] ?? []) {
        const [name, value] = line.split(';')[0].split('=');
        this.cookies.set(name, value);
      }
      let text = '';
      response.setEncoding('utf8').on('data', (chunk) => {
        text += chunk;
      });
      response.on('error', reject);
      response.on('end', () => {
        if (response.statusCode >= 300) reject(new TypeError(`${response.statusCode} ${text}`));
        else resolve(text === '' ? undefined : JSON.parse(text));
      });
    });
    sent.on('error', reject);
    sent.end(body && JSON.stringify(body));
    return promise;
  }

  /** Reads something, again where the line it was kept for had been hung up meanwhile. */
  async read(path, tries = 3) {
    try {
      return await this.ask('GET', path);
    } catch (error) {
      if (tries <= 1) throw error;
      return this.read(path, tries - 1);
    }
  }

  async signIn() {
    const pair = () => subtle.generateKey(CURVE, true, ['sign', 'verify']);
    const [session, proof] = [await pair(), await pair()];
    const spki = async ({ publicKey }) => base64(await subtle.exportKey('spki', publicKey));
    const keys = { session: await spki(session), proof: await spki(proof) };
    ({ key: this.key } = await this.ask('POST', '/api/session', { person: this.person, secret: this.secret, keys }));
    this.signer = session.privateKey;
  }

  /** Opens a job of the demo's, for this tablet to work on. */
  async open() {
    const { id } = await this.ask('POST', '/api/jobs', {
      vehicle: 'v-carrick',
      kits: ['transfer-case-guard'],
      answers: {},
      bay: 1,
      plannedStartMs: Date.now(),
    });
    this.job = id;
  }

  /** Gives a command: signed and queued, whether there is a line or not. */
  async give(command) {
    const id = randomUUID();
    const deviceMs = Date.now();
    const clock = { deviceMs, offsetMs: 0 };
    const text = JSON.stringify({ job: this.job, id, atMs: deviceMs, by: this.person, clock, command });
    const signature = base64(await subtle.sign({ name: 'ECDSA', hash: 'SHA-256' }, this.signer, Buffer.from(text)));
    this.queue.push({ id, text, key: this.key, signature });
    this.givenAt.set(id, performance.now());
    this.given += 1;
  }

  /** Sends what is queued; what has no answer stays, and is sent again. */
  async flush() {
    const batch = this.queue.slice(0, 20);
    if (batch.length === 0) return;
    const left = this.queue.length - batch.length;
    const commands = { commands: batch, sentMs: Date.now(), left };
    const { results } = await this.ask('POST', `/api/jobs/${this.job}/commands`, commands);
    for (const { id, ok, refusal } of results) {
      this.waits.push({ atMs: Date.now(), ms: performance.now() - this.givenAt.get(id) });
      this.queue = this.queue.filter((entry) => entry.id !== id);
      if (ok) this.acknowledged.add(id);
      else this.refused.push(refusal);
    }
  }

  /** Keeps a line to its job open, and where it drops opens it again from where it stood; returns how to hang up. */
  listen() {
    let hungUp = false;
    let line;
    const open = () => {
      if (hungUp) return;
      const options = {
        headers: { ...this.headers(), 'last-event-id': String(this.seen.at(-1) ?? 0) },
        localAddress: this.agent.options.localAddress,
      };
      const again = once(() => setTimeout(open, 300));
      line = request(`${this.url}/api/jobs/${this.job}/events?from=0`, options, (response) => {
        let text = '';
        response.setEncoding('utf8').on('data', (chunk) => {
          const parts = `${text}${chunk}`.split('\n\n');
          text = parts.pop();
          for (const part of parts) {
            const data = /^data: (\{.*)$/m.exec(part)?.[1];
            if (data) this.seen.push(JSON.parse(data).seq);
          }
        });
        for (const end of ['end', 'error', 'aborted']) response.on(end, again);
      });
      line.on('error', again);
      line.end();
    };
    open();
    return () => {
      hungUp = true;
      line?.destroy();
    };
  }
}

function once(work) {
  let done = false;
  return () => {
    if (!done) work();
    done = true;
  };
}

/** `Promise.withResolvers`, which this Node does not have yet. */
function withResolvers() {
  const parts = {};
  parts.promise = new Promise((resolve, reject) => Object.assign(parts, { resolve, reject }));
  return parts;
}
