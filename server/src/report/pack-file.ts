import { createHash } from 'node:crypto';
import { buffer } from 'node:stream/consumers';
import { ZipArchive } from 'archiver';
import type { JobDocument } from '#contract/job.ts';
import { PACK_FORMAT, type PackManifest } from '#contract/pack.ts';
import { canonicalJson } from '#core/record/canonical-json.ts';
import type { SealFolder } from '../seal/open-seal.ts';
import { type HandOverExtras, handOverPdf, handOverSummaryPdf } from './hand-over-pdf.ts';
import { recordCsv } from './record-csv.ts';
import { type RecordProof, recordFile } from './record-file.ts';

/** All that a pack is made of. */
export interface PackParts {
  document: JobDocument;
  proof: RecordProof;
  photos: ReadonlyArray<{ id: string; type: string; bytes: Buffer }>;
  handOver: HandOverExtras;
  nowMs: number;
}

const ENDING: Readonly<Record<string, string>> = { 'image/jpeg': 'jpg', 'image/png': 'png', 'image/webp': 'webp' };

/**
 * The whole pack as one file: what the owner reads, the record with its chain, the photos, and a manifest that names each
 * by its hash and is signed by the shop's key. docs/formats/pack.md says how to check one.
 */
export async function packFile(
  { document, proof, photos, handOver, nowMs }: PackParts,
  { sign, changes }: Pick<SealFolder, 'sign' | 'changes'>,
): Promise<Buffer> {
  const files: Array<{ name: string; bytes: Buffer }> = [
    { name: 'hand-over.pdf', bytes: await handOverPdf(document, handOver) },
    { name: 'in-short.pdf', bytes: await handOverSummaryPdf(document, handOver) },
    { name: 'record.json', bytes: Buffer.from(`${JSON.stringify(recordFile(document, proof), null, 2)}\n`) },
    { name: 'record.csv', bytes: Buffer.from(recordCsv(document)) },
    ...(changes.length > 0
      ? [{ name: 'key-changes.json', bytes: Buffer.from(`${JSON.stringify(changes, null, 2)}\n`) }]
      : []),
    ...photos.map(({ id, type, bytes }) => ({ name: `photos/${id}.${ENDING[type] ?? 'bin'}`, bytes })),
  ];
  const last = document.events.at(-1);
  const manifest: PackManifest = {
    format: PACK_FORMAT,
    version: 1,
    job: document.id,
    number: document.number,
    madeAtMs: nowMs,
    ...(last ? { head: { seq: last.seq, hash: last.hash } } : {}),
    files: files.map(({ name, bytes }) => ({
      name,
      bytes: bytes.length,
      sha256: createHash('sha256').update(bytes).digest('hex'),
    })),
  };
  const zip = new ZipArchive({ zlib: { level: 6 } });
  const whole = buffer(zip);
  const date = new Date(nowMs);
  for (const { name, bytes } of files) zip.append(bytes, { name, date });
  zip.append(`${JSON.stringify(sign(canonicalJson(manifest)), null, 2)}\n`, { name: 'manifest.json', date });
  await zip.finalize();
  return whole;
}
