import { spawn } from 'node:child_process';
import { randomUUID } from 'node:crypto';
import { Agent, request } from 'node:http';

const PORT = 46397;

/** What tablets waited for the answer to a pull, ms. */
export interface LoadFigures {
  tablets: number;
  sent: number;
  medianMs: number;
  p99Ms: number;
}

/** A line of its own, kept open, as each tablet has one. */
function line(agent: Agent, cookie: () => string) {
  return (
    path: string,
    body: unknown,
  ): Promise<{ headers: string[]; body: { id: string; results: Array<{ ok: boolean }> } }> =>
    new Promise((settle, reject) => {
      const payload = JSON.stringify(body);
      const headers = {
        'Content-Type': 'application/json',
        'Content-Length': Buffer.byteLength(payload),
        cookie: cookie(),
      };
      const sent = request({ host: '127.0.0.1', port: PORT, path, method: 'POST', agent, headers }, (response) => {
        let text = '';
        response.setEncoding('utf8').on('data', (chunk: string) => {
          text += chunk;
        });
        response.on('end', () =>
          (response.statusCode ?? 500) < 300
            ? settle({ headers: response.headers['set-cookie'] ?? [], body: JSON.parse(text) })
            : reject(new Error(text)),
        );
      });
      sent.on('error', reject);
      sent.end(payload);
    });
}

/**
 * Tablets that each work on a job of their own and send an entry every so often, at instants spread evenly: what they wait.
 * The database has been seeded.
 *
 * @param everyMs - between two entries of one tablet
 * @param forMs - how long it goes on, after a warm-up of the same length
 */
export async function measureLoad(tablets: number, everyMs: number, forMs: number): Promise<LoadFigures> {
  const server = spawn(process.execPath, ['dist/server/main.mjs'], {
    env: { ...process.env, PORT: String(PORT), LOG_LEVEL: 'silent' },
    stdio: ['ignore', 'pipe', 'inherit'],
  });
  try {
    await new Promise<void>((settle, reject) => {
      server.stdout?.on('data', (chunk) => String(chunk).includes('READY') && settle());
      server.once('exit', (code) => reject(new Error(`server ended with ${code}`)));
    });
    let cookie = '';
    const post = line(new Agent({ keepAlive: true, maxSockets: 8 }), () => cookie);
    const { headers } = await post('/api/session', { person: 'u-orrin', secret: '1357' });
    cookie = headers.map((header) => header.split(';')[0]).join('; ');
    const jobs: string[] = [];
    for (let tablet = 0; tablet < tablets; tablet++) {
      const opening = {
        vehicle: 'v-carrick',
        kits: ['transfer-case-guard'],
        answers: {},
        bay: 1,
        plannedStartMs: Date.now(),
      };
      jobs.push((await post('/api/jobs', opening)).body.id);
    }
    const waits: number[] = [];
    let measuring = false;
    let running = true;
    const work = jobs.map(async (job, at) => {
      const give = line(new Agent({ keepAlive: true, maxSockets: 1 }), () => cookie);
      await pause((at / tablets) * everyMs);
      for (let turn = 0; running; turn++) {
        const command = { type: 'raiseProblem', text: `entry ${turn}` };
        const commands = [{ id: randomUUID(), atMs: Date.now(), by: 'u-orrin', command }];
        const startedMs = performance.now();
        const { results } = (await give(`/api/jobs/${job}/commands`, { commands, left: 0 })).body;
        if (!results.every(({ ok }) => ok)) throw new Error(JSON.stringify(results));
        const tookMs = performance.now() - startedMs;
        if (measuring) waits.push(tookMs);
        await pause(Math.max(0, everyMs - tookMs));
      }
    });
    await pause(forMs);
    measuring = true;
    await pause(forMs);
    running = false;
    await Promise.all(work);
    waits.sort((a, b) => a - b);
    const at = (share: number) => waits[Math.min(waits.length - 1, Math.floor(share * waits.length))] ?? Number.NaN;
    return { tablets, sent: waits.length, medianMs: at(0.5), p99Ms: at(0.99) };
  } finally {
    server.removeAllListeners('exit');
    await new Promise((settle) => {
      server.once('exit', settle);
      server.kill('SIGTERM');
    });
  }
}

const pause = (ms: number) => new Promise((settle) => setTimeout(settle, ms));
