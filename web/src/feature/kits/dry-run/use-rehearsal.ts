import { useEffect, useMemo, useState } from 'react';
import { appendEvents, type JobLog, openLog } from '#core/job/job-log.ts';
import { lineProgress } from '#core/job/line-progress.ts';
import type { Answers } from '#core/kit/condition.ts';
import type { KitDocument } from '#core/kit/kit-document.ts';
import { indexOf } from '#core/kit/plan.ts';
import { lineOf } from '#core/line/line.ts';
import type { Rehearsal } from '#core/rehearse/rehearsal.ts';
import { kitWorker, workerFailure } from '../../../worker/kit-worker.ts';
import type { LineSeen } from '../../line/ActPicture.tsx';

/** One playing of a kit, and the job as it stood before each of its moves. */
export interface Film {
  rehearsal: Rehearsal;
  /** @param moves - how many are done */
  logAt: (moves: number) => JobLog | undefined;
}

/** The job before each move, made as far as somebody looks. */
function filmOf(rehearsal: Rehearsal): Film {
  const opened = openLog(rehearsal.setup);
  const logs: JobLog[] = opened.ok ? [opened.value] : [];
  const { moves, events } = rehearsal;
  return {
    rehearsal,
    logAt(done) {
      for (let made = logs.length; made <= done; made += 1) {
        const before = logs[made - 1];
        if (!before) return undefined;
        logs.push(appendEvents(before, events.slice(moves[made - 2]?.events ?? 0, moves[made - 1]?.events)));
      }
      return logs[done];
    },
  };
}

/** The kit played on one vehicle; no film while it is being played. */
export function useRehearsal(kit: KitDocument, answers: Answers): { film?: Film; failure?: string } {
  const [failure, setFailure] = useState<string>();
  const [played, setPlayed] = useState<{ kit: KitDocument; answers: Answers; rehearsal: Rehearsal }>();
  useEffect(() => {
    let newest = true;
    setFailure(undefined);
    kitWorker()
      .rehearse(kit, answers)
      .then((rehearsal) => newest && setPlayed({ kit, answers, rehearsal }))
      .catch((error: unknown) => newest && setFailure(workerFailure(error)));
    return () => {
      newest = false;
    };
  }, [kit, answers]);
  const fresh = played?.kit === kit && played.answers === answers ? played.rehearsal : undefined;
  const film = useMemo(() => fresh && filmOf(fresh), [fresh]);
  return { film, failure };
}

/** A job as the pictures of the line want it. */
export const seenOf = ({ plan, state }: JobLog, nowMs: number): LineSeen => ({
  plan,
  state,
  index: indexOf(plan),
  line: lineOf(plan),
  progress: lineProgress(plan, state),
  nowMs,
});
