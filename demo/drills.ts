import { DRILL_FORMAT, DRILL_VERSION, type Drill, type DrillMode } from '#core/drill/drill.ts';
import { meantLog } from '#core/drill/drill-run.ts';
import type { FaultKind } from '#core/drill/fault-kind.ts';
import { drawFaults } from '#core/drill/place-faults.ts';
import type { LearnerStyle } from '#core/drill/scripted-learner.ts';
import { variants } from '#core/kit/answer-space.ts';
import type { KitDocument } from '#core/kit/kit-document.ts';
import { FRONT_RECOVERY_POINTS, ROCK_SLIDERS, TRACK_BAR_BRACE, TRANSFER_CASE_GUARD } from './kits.ts';

/** Four drills, each harder than the one before. */
const DRILLS: ReadonlyArray<{
  id: string;
  title: string;
  kit: KitDocument;
  mode: DrillMode;
  seed: number;
  kinds: FaultKind[];
}> = [
  {
    id: '1d1c0000-0000-4000-8000-000000000001',
    title: 'First bag: what is there and what is not',
    kit: TRANSFER_CASE_GUARD,
    mode: 'guided',
    seed: 101,
    kinds: ['short', 'damagedThread'],
  },
  {
    id: '1d1c0000-0000-4000-8000-000000000002',
    title: 'Look before you lift: holes and heads',
    kit: FRONT_RECOVERY_POINTS,
    mode: 'guided',
    seed: 202,
    kinds: ['seizedStud', 'wrongLength', 'crossed', 'hotPart', 'washerMissing'],
  },
  {
    id: '1d1c0000-0000-4000-8000-000000000003',
    title: 'A sheet that cannot be right',
    kit: TRACK_BAR_BRACE,
    mode: 'plain',
    seed: 303,
    kinds: ['unitSlip', 'wrongClass', 'stripping', 'wrongWrench', 'onJackAlone'],
  },
  {
    id: '1d1c0000-0000-4000-8000-000000000004',
    title: 'The whole side, and nobody tells you',
    kit: ROCK_SLIDERS,
    mode: 'blank',
    seed: 404,
    kinds: ['contradiction', 'wrongSide', 'slippery', 'poorHole', 'soft', 'partReversed'],
  },
];

export const demoDrills = (): Drill[] =>
  DRILLS.map(({ kinds, ...head }): Drill => {
    const drill: Drill = {
      format: DRILL_FORMAT,
      version: DRILL_VERSION,
      ...head,
      answers: variants(head.kit)?.[0] ?? {},
      faults: [],
    };
    const meant = meantLog(drill);
    if (!meant.ok) throw new Error(`${head.title}: ${meant.error.code}`);
    return { ...drill, faults: drawFaults(meant.value.plan, head.seed, kinds, kinds.length) };
  });

/** An apprentice half-way: the bag is told, the sheet is not yet. */
export const HALF_WAY: LearnerStyle = {
  tells: { bag: 0.95, sheet: 0.3, hole: 0.85, pull: 0.5, clock: 0.3 },
  falseAlarms: 0.01,
};
/** When the apprentice did which of the drills, days ago. */
export const DONE_DAYS_AGO: ReadonlyArray<readonly [drill: number, daysAgo: number, seed: number]> = [
  [0, 26, 1],
  [0, 21, 2],
  [1, 19, 3],
  [1, 12, 4],
  [2, 9, 5],
  [0, 6, 6],
  [2, 3, 7],
];
