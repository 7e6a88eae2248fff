import { readConfig } from './config.ts';
import { startServer } from './server.ts';

const server = await startServer(readConfig(process.env));
// The start script waits for this line.
process.stdout.write(`READY ${server.port}\n`);

let stopping = false;
for (const signal of ['SIGINT', 'SIGTERM'] as const) {
  process.on(signal, () => {
    if (stopping) return;
    stopping = true;
    server.stop().then(
      () => process.exit(0),
      (error: unknown) => {
        process.stderr.write(`Stopping failed: ${String(error)}\n`);
        process.exit(1);
      },
    );
  });
}
