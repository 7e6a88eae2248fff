import { z } from 'zod';
import { Ref } from './act/fields.ts';

const Text = z.string().trim().max(120);

/** Who the owner of some vehicles is from now on: of a merge, and of its undoing, which gives each its own back. */
export const OwnersChangeSchema = z.strictObject({
  vehicles: z
    .array(z.strictObject({ id: Ref, owner: Text.min(1), contact: Text.optional() }))
    .min(1)
    .max(500),
});
export type OwnersChange = z.infer<typeof OwnersChangeSchema>;

/** An owner by the name on the cards; compared without case, accents and blanks. */
export const OwnerNameSchema = z.object({ name: Text.min(1) });
/** Erasing cannot be taken back: a lead gives their secret for it. */
export const EraseOwnerSchema = z.strictObject({ name: Text.min(1), secret: z.string().min(4).max(200) });
