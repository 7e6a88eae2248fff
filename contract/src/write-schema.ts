import { writeFileSync } from 'node:fs';
import { drillJsonSchema } from './drill-json-schema.ts';
import { kitJsonSchema } from './kit-json-schema.ts';

// `npm run schema`; tests keep the published files in step.
for (const [name, schema] of [
  ['wrenchman-kit', kitJsonSchema()],
  ['wrenchman-drill', drillJsonSchema()],
] as const)
  writeFileSync(
    new URL(`../../docs/formats/${name}.schema.json`, import.meta.url),
    `${JSON.stringify(schema, null, 2)}\n`,
  );
