import { expose } from 'comlink';
import { type DeadEndTold, deadEndsTold } from '#contract/wording/rehearsal-text.ts';
import type { JobLog } from '#core/job/job-log.ts';
import type { Answers } from '#core/kit/condition.ts';
import type { KitDocument } from '#core/kit/kit-document.ts';
import type { Finding } from '#core/kit/lint/finding.ts';
import { lintKit } from '#core/kit/lint/lint.ts';
import { type VariantRow, variantTable } from '#core/kit/variant-table.ts';
import { type Reach, reachFrom } from '#core/rehearse/reach.ts';
import { type Rehearsal, rehearse } from '#core/rehearse/rehearsal.ts';
import { type RehearsalVerdict, rehearseAll } from '#core/rehearse/rehearse-all.ts';
import { type WaitFor, waitFor } from '#core/rehearse/wait-for.ts';

/** A dry run's verdict with its dead ends in words. */
export interface VerdictTold {
  verdict: RehearsalVerdict;
  deadEnds: DeadEndTold[];
}

/** What is worked out about a kit as it is written, off the screen's thread: a large one takes longer than a keystroke. */
const worker = {
  lint: (kit: KitDocument): Finding[] => lintKit(kit),
  variants: (kit: KitDocument): VariantRow[] | undefined => variantTable(kit),
  rehearse: (kit: KitDocument, answers: Answers): Rehearsal => rehearse(kit, answers),
  /** How far a job gets with the pieces it has. */
  reach: (job: Omit<JobLog, 'commandIds'>, nowMs: number): Reach => reachFrom(job, nowMs),
  /** What waiting for pieces until an instant does to a job. */
  waitFor: (
    job: Omit<JobLog, 'commandIds'>,
    short: { item: string; quantity: number },
    promisedMs: number,
    nowMs: number,
  ): WaitFor => waitFor(job, short, promisedMs, nowMs),
  /** Every combination; tells how far it is. */
  rehearseAll(kit: KitDocument, told: (played: number, of: number) => void): VerdictTold {
    const verdict = rehearseAll(kit, told);
    return { verdict, deadEnds: deadEndsTold(kit, verdict) };
  },
};
export type KitWorker = typeof worker;
expose(worker);
