/** `npm run shop`: a shop of one's own, with nothing of the demo in it. An empty one is opened with a one-time code. */
import { dirname, join, resolve } from 'node:path';
import { fileURLToPath } from 'node:url';

// Its data, backups, key and logs lie apart from the demo's, whichever of them runs.
process.env.WRENCHMAN_DATA ??= join(resolve(dirname(fileURLToPath(import.meta.url)), '..'), '.data', 'shop');
const { serve } = await import('./serve.mjs');

await serve({
  task: 'open-shop',
  demo: false,
  ready: (told) =>
    told.startsWith('first-run code:')
      ? `No shop is set up yet. Open the page and give the ${told}. It is good for a day and counts once.\n`
      : '',
});
