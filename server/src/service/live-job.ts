import { LRUCache } from 'lru-cache';
import type { Integrity } from '#contract/job.ts';
import type { JobLog } from '#core/job/job-log.ts';
import type { JobEntity } from '../store/entities.ts';

/** A job folded up to `seq`. */
export interface LiveJob {
  row: JobEntity;
  log: JobLog;
  /** Of the newest event that stands. */
  seq: number;
  hash: string;
  lastEventAtMs?: number;
  integrity: Integrity;
}

/** Prefixes of the kits a job was opened with. */
export const openedWith = (row: JobEntity): string[] =>
  row.kits.filter(({ added }) => !added).map(({ prefix }) => prefix);

/** What folded jobs may take of the server's memory, bytes by the estimate below. */
const BUDGET = 600e6;
/**
 * A kit's document with its plan, its stations, and an event with what it folds to, bytes. Measured with plain kits of 60 and
 * 400 stations: 52 and 291 kB before anything is done, 1.1 and 0.9 kB an event; rounded up, for sheets have steps too.
 */
const PER_JOB = 100_000;
const PER_STATION = 1500;
const PER_EVENT = 1500;
/** A job nobody asked for since is folded anew when somebody does. */
const IDLE_MS = 4 * 3_600_000;

/** Jobs kept folded, bounded by the memory they take; the longest unused make room. */
export const liveJobs = (): LRUCache<string, LiveJob> =>
  new LRUCache<string, LiveJob>({
    maxSize: BUDGET,
    ttl: IDLE_MS,
    updateAgeOnGet: true,
    sizeCalculation: ({ log, seq }) => PER_JOB + PER_STATION * log.plan.stations.length + PER_EVENT * seq,
  });
