import { z } from 'zod';
import { KitDocumentSchema } from './kit.ts';

/** The published JSON Schema of the kit file, draft 2020-12, made from the schema the application itself reads with. */
export const kitJsonSchema = (): Record<string, unknown> => ({
  ...z.toJSONSchema(KitDocumentSchema, { io: 'input' }),
  title: 'wrenchman-kit, version 2',
  description: 'A kit as its maker’s sheet describes it. docs/formats/kit.md explains each part.',
});
