import type { CloseBlock } from '../close-block.ts';
import { closeBlocks } from '../close-blocks.ts';
import type { ClockRelease } from '../job-state.ts';
import { runningClocks } from '../line-clocks.ts';
import { ANSWERABLE } from '../role.ts';
import { act, blank, done, refuse, stampOf } from './act.ts';

/** `releases`: clocks that still run, each with what the driver is told in writing. */
export interface Close {
  type: 'close';
  signature: string;
  note?: string;
  releases?: ClockRelease[];
}

export interface JobClosed {
  type: 'jobClosed';
  signature: string;
  note?: string;
  releases?: ClockRelease[];
}

export const close = act<Close, JobClosed>({
  may: ANSWERABLE,
  needsProof: true,
  decide({ plan, job, toolsOut, by, atMs }, { signature, note, releases = [] }) {
    if (blank(signature)) return refuse({ code: 'signatureMissing' });
    if (signature.trim() !== by.name) return refuse({ code: 'signatureNotYours', name: by.name });
    if (releases.some(({ condition }) => blank(condition))) return refuse({ code: 'reasonMissing' });
    const running = runningClocks(plan, job, atMs);
    const known = new Map(running.map((clock) => [clock.id, clock]));
    const told = releases.flatMap(({ clock, condition }) => {
      const runs = known.get(clock);
      return runs ? [{ clock, endsAtMs: runs.endsAtMs, condition: condition.trim() }] : [];
    });
    const untold = running.filter(({ id }) => !told.some(({ clock }) => clock === id)).map(({ id }) => id);
    const blocks: CloseBlock[] = closeBlocks(plan, job, toolsOut);
    if (untold.length > 0) blocks.push({ code: 'clocksRunning', clocks: untold });
    return blocks.length > 0
      ? refuse({ code: 'closeBlocked', blocks })
      : done({ type: 'jobClosed', signature, note, ...(told.length > 0 ? { releases: told } : {}) });
  },
  fold: {
    jobClosed(draft, fact) {
      draft.closed = { signature: fact.signature, note: fact.note, releases: fact.releases, ...stampOf(fact) };
    },
  },
});
