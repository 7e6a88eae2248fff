import type { PlannedDays } from './use-day-plan.ts';

/** A job's part of a plan. */
export interface JobPart {
  startMs: number;
  doneMs: number;
  readyMs: number;
  /** Stretches that follow each other are one. */
  work: Array<{ id: string; startMs: number; endMs: number }>;
  /** Each step by itself. */
  steps: ReadonlyArray<{ startMs: number; endMs: number }>;
  waits: Array<{ key: string; fromMs: number; toMs: number; why: 'wait' | 'fixture' | 'window'; about?: string }>;
  promise?: { promisedMs: number; risk: 'safe' | 'tight' | 'late' };
}

/** What of a plan is a job's: stretches of work that follow each other are one. */
export function partOf({ plan }: Pick<PlannedDays, 'plan'>, job: string): JobPart | undefined {
  const own = plan?.jobs.find((one) => one.job === job);
  if (!plan || !own) return undefined;
  const work: JobPart['work'] = [];
  const steps = plan.steps.filter((one) => one.job === job);
  for (const { id, startMs, endMs } of steps) {
    const last = work.at(-1);
    if (last && startMs <= last.endMs) last.endMs = Math.max(last.endMs, endMs);
    else work.push({ id, startMs, endMs });
  }
  return {
    startMs: own.startMs,
    doneMs: own.doneMs,
    readyMs: own.readyMs,
    work,
    steps,
    waits: plan.waits
      .filter((wait) => wait.job === job)
      .map(({ lag, fromMs, toMs }, at) => ({
        key: `${lag.from} ${lag.to} ${at}`,
        fromMs,
        toMs,
        why: lag.why === 'window' ? 'window' : lag.why === 'fixture' ? 'fixture' : 'wait',
        ...(lag.about === undefined ? {} : { about: lag.about }),
      })),
    ...(own.promise ? { promise: { promisedMs: own.promise.promisedMs, risk: own.promise.risk } } : {}),
  };
}

/**
 * A job's plan along the rule: what is done filled, stretches of work as blocks, waits hatched, the time a locker can be
 * worked in a bracket above, the promise as a pin.
 */
export function PlannedBar({
  part,
  percent,
  nowMs,
  fromMs,
  shown,
}: {
  part: JobPart;
  /** Where an instant lies, per cent of what this bar is drawn in. */
  percent(atMs: number): number;
  nowMs: number;
  /** When it was planned to come. */
  fromMs: number;
  /** The stretch of time that is drawn: what lies outside is of another day. */
  shown: readonly [fromMs: number, toMs: number];
}) {
  const at = (fromAt: number, toAt: number) => ({
    left: `${percent(fromAt)}%`,
    width: `${Math.max(0.4, percent(toAt) - percent(fromAt))}%`,
  });
  const [from, to] = shown;
  const lies = (one: { startMs: number; endMs: number }) => one.endMs > from && one.startMs < to;
  const waits = part.waits.filter((wait) => wait.toMs > from && wait.fromMs < to);
  const past = Math.min(nowMs, part.startMs);
  return (
    <span className="relative block h-5" aria-hidden="true">
      {fromMs < past && <span className="absolute inset-y-0 border-2 border-ink bg-plate" style={at(fromMs, past)} />}
      {waits
        .filter(({ why }) => why !== 'window')
        .map(({ key, fromMs: begins, toMs }) => (
          <span key={key} className="wait-hatched absolute inset-y-0.5 border-y border-ink" style={at(begins, toMs)} />
        ))}
      {part.work.filter(lies).map(({ id, startMs, endMs }) => (
        <span key={id} className="absolute inset-y-0 border-2 border-ink bg-sheet" style={at(startMs, endMs)} />
      ))}
      {part.steps
        .filter(({ startMs, endMs }) => startMs <= nowMs && nowMs < endMs)
        .map(({ startMs, endMs }) => (
          <span key={startMs} className="absolute inset-y-0 border-2 border-ink bg-paint" style={at(startMs, endMs)} />
        ))}
      {waits
        .filter(({ why }) => why === 'window')
        .map(({ key, fromMs: begins, toMs }) => (
          <span
            key={key}
            className="absolute -top-1.5 h-2 border-x-2 border-t-2 border-medium"
            style={at(begins, toMs)}
          />
        ))}
      {part.readyMs > part.doneMs && part.doneMs < to && (
        <span className="wait-hatched absolute inset-y-1.5" style={at(part.doneMs, part.readyMs)} />
      )}
    </span>
  );
}
