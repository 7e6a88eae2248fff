import type { Compound } from '../compound/compound.ts';
import { type JobState, type Pull, type StationState, stationState } from '../job/job-state.ts';
import type { Stamp } from '../job/stamp.ts';
import { type StationMark, stationMark } from '../job/station-progress.ts';
import { isStroke } from '../job/strokes.ts';
import { indexOf, type Plan, type PlanGroup, type PlanItem, type PlanStation } from '../kit/plan.ts';
import type { Pass } from '../tightening/pass-plan.ts';

/** Whether a pull still proves something. */
export type PullStands = 'stands' | 'takenBack' | 'loosenedSince' | 'besideTurned';

export interface PullLine {
  pull: Pull;
  /** The pass it was made in; undefined where the plan no longer has it. */
  pass?: Pass;
  stands: PullStands;
  /** One stroke of a turn that went on. */
  stroke: boolean;
}

/** One joint as the record tells of it. */
export interface JointLine {
  station: PlanStation;
  mark: StationMark;
  /** The bolt, stud or nut it is told by. */
  fastener?: PlanItem;
  /** What was put on its thread. */
  treated?: Compound;
  /** The bead, with the bottle it came from. */
  bead?: StationState['bead'];
  /** Torque it took to run down, N·m, where somebody said so. */
  runDownNm?: number;
  /** Stages of a procedure before its last tightening, in the order they were done. */
  stages: NonNullable<StationState['stages']>;
  /** For joints without a figure: who said that it is done. */
  stop?: Stamp & { reason?: string };
  /** Second looks at the mark, where the locker had set. */
  looks: Stamp[];
  pulls: PullLine[];
}

export interface GroupLines {
  group: PlanGroup;
  joints: JointLine[];
}

function standsOf(pull: Pull): PullStands {
  if (pull.withdrawn) return 'takenBack';
  if (pull.voided) return 'loosenedSince';
  return pull.beside === undefined ? 'stands' : 'besideTurned';
}

/** Every joint of a job with every pull made on it, group by group in the order they were torqued. */
export function recordLines(plan: Plan, state: JobState): GroupLines[] {
  const { stations, items, compounds } = indexOf(plan);
  return plan.groups.map((group) => ({
    group,
    joints: group.torqueOrder.flatMap((id): JointLine[] => {
      const station = stations.get(id);
      if (!station) return [];
      const entry = stationState(state, id);
      const [fastener] = station.stack.flatMap((piece) =>
        piece.kind === 'hardware' ? (items.get(piece.item) ?? []) : [],
      );
      return [
        {
          station,
          mark: stationMark(plan, station, state),
          fastener,
          treated: entry.bead && compounds.get(entry.bead.compound),
          bead: entry.bead,
          runDownNm: entry.snugged?.runDownNm,
          stages: entry.stages ?? [],
          stop: entry.stopConfirmed,
          looks: entry.marks ?? [],
          pulls: entry.pulls.map((pull) => ({
            pull,
            pass: group.passes[pull.pass],
            stands: standsOf(pull),
            stroke: isStroke(pull, entry.pulls),
          })),
        },
      ];
    }),
  }));
}
