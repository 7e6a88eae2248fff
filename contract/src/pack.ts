export const PACK_FORMAT = 'wrenchman-pack';

/** What a pack holds, as the shop's key signs it: every file of it by its hash, and the head of the record. */
export interface PackManifest {
  format: typeof PACK_FORMAT;
  version: 1;
  job: string;
  number: string;
  madeAtMs: number;
  head?: { seq: number; hash: string };
  files: Array<{ name: string; bytes: number; sha256: string }>;
}
