import { parentPort } from 'node:worker_threads';
import { expose } from 'comlink';
import nodeEndpoint from 'comlink/dist/esm/node-adapter.mjs';
import { type InputFault, inputFaults } from '#contract/job.ts';
import { DraftInputSchema, DraftSaveSchema } from '#contract/kit-draft.ts';
import { faultText, readKit } from '#contract/read-kit.ts';
import { deadEndFault, deadEndsTold } from '#contract/wording/rehearsal-text.ts';
import type { KitDocument } from '#core/kit/kit-document.ts';
import { kitFaults } from '#core/kit/kit-integrity.ts';
import { lintKit } from '#core/kit/lint/lint.ts';
import { rehearseAll } from '#core/rehearse/rehearse-all.ts';
import { fail, ok, type Result } from '#core/result.ts';

/** Why the body of a draft cannot be read. */
export interface DraftUnreadable {
  code: 'badRequest';
  faults: InputFault[];
}

/** The bodies a draft comes in. */
const BODIES = { create: DraftInputSchema, save: DraftSaveSchema };

/** What of a kit takes longer than a request may hold the server up. */
const works = {
  read: (text: string) => readKit(text),
  draft(body: keyof typeof BODIES, value: unknown): Result<unknown, DraftUnreadable> {
    const read = BODIES[body].safeParse(value);
    if (read.success) return ok(read.data);
    const faults = inputFaults(read.error);
    return fail({
      code: 'badRequest',
      faults: faults.map(({ path, message }) => ({ path: ['json', path].filter(Boolean).join('.'), message })),
    });
  },
  judge(document: KitDocument) {
    const faults = kitFaults(document).map(faultText);
    return { faults, findings: faults.length > 0 ? [] : lintKit(document) };
  },
  /** Dead ends of a dry run on every combination of answers, as faults of the kit. */
  rehearse(document: KitDocument): InputFault[] {
    return deadEndsTold(document, rehearseAll(document)).map((told) => deadEndFault(document, told));
  },
};
export type KitWorkerWorks = typeof works;

if (parentPort) expose(works, nodeEndpoint(parentPort));
