import { readConfig } from './config.ts';
import { startServer } from './server.ts';

const server = await startServer(readConfig(process.env));
// The start script waits for this line.
process.stdout.write(`READY ${server.port}${server.fingerprint ? ` ${server.fingerprint}` : ''}\n`);

let stopping = false;
const stop = () => {
  if (stopping) return;
  stopping = true;
  server.stop().then(
    () => process.exit(0),
    (error: unknown) => {
      process.stderr.write(`Stopping failed: ${String(error)}\n`);
      process.exit(1);
    },
  );
};
for (const signal of ['SIGINT', 'SIGTERM'] as const) process.on(signal, stop);
// Whoever started it holds its input: when that process ends, however it ends, nobody looks after this one.
if (process.env.WRENCHMAN_WITH_PARENT === '1') process.stdin.resume().on('end', stop);
