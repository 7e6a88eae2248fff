import { type FinishOutcome, lubricationChange } from '../tightening/lubrication-change.ts';
import { FINISHES, type FrictionSource, type ThreadFinish } from '../tightening/thread-finish.ts';
import { type Remark, remarksThat } from './remark.ts';

export interface FinishChange<Source extends FrictionSource> {
  /** Every finish asked for, or all. */
  outcomes: FinishOutcome<Source>[];
  remarks: Remark[];
}

/** Every finish there is. */
export const ALL_FINISHES: readonly ThreadFinish[] = FINISHES.map(({ finish }) => finish);

/** Change of load that is worth a word. Chosen by us: what a wrench is off by. */
const WORTH_SAYING = 0.05;

/** What the finishes do to a joint at the torque printed for one of them. The remarks are of `now`, where there is one. */
export function finishChange<Source extends FrictionSource = ThreadFinish>(
  joint: Parameters<typeof lubricationChange>[0],
  torqueNm: number,
  meantFor: FrictionSource,
  finishes: readonly Source[],
  now: Source | undefined = finishes.length === 1 ? finishes[0] : undefined,
): FinishChange<Source> {
  const outcomes = lubricationChange(joint, torqueNm, meantFor, finishes);
  const here = outcomes.find(({ finish }) => finish === now);
  const more = here ? here.preloadRatio - 1 : 0;
  return {
    outcomes,
    remarks: remarksThat(
      here && more > WORTH_SAYING && { code: 'loadMoreThanMeant', moreShare: more, meantNm: here.atEqualPreloadNm },
      here && more < -WORTH_SAYING && { code: 'loadLessThanMeant', lessShare: -more, meantNm: here.atEqualPreloadNm },
      here && here.worstYieldShare > 1 && { code: 'yieldsWhenSlippery' },
      { code: 'sheetCountsOnCompound' },
    ),
  };
}
