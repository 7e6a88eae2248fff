import type { LobeAdvice } from '#core/line/lobe-advice.ts';

/** Less than this is not missing, °. Chosen by us: what a rack repeats to. */
const REPEATS_DEG = 0.05;

/** An angle with its sign, to a hundredth. */
export const angleText = (value: number): string => `${value > 0 ? '+' : ''}${value.toFixed(2)}°`;

/** What one wheel wants, in a sentence that cannot be read backwards. */
export function lobeAdviceText({ place, readDeg, aimDeg, answer }: LobeAdvice): string {
  const { towards, turnDeg, angleDeg, top, camberDeg, missingDeg, startsAway } = answer;
  const reached =
    Math.abs(missingDeg) > REPEATS_DEG
      ? ` It reaches ${angleText(camberDeg)} and no farther: ${Math.abs(missingDeg).toFixed(2)}° are missing.`
      : '';
  if (towards === 'stays') return `${place}: ${angleText(readDeg)}, the lobe stays.${reached}`;
  return `${place}: ${angleText(readDeg)}, aim ${angleText(aimDeg)}. Turn the lobe ${Math.abs(turnDeg).toFixed(0)}° ${towards}, to ${angleDeg.toFixed(0)}° from neutral: top goes ${top}, to ${angleText(camberDeg)}.${startsAway ? ' It stands on the side that leads away from the aim.' : ''}${reached}`;
}
