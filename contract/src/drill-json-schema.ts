import { z } from 'zod';
import { DrillSchema } from './drill.ts';

/**
 * The published JSON Schema of a drill's file, draft 2020-12, made from the schema the application itself reads with;
 * its kit is described by the kit's own.
 */
export function drillJsonSchema(): Record<string, unknown> {
  const { $defs: _, ...schema } = z.toJSONSchema(DrillSchema, { io: 'input' });
  return {
    ...schema,
    properties: { ...schema.properties, kit: { $ref: 'wrenchman-kit.schema.json' } },
    title: 'wrenchman-drill, version 1',
    description: 'A job to practise on. docs/formats/drill.md explains each part.',
  };
}
