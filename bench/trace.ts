import { JOINTS } from '#core/trace/fixture/joints.ts';
import { judgeTrace } from '#core/trace/judge-trace.ts';
import { type ShownKind, TRACE_KINDS, type TraceJoint, type TraceKind } from '#core/trace/pull-trace.ts';
import { recordPull } from '#core/trace/simulate/record-pull.ts';

const SHOWN = TRACE_KINDS.filter((kind): kind is ShownKind => kind !== 'cannotTell');

/** How pulls of model joints are named, seeds that nothing was tuned on, and how long one takes. */
export interface TraceFigures {
  /** Share of faults named right. */
  right: number;
  /** Share of good pulls that were suspected. */
  falseAlarms: number;
  msPerPull: number;
  worstMs: number;
  /** Rows by what it was, columns by what it was named. */
  confusion: Array<{ was: ShownKind; named: Partial<Record<TraceKind, number>> }>;
}

/**
 * @param pulls - of each kind
 * @param firstSeed - the first of them
 */
export function measureTraces(pulls: number, firstSeed: number): TraceFigures {
  let [right, faults, alarms, ms, worstMs, count] = [0, 0, 0, 0, 0, 0];
  const confusion = SHOWN.map((was) => {
    const named: Partial<Record<TraceKind, number>> = {};
    for (let seed = 0; seed < pulls; seed++) {
      const joint = JOINTS[seed % JOINTS.length] as TraceJoint;
      const samples = recordPull(joint, was, firstSeed + seed);
      const began = performance.now();
      const verdict = judgeTrace(samples, joint);
      const took = performance.now() - began;
      ms += took;
      count += 1;
      if (count > SHOWN.length) worstMs = Math.max(worstMs, took);
      if (!verdict.ok) throw new Error(JSON.stringify(verdict.error));
      const { kind } = verdict.value;
      named[kind] = (named[kind] ?? 0) + 1;
      if (was === 'good') alarms += kind === 'good' ? 0 : 1;
      else {
        faults += 1;
        right += kind === was ? 1 : 0;
      }
    }
    return { was, named };
  });
  return { right: right / faults, falseAlarms: alarms / pulls, msPerPull: ms / count, worstMs, confusion };
}

/** The confusion as a table for bench/README.md. */
export const confusionText = ({ confusion }: TraceFigures): string =>
  confusion
    .map(({ was, named }) => {
      const others = Object.entries(named)
        .filter(([kind]) => kind !== was)
        .sort(([, a], [, b]) => b - a)
        .map(([kind, times]) => `${kind} ${times}`);
      return `| ${was} | ${named[was] ?? 0} | ${others.join(', ')} |`;
    })
    .join('\n');
