import { useEffect } from 'react';
import { clockName } from '#contract/wording/clock-text.ts';
import { runningClocks } from '#core/job/line-clocks.ts';
import { isPractice } from '../practice/practice.ts';
import { serverNowMs } from '../shop/clock.ts';
import { useClocksHere } from './clocks-here.ts';
import { useOpenJob } from './use-open-job.ts';

/** Tells the tablet's clock bar which clocks of the open job run; a closed job has none left. */
export function useNoteClocks(): void {
  const { document, plan, state } = useOpenJob();
  const note = useClocksHere((store) => store.note);
  const { id, number, vehicle } = document;
  useEffect(() => {
    // What is practised calls nobody to the floor.
    if (isPractice(id)) return;
    const running = state.closed ? [] : runningClocks(plan, state, serverNowMs());
    note({
      job: id,
      jobName: `${vehicle.model} · ${number}`,
      clocks: running.map((clock) => ({
        id: clock.id,
        name: clockName(plan, clock),
        calls: clock.kind !== 'cure',
        endsAtMs: clock.endsAtMs,
        gates: clock.gates,
      })),
    });
  }, [note, id, number, vehicle.model, plan, state]);
}
