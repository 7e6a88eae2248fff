import { showTorqueIn } from '#core/quantity/display.ts';
import type { TorqueUnit } from '#core/quantity/unit.ts';
import type { ProcedureStage } from '#core/tightening/kind/procedure.ts';

/** Turning as it is spoken of: whole turns, flats of a hexagon, degrees. */
export function turnText(deg: number): string {
  if (deg % 360 === 0) return deg === 360 ? '1 turn' : `${deg / 360} turns`;
  if (deg % 60 === 0 && deg < 360) return `${deg / 60} ${deg === 60 ? 'flat' : 'flats'} (${deg}°)`;
  return `${Math.round(deg)}°`;
}

/** What a stage of a procedure asks: `Back off 90°`. */
export function stageText(stage: ProcedureStage, unit: TorqueUnit = 'N·m'): string {
  switch (stage.do) {
    case 'tighten':
      return `Tighten to ${showTorqueIn(stage.torqueNm, unit).number} ${unit}`;
    case 'backOff':
      return `Back off ${turnText(stage.deg)}`;
    case 'turn':
      return `Turn the part ${turnText(stage.deg)}`;
    case 'tap':
      return 'Tap it';
    case 'settle':
      return stage.minutes === undefined ? 'Let it settle' : `Let it settle for ${stage.minutes} min`;
  }
}

/** That it was done, for the key that says so. */
export function stageDone(stage: ProcedureStage): string {
  switch (stage.do) {
    case 'tighten':
      return 'Tightened';
    case 'backOff':
      return `Backed off ${turnText(stage.deg)}`;
    case 'turn':
      return `Turned ${turnText(stage.deg)}`;
    case 'tap':
      return 'Tapped';
    case 'settle':
      return 'It has settled';
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
      return `back off ${stage.deg}°`;
    case 'turn':
      return `turn ${stage.deg}°`;
    case 'tap':
      return 'tap';
    case 'settle':
      return stage.minutes === undefined ? 'settle' : `settle ${stage.minutes} min`;
  }
}

/** A procedure as it is typed: one stage a line. */
export const stagesText = (stages: readonly ProcedureStage[]): string => stages.map(stageWords).join('\n');
