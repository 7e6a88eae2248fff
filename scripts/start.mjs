/** `npm start`: the demo, from a bare machine to a working sign-in. */
import { serve } from './serve.mjs';

await serve({ task: 'seed-history', demo: true });
