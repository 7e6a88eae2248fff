import type { InputFault } from '../quantity/input-fault.ts';
import { ok, type Result } from '../result.ts';
import { LIMITING_PRESSURE } from '../tightening/bearing-pressure.ts';
import { type WorkingLoad, type WorkingLoadAnswer, workingLoad } from '../tightening/working-load.ts';
import type { PreloadAnswer } from './preload.ts';
import { type Remark, remarksThat } from './remark.ts';

/** Reserve against fatigue below which a joint is called near it. @see VDI 2230-1:2015, step R9: 1.2 or more */
const FATIGUE_RESERVE = 1.2;
/** Share of the preload that heat or cold must move to be worth a word. Chosen by us. */
const HEAT_COUNTS = 0.1;

/**
 * Least and most preload of a joint: about the torque or preload that was given; where none was, down from what the bolt
 * takes, which is the most it may get.
 * @see VDI 2230-1:2015, steps R6 and R7: FMmax is the permissible one, FMmin lies αA below it
 */
export function assemblyRange(
  tightened: Pick<PreloadAnswer, 'preloadN' | 'assemblyPreloadN' | 'scatter'>,
  given: boolean,
): { minN: number; maxN: number } {
  const { preloadN, assemblyPreloadN: mostN, scatter } = tightened;
  if (!scatter) return { minN: preloadN, maxN: preloadN };
  return given ? { minN: scatter.minN, maxN: scatter.maxN } : { minN: mostN / scatter.middle, maxN: mostN };
}

/** Whether a tightened joint holds at work, and what fails first where it does not. */
export function jointAtWork(joint: WorkingLoad): Result<WorkingLoadAnswer & { remarks: Remark[] }, InputFault> {
  const found = workingLoad(joint);
  if (!found.ok) return found;
  const answer = found.value;
  const { residualClampN, shearNeedsN, yieldSafety, fatigueSafety, pressureMpa, thermalLossN } = answer;
  const limitMpa = LIMITING_PRESSURE[joint.part];
  const bad = remarksThat(
    residualClampN <= 0 && { code: 'partsComeApart', missingN: -residualClampN },
    residualClampN > 0 &&
      residualClampN < shearNeedsN && { code: 'partsSlip', keepsN: residualClampN, needsN: shearNeedsN },
    yieldSafety < 1 && { code: 'yieldsAtWork', yieldShare: 1 / yieldSafety },
    fatigueSafety !== undefined &&
      fatigueSafety < FATIGUE_RESERVE && {
        code: 'fatigueNear',
        swingsMpa: answer.alternatingMpa,
        enduresMpa: answer.enduranceMpa ?? 0,
      },
    pressureMpa > limitMpa && { code: 'headSinks', pressedMpa: pressureMpa, limitMpa, part: joint.part },
  );
  return ok({
    ...answer,
    remarks: [
      ...bad,
      ...remarksThat(
        bad.length === 0 && { code: 'holdsAtWork' },
        Math.abs(thermalLossN) > HEAT_COUNTS * joint.assemblyN.minN &&
          (thermalLossN > 0
            ? { code: 'heatTakesLoad', takenN: thermalLossN }
            : { code: 'heatAddsLoad', addedN: -thermalLossN }),
        answer.enduranceMpa === undefined && answer.alternatingMpa !== 0 && { code: 'enduranceUnknown' },
        { code: 'forceInTheMiddle' },
      ),
    ],
  });
}
