import type { GeometryFault } from '#core/geometry/geometry-fault.ts';
import { GEOMETRY_FAULTS, LINK_WORDS } from './en/geometry.ts';
import { type FaultText, inputFaultText } from './input-fault-text.ts';
import { say } from './say.ts';

/** Two figures are enough for a length that cannot be. */
const short = (value: number): string => String(Number(value.toPrecision(4)));

/** What is wrong with hard points, a change, or links that do not meet; with the field where one is at fault. */
export function geometryFaultText(fault: GeometryFault): FaultText {
  switch (fault.code) {
    case 'outOfRange':
    case 'notANumber':
    case 'notListed':
    case 'contradiction':
      return inputFaultText(fault);
    case 'metresForMillimetres':
      return { field: fault.field, reason: say(GEOMETRY_FAULTS[fault.code], { spanMm: short(fault.spanMm) }) };
    case 'mirroredSide':
      return { field: fault.field, reason: say(GEOMETRY_FAULTS[fault.code], { yMm: short(fault.yMm) }) };
    case 'pointsCoincide':
    case 'pointsInLine':
    case 'upsideDown':
    case 'ballInboard':
      return { field: fault.field, reason: say(GEOMETRY_FAULTS[fault.code], { with: fault.with }) };
    case 'wantsOther':
      return { field: fault.field, reason: say(GEOMETRY_FAULTS.wantsOther, { wants: fault.wants }) };
    case 'armImpossible':
    case 'linkCannotReach':
      return { field: 'points', reason: say(GEOMETRY_FAULTS[fault.code], { link: LINK_WORDS[fault.link] }) };
    case 'travelOutOfReach':
      return { field: 'travelsMm', reason: say(GEOMETRY_FAULTS.travelOutOfReach, { travelMm: short(fault.travelMm) }) };
    case 'linksTooFew':
      return { field: 'links', reason: say(GEOMETRY_FAULTS.linksTooFew, { has: String(fault.has) }) };
  }
}
