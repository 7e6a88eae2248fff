import { z } from 'zod';
import type { PhotoKept } from '#core/job/act/keep-photo.ts';
import { exactly } from '../exactly.ts';
import { Ref } from './fields.ts';

export const PhotoKeptSchema = exactly<PhotoKept>()(
  z.strictObject({
    type: z.literal('photoKept'),
    photo: Ref,
    sha256: z.string().regex(/^[0-9a-f]{64}$/),
    mime: z.string(),
    bytes: z.number().int().min(0),
  }),
);
