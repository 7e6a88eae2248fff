import { z } from 'zod';

export const ARCHIVE_FORMAT = 'wrenchman-archive';
export const ARCHIVE_VERSION = 1;
export const MANIFEST = 'manifest.json';

/** What an archive holds, file by file; it stands in it as `manifest.json`. */
export const ManifestSchema = z.strictObject({
  format: z.literal(ARCHIVE_FORMAT),
  version: z.literal(ARCHIVE_VERSION),
  shop: z.string(),
  madeAtMs: z.number().int(),
  /** The newest migration of the database it came from: it is read into one of the same. */
  schema: z.string(),
  files: z.array(
    z.strictObject({
      name: z.string(),
      bytes: z.number().int().min(0),
      sha256: z.string().regex(/^[0-9a-f]{64}$/),
      /** Of a table. */
      rows: z.number().int().min(0).optional(),
    }),
  ),
});
export type Manifest = z.infer<typeof ManifestSchema>;

/** Taking the whole shop away is answered for with the lead's own secret. */
export const ArchiveInputSchema = z.strictObject({ secret: z.string().min(4).max(200) });
