import type { Obstacle } from '#core/readiness/readiness.ts';
import { OBSTACLES } from './en/readiness.ts';
import { COMPOUND_TEXT } from './en/terms.ts';
import { say, type Values } from './say.ts';

/** The facts of an obstacle as they stand in a sentence. */
function valuesOf(obstacle: Obstacle): Values {
  switch (obstacle.code) {
    case 'prerequisiteOpen':
      return { text: obstacle.text, daysBefore: obstacle.daysBefore ?? 0 };
    case 'noWrench':
      return {
        printed: obstacle.printed,
        targetNm: obstacle.targetNm.toFixed(0),
        stations: obstacle.stations.length,
      };
    case 'compoundShort': {
      const { kind, needMl, haveMl } = obstacle;
      return { kind: COMPOUND_TEXT[kind], needMl: needMl.toFixed(1), haveMl: haveMl.toFixed(1) };
    }
    case 'noSkill': {
      const { skill, named, has } = obstacle;
      return { skill, named: named.join(', ') || undefined, has: has.join(', ') || undefined };
    }
    default:
      return obstacle as unknown as Values;
  }
}

/** One thing in the way, in one line. */
export const obstacleText = (obstacle: Obstacle): string => say(OBSTACLES[obstacle.code], valuesOf(obstacle));

/** Which screen clears it, inside the job; or one of the shop's. */
export function obstaclePath(obstacle: Obstacle): string {
  switch (obstacle.code) {
    case 'conflictOpen':
      return '../conflicts';
    case 'noWrench':
      return '/crib';
    case 'noTool':
    case 'toolElsewhere':
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
