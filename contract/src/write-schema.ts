import { writeFileSync } from 'node:fs';
import { kitJsonSchema } from './kit-json-schema.ts';

// `npm run schema`; a test keeps the published file in step.
writeFileSync(
  new URL('../../docs/formats/wrenchman-kit.schema.json', import.meta.url),
  `${JSON.stringify(kitJsonSchema(), null, 2)}\n`,
);
