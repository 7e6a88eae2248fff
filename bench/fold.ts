import { foldAll } from '#core/job/fold.ts';
import { appendEvents, openLog } from '#core/job/job-log.ts';
import { emptyJob } from '#core/job/job-state.ts';
import { CarefulFitter } from '#core/rehearse/careful-fitter.ts';
import { demoWrenches } from '#demo/shop.ts';
import { largeSetup } from './large-job.ts';

const NOW_MS = Date.UTC(2026, 10, 25, 8);

/** Events of a whole job of so many stations: counted, started, snug, two rounds. */
function wholeJob(stations: number) {
  const opened = openLog(largeSetup(stations));
  if (!opened.ok) throw new Error(opened.error.code);
  const worker = new CarefulFitter(opened.value, demoWrenches(NOW_MS), { id: 'p', name: 'P', role: 'fitter' }, NOW_MS, {
    idPrefix: 'bench',
    paceS: 1,
  });
  const startedMs = performance.now();
  worker.checkIn();
  worker.startAll();
  worker.finishTorque();
  const commandsMs = performance.now() - startedMs;
  return { log: opened.value, events: worker.events, commandsMs };
}

/** Events folded, and commands decided and folded, a second. */
export function measureFold(stations: number) {
  const { log, events, commandsMs } = wholeJob(stations);
  const rounds = 20;
  // The first rounds warm the compiler up.
  for (let round = 0; round < 5; round++) foldAll(emptyJob(), events);
  const startedMs = performance.now();
  for (let round = 0; round < rounds; round++) foldAll(emptyJob(), events);
  const foldMs = performance.now() - startedMs;
  const openMs = performance.now();
  for (let round = 0; round < rounds; round++) appendEvents(log, events);
  const appendMs = performance.now() - openMs;
  return {
    stations,
    events: events.length,
    foldedPerS: (events.length * rounds * 1000) / foldMs,
    openedPerS: (events.length * rounds * 1000) / appendMs,
    commandsPerS: (events.length * 1000) / commandsMs,
  };
}
