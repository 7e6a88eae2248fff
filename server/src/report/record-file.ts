import type { JobDocument } from '#contract/job.ts';
import { RECORD_FORMAT, type RecordFile } from '#contract/record.ts';
import { appendEvents, type JobLog, openLog } from '#core/job/job-log.ts';
import type { HouseRules } from '#core/kit/house-rules.ts';
import type { KitDocument } from '#core/kit/kit-document.ts';

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
    events: job.events.map((stored) => {
      const signed = proof.signed.get(stored.seq);
      return signed === undefined ? stored : { ...stored, signed };
    }),
  };
}

/** Works a job out again from its setup and events. */
export function replay(
  job: Pick<JobDocument, 'kits' | 'openedWith' | 'vehicle' | 'answers' | 'events'> & { shop: Partial<HouseRules> },
): JobLog {
  const opened = openLog({
    kits: job.kits,
    openedWith: job.openedWith,
    vehicle: job.vehicle,
    answers: job.answers,
    shop: job.shop,
  });
  if (!opened.ok) throw new Error(`A stored job no longer resolves: ${opened.error.code}`);
  return appendEvents(
    opened.value,
    job.events.map((stored) => stored.event),
  );
}
