import { type ChildProcess, spawn } from 'node:child_process';
import { freePort } from './app.ts';

/** The environment of somebody at a console: nothing of the tests' own database in it. */
function console_(more: Record<string, string>): NodeJS.ProcessEnv {
  const own = Object.entries(process.env).filter(([name]) => !/^(DB_|SEAL_DIR|TLS_DIR|WRENCHMAN_)/.test(name));
  return { ...Object.fromEntries(own), NODE_OPTIONS: '', ...more };
}

function start(args: string[], env: Record<string, string>): { child: ChildProcess; said: () => string } {
  const child = spawn(process.execPath, args, { env: console_(env), stdio: ['ignore', 'pipe', 'pipe'] });
  let output = '';
  for (const stream of [child.stdout, child.stderr]) stream?.on('data', (chunk) => (output += String(chunk)));
  return { child, said: () => output };
}

/** Runs a command to its end and gives what it said. @throws with what it said where it failed */
export async function atConsole(data: string, ...args: string[]): Promise<string> {
  const { child, said } = start(args, { WRENCHMAN_DATA: data });
  const code = await new Promise((settle) => child.once('close', settle));
  if (code !== 0) throw new Error(said());
  return said();
}

/** A shop of one's own on the network, as `HOST=0.0.0.0 npm run shop` starts it: its own database, key and certificates. */
export async function startShop(data: string): Promise<{ url: string; code: string; stop: () => Promise<void> }> {
  const [port, httpPort] = [await freePort(), await freePort()];
  const { child, said } = start(['scripts/shop.mjs'], {
    WRENCHMAN_DATA: data,
    HOST: '0.0.0.0',
    PORT: String(port),
    HTTP_PORT: String(httpPort),
  });
  const closed = new Promise<void>((settle) => child.once('close', () => settle()));
  await new Promise<void>((settle, reject) => {
    const look = setInterval(() => {
      if (!/is ready after/.test(said())) return;
      clearInterval(look);
      settle();
    }, 100);
    void closed.then(() => {
      clearInterval(look);
      reject(new Error(said()));
    });
  });
  return {
    url: `https://127.0.0.1:${port}`,
    code: /first-run code: (\S+?)\./.exec(said())?.[1] ?? '',
    async stop() {
      child.kill('SIGINT');
      await closed;
    },
  };
}
