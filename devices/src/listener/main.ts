import { createInterface } from 'node:readline';
import { startListener } from './listener.ts';

/** `npm run listener`: what is typed is heard by the tablet of this device; `?` before a line makes it unsure of it. */
const listener = await startListener(Number(process.env.LISTENER_PORT ?? 9300));
process.stdout.write(`Heard at ${listener.address}. Type what is said: done, yes, take back, sixty three.\n`);
for await (const line of createInterface({ input: process.stdin })) {
  const unsure = line.startsWith('?');
  listener.hear(line.replace(/^\?/, '').trim(), unsure ? 0.3 : 0.95);
}
await listener.stop();
