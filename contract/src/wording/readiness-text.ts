import type { Obstacle, Readiness } from '#core/readiness/readiness.ts';
import { COMPOUND_TEXT } from './plan-text.ts';

export const VERDICT_TITLE: Record<Readiness['verdict'], string> = {
  ready: 'Can start now',
  stops: 'Can start, but stops on the way',
  cannot: 'Cannot start',
};

/** One thing in the way, in one line. */
export function obstacleText(obstacle: Obstacle): string {
  switch (obstacle.code) {
    case 'conflictOpen':
      return `Two kits are at odds: ${obstacle.place}. A lead chooses.`;
    case 'prerequisiteOpen':
      return `${obstacle.text}${obstacle.daysBefore ? ` (takes ${obstacle.daysBefore} days)` : ''}: not answered or not met.`;
    case 'baselineMissing':
      return `Not measured yet: ${obstacle.name}.`;
    case 'choiceOpen':
      return `Not chosen yet: ${obstacle.text}`;
    case 'noWrench':
      return `No torque wrench for ${obstacle.printed} (${obstacle.targetNm.toFixed(0)} N·m), ${obstacle.stations.length} ${obstacle.stations.length === 1 ? 'station' : 'stations'}.`;
    case 'noTool':
      return `Not in the crib: ${obstacle.name}.`;
    case 'compoundShort':
      return `${COMPOUND_TEXT[obstacle.kind]}: ${obstacle.needMl.toFixed(1)} mL needed, ${obstacle.haveMl.toFixed(1)} mL good on the shelf.`;
    case 'hardwareShort':
      return `${obstacle.name}: ${obstacle.short} short.`;
    case 'noFigure':
      return `Station ${obstacle.label}: the sheet gives no torque.`;
    case 'otherSheet':
      return `“${obstacle.step}” goes on in the sheet of ${obstacle.kit}, which is not in this visit. Add it.`;
    case 'kitWithdrawn':
      return `${obstacle.kit}: this revision was withdrawn. ${obstacle.because}`;
  }
}

/** Which screen clears it, inside the job; or one of the shop's. */
export function obstaclePath(obstacle: Obstacle): string {
  switch (obstacle.code) {
    case 'conflictOpen':
      return '../conflicts';
    case 'noWrench':
      return '/crib';
    case 'noTool':
      return '/crib/tools';
    case 'compoundShort':
      return '/crib/compounds';
    case 'hardwareShort':
      return '../check-in';
    case 'noFigure':
      return '../refit';
    default:
      return '../receive';
  }
}
