import { z } from 'zod';
import type { HandKey, KeyHanded } from '#core/job/act/hand-key.ts';
import { KEY_KINDS, type KeyHolder } from '#core/job/key-held.ts';
import { exactly } from '../exactly.ts';
import { Name, Ref } from './fields.ts';

const KeyHolderSchema = exactly<KeyHolder>()(
  z.discriminatedUnion('who', [
    z.strictObject({ who: z.literal('person'), name: Name }),
    z.strictObject({ who: z.literal('owner'), name: Name }),
    z.strictObject({ who: z.literal('vehicle'), name: Name }),
  ]),
);

export const HandKeySchema = exactly<HandKey>()(
  z.strictObject({
    type: z.literal('handKey'),
    key: Ref.optional(),
    name: Name,
    kind: z.enum(KEY_KINDS),
    to: KeyHolderSchema,
  }),
);

export const KeyHandedSchema = exactly<KeyHanded>()(
  z.strictObject({
    type: z.literal('keyHanded'),
    key: Ref,
    name: z.string(),
    kind: z.enum(KEY_KINDS),
    to: KeyHolderSchema,
  }),
);
