import { showTorqueIn } from '#core/quantity/display.ts';
import type { TorqueUnit } from '#core/quantity/unit.ts';
import type { ProcedureStage } from '#core/tightening/kind/procedure.ts';
import { say } from './say.ts';

/** Turning as it is spoken of: whole turns, flats of a hexagon, degrees. */
export function turnText(deg: number): string {
  if (deg % 360 === 0) return deg === 360 ? say('1 turn') : say('{deg} turns', { deg: deg / 360 });
  if (deg % 60 === 0 && deg < 360) return `${deg / 60} ${deg === 60 ? 'flat' : 'flats'} (${deg}°)`;
  return `${Math.round(deg)}°`;
}

/** What a stage of a procedure asks: `Back off 90°`. */
export function stageText(stage: ProcedureStage, unit: TorqueUnit = 'N·m'): string {
  switch (stage.do) {
    case 'tighten':
      return say('Tighten to {number} {unit}', { number: showTorqueIn(stage.torqueNm, unit).number, unit });
    case 'backOff':
      return say('Back off {turnText}', { turnText: turnText(stage.deg) });
    case 'turn':
      return say('Turn the part {turnText}', { turnText: turnText(stage.deg) });
    case 'tap':
      return say('Tap it');
    case 'settle':
      return stage.minutes === undefined
        ? say('Let it settle')
        : say('Let it settle for {minutes} min', { minutes: stage.minutes });
  }
}

/** That it was done, for the key that says so. */
export function stageDone(stage: ProcedureStage): string {
  switch (stage.do) {
    case 'tighten':
      return say('Tightened');
    case 'backOff':
      return say('Backed off {turnText}', { turnText: turnText(stage.deg) });
    case 'turn':
      return say('Turned {turnText}', { turnText: turnText(stage.deg) });
    case 'tap':
      return say('Tapped');
    case 'settle':
      return say('It has settled');
  }
}

/** A stage in the words its reader takes. */
function stageWords(stage: ProcedureStage): string {
  switch (stage.do) {
    case 'tighten': {
      const { torqueNm, toleranceFraction: share } = stage;
      const each = share === undefined ? '' : ` ± ${Number((torqueNm * share).toFixed(2))} N·m`;
      return `${Number(torqueNm.toFixed(2))} N·m${each}`;
    }
    case 'backOff':
      return say('back off {deg}°', { deg: stage.deg });
    case 'turn':
      return say('turn {deg}°', { deg: stage.deg });
    case 'tap':
      return 'tap';
    case 'settle':
      return stage.minutes === undefined ? 'settle' : say('settle {minutes} min', { minutes: stage.minutes });
  }
}

/** A procedure as it is typed: one stage a line. */
export const stagesText = (stages: readonly ProcedureStage[]): string => stages.map(stageWords).join('\n');
