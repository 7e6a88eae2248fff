import type { AcceptBand } from '../tightening/band.ts';
import { COMPARISON_SLACK } from '../tightening/judge-pull.ts';
import type { Pull, StationState } from './job-state.ts';
import { standingPulls } from './station-progress.ts';

/**
 * Degrees turned towards an angle already, in this pass: a ratchet with no room to swing turns 90° in two or three
 * strokes, and they add up. Only strokes that reached the threshold torque count; any other pull begins anew.
 */
export function turnedBeforeDeg(state: StationState, pass: number, band: AcceptBand): number {
  if (!band.angle) return 0;
  let turned = 0;
  for (const pull of standingPulls(state).toReversed()) {
    const stroke = pull.pass === pass && pull.verdict === 'under' && pull.torqueNm >= band.minNm - COMPARISON_SLACK;
    if (!stroke || !(pull.angleDeg !== undefined && pull.angleDeg > 0)) break;
    turned += pull.angleDeg;
  }
  return turned;
}

/**
 * Whether a pull is a stroke of a turn that went on: short of the angle by itself, and another stroke adds to it. It
 * missed nothing.
 */
export const isStroke = (pull: Pull, pulls: readonly Pull[]): boolean =>
  pull.verdict === 'under' &&
  pull.angleDeg !== undefined &&
  pull.angleDeg > 0 &&
  pull.torqueNm >= pull.minNm - COMPARISON_SLACK &&
  pulls.some((other) => other.pass === pull.pass && other.turnedDeg !== undefined && other.atMs >= pull.atMs);
