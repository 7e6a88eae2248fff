import type { JobDocument } from '#contract/job.ts';
import { RECORD_FORMAT, type RecordFile } from '#contract/record.ts';
import type { KitDocument } from '#core/kit/kit-document.ts';
import { recordLaidOut } from './record-csv.ts';

/** What is kept beside a job to prove its record by. */
export interface RecordProof {
  seal?: string;
  personalSalt?: string;
  closing?: RecordFile['closing'];
  keys: NonNullable<RecordFile['keys']>;
  /** Signed commands by the sequence number of their first event. */
  signed: ReadonlyMap<number, string>;
  /** Documents of the kits to the letter as they are stored, by prefix. */
  stored: ReadonlyMap<string, KitDocument>;
}

/** The record as an open file: the job, its pinned kits, the chained events, and what proves them. */
export function recordFile(job: JobDocument, proof: RecordProof): RecordFile {
  return {
    format: RECORD_FORMAT,
    version: 3,
    job: {
      id: job.id,
      number: job.number,
      bay: job.bay,
      plannedStartMs: job.plannedStartMs,
      odometerKm: job.odometerKm,
    },
    shop: job.shop,
    vehicle: job.vehicle,
    kits: job.kits.map(({ document, prefix, side }) => ({
      document: proof.stored.get(prefix) ?? document,
      prefix,
      ...(side ? { side } : {}),
    })),
    openedWith: job.openedWith,
    answers: job.answers,
    seal: proof.seal,
    personalSalt: proof.personalSalt,
    closing: proof.closing,
    keys: proof.keys,
    lines: recordLaidOut(job),
    events: job.events.map((stored) => {
      const signed = proof.signed.get(stored.seq);
      return signed === undefined ? stored : { ...stored, signed };
    }),
  };
}
