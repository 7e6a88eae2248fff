import { stringify } from 'csv-stringify/sync';
import type { JobDocument } from '#contract/job.ts';
import type { TraceFile } from '#contract/trace.ts';
import type { Pull } from '#core/job/job-state.ts';
import { pullBand } from '#core/job/next-station.ts';
import { traceJointOf } from '#core/job/pull-curve.ts';
import type { Plan, PlanStation } from '#core/kit/plan.ts';
import { roundTo } from '#core/quantity/rounding.ts';
import { recordLines } from '#core/record/record-lines.ts';
import { unpackTrace } from '#core/trace/pack-trace.ts';
import type { TraceSample } from '#core/trace/pull-trace.ts';
import { replay } from './replay.ts';

/** Columns of the CSV of curves: one row a reading. docs/formats/trace.md. */
export const TRACE_COLUMNS = [
  'job',
  'station',
  'name',
  'pass',
  'at_utc',
  'curve',
  'ms',
  'angle_deg',
  'torque_nm',
] as const;

interface KeptTrace {
  station: PlanStation;
  pull: Pull;
  samples: TraceSample[];
}

/** Every pull of a job that a live wrench gave a curve of, in the order of the record. */
function keptTraces(document: JobDocument): { plan: Plan; traces: KeptTrace[] } {
  const { plan, state } = replay(document);
  const traces = recordLines(plan, state).flatMap(({ joints }) =>
    joints.flatMap(({ station, pulls }) =>
      pulls.flatMap(({ pull }) => {
        const samples = pull.trace === undefined ? undefined : unpackTrace(pull.trace);
        return samples && samples.length > 0 ? [{ station, pull, samples }] : [];
      }),
    ),
  );
  return { plan, traces };
}

/** The curves of a job as a table, a row for each reading. */
export function tracesCsv(document: JobDocument): string {
  const { traces } = keptTraces(document);
  const rows = traces.flatMap(({ station, pull, samples }) =>
    samples.map(({ atMs, angleDeg, torqueNm }) => [
      document.number,
      station.label,
      station.name,
      pull.pass + 1,
      new Date(pull.atMs).toISOString(),
      pull.curve?.kind ?? '',
      atMs,
      roundTo(angleDeg, 1),
      roundTo(torqueNm, 2),
    ]),
  );
  return stringify([[...TRACE_COLUMNS], ...rows], { bom: true, escape_formulas: true, record_delimiter: 'windows' });
}

/** The curves of a job as `wm trace` reads them: one JSON a line. A joint whose stack says too little has its window only. */
export function tracesLines(document: JobDocument): string {
  const { plan, traces } = keptTraces(document);
  return traces
    .map(({ station, pull, samples }) => {
      const band = pullBand(plan, station, pull.pass);
      const joint = band && traceJointOf(plan, station, band);
      if (!joint) return '';
      const { thread, ...rest } = joint;
      const line: TraceFile = {
        about: {
          job: document.number,
          station: station.label,
          name: station.name,
          pass: pull.pass + 1,
          atUtc: new Date(pull.atMs).toISOString(),
          ...(pull.curve ? { kind: pull.curve.kind, confidence: pull.curve.confidence } : {}),
        },
        joint: { thread: thread.designation, ...rest },
        samples: samples.map(({ atMs, angleDeg, torqueNm }) => [atMs, angleDeg, torqueNm]),
      };
      return `${JSON.stringify(line)}\n`;
    })
    .join('');
}
