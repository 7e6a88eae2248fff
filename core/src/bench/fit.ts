import {
  HEAT_LIMIT_C,
  type MeasuredFit,
  measuredFit,
  type ShrinkFit,
  type ShrinkFitAnswer,
  secondsUntilTouch,
  shrinkFit,
} from '../fit/shrink-fit.ts';
import type { InputFault } from '../quantity/input-fault.ts';
import { ok, type Result } from '../result.ts';
import { type Remark, type RemarkCode, remarksThat } from './remark.ts';

export interface FitQuestion extends ShrinkFit {
  /** Sizes the interference was measured by. */
  measured?: { boreMm: number; pinMm: number };
  /** Wall of the bore's part, mm; left out when the seconds are not asked. */
  wallMm?: number;
  /** Wall of a bush; a solid pin when left out. */
  pinWallMm?: number;
  /** Heat lost to the air, W/(m²·K); still workshop air when left out. */
  airW?: number;
}

export interface FitAnswer extends ShrinkFitAnswer {
  measured?: MeasuredFit;
  /** The bore must be warmed. */
  needsHeat: boolean;
  /** From oven and cold until they touch, s; left out without a wall, without heat and chill, or where they never do. */
  secondsLeft?: number;
  remarks: Remark[];
}

/** Warming by less than this is none, K. Chosen by us. */
const NO_HEAT_K = 0.5;
const REMEDIES: Record<MeasuredFit['remedy'], RemarkCode & `fit${string}`> = {
  checkParts: 'fitCheckParts',
  retainingCompound: 'fitRetaining',
  none: 'fitAsItIs',
  press: 'fitPress',
  heatOrChill: 'fitHeatOrChill',
};

/** How two parts go together: kind of fit, how warm the bore must be, how long it stays open. */
export function fitOf(question: FitQuestion): Result<FitAnswer, InputFault> {
  const { roomC, bore, wallMm, pinC = roomC } = question;
  const measured = question.measured && measuredFit(question.measured.boreMm, question.measured.pinMm);
  if (measured?.ok === false) return measured;
  const shrunk = shrinkFit(question);
  if (!shrunk.ok) return shrunk;
  const { boreC, tooHot } = shrunk.value;
  const left =
    wallMm === undefined || (boreC <= roomC && pinC >= roomC)
      ? undefined
      : secondsUntilTouch({ ...question, boreC, wallMm, transferW: question.airW });
  if (left?.ok === false) return left;
  const needsHeat = boreC > roomC + NO_HEAT_K;
  return ok({
    ...shrunk.value,
    measured: measured?.value,
    needsHeat,
    secondsLeft: left?.value,
    remarks: remarksThat(
      measured && { code: REMEDIES[measured.value.remedy] },
      tooHot && { code: 'hotterThanAllowed', boreC, limitC: HEAT_LIMIT_C[bore], bore },
      (needsHeat || pinC < roomC) && { code: 'secondsFromOven' },
    ),
  });
}
