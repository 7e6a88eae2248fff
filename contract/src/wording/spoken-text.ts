import type { NextStep } from '#core/job/next-station.ts';
import type { PlanStation } from '#core/kit/plan.ts';
import { showTorqueIn } from '#core/quantity/display.ts';
import type { TorqueUnit } from '#core/quantity/unit.ts';
import type { AcceptBand } from '#core/tightening/band.ts';
import { SPOKEN_JOINT, SPOKEN_UNIT } from './en/spoken.ts';
import { say } from './say.ts';

/** Signs that a voice stumbles over, as words. */
const SIGNS: ReadonlyArray<readonly [sign: RegExp, words: () => string]> = [
  [/\s*×\s*/g, () => say(' by ')],
  [/\s*°\s*C\b/g, () => say(' degrees Celsius')],
  [/\s*°/g, () => say(' degrees')],
  [/\s*±\s*/g, () => say(' plus or minus ')],
  [/\s*≤\s*/g, () => say(' at most ')],
  [/\s*≥\s*/g, () => say(' at least ')],
  [/(\d)\s*–\s*(\d)/g, () => say('$1 to $2')],
  // Behind a figure only: a name of a part may end in the same letters.
  ...Object.keys(SPOKEN_UNIT).map(
    (unit) =>
      [new RegExp(String.raw`(\d)\s*${unit}(?![a-z])`, 'g'), () => `$1 ${SPOKEN_UNIT[unit as TorqueUnit]}`] as const,
  ),
  [/(\d)\s*mm\b/g, () => say('$1 millimetres')],
  [/\bM(\d+)/g, () => 'M $1'],
  [/\s+/g, () => ' '],
];

/** A text of the screen as it is said aloud. */
export const forTheEar = (text: string): string =>
  SIGNS.reduce((said, [sign, words]) => said.replace(sign, words()), text).trim();

/** What a joint wants next, for the ear: `63 newton metres. Station 4, outer right.` */
export function spokenJoint(
  step: NextStep,
  station: Pick<PlanStation, 'label' | 'name'> | undefined,
  band: AcceptBand | undefined,
  unit: TorqueUnit,
): string {
  const figure = (torqueNm: number) => `${showTorqueIn(torqueNm, unit).number} ${SPOKEN_UNIT[unit]}`;
  if (!station && step.kind !== 'done') return '';
  return forTheEar(
    say(SPOKEN_JOINT[step.kind], {
      station: station && say('Station {label}, {name}', { label: station.label, name: station.name }),
      stage: step.kind === 'stage' ? step.stage + 1 : undefined,
      figure: band && figure(band.targetNm),
      angle: band?.angle && Math.round(band.angle.targetDeg),
      ceiling: band?.absoluteMaximumNm === undefined ? undefined : figure(band.absoluteMaximumNm),
    }),
  );
}
