import type { LobeAdvice } from '#core/line/lobe-advice.ts';
import { written } from '#core/quantity/display.ts';
import { say } from './say.ts';

/** Less than this is not missing, °. Chosen by us: what a rack repeats to. */
const REPEATS_DEG = 0.05;

/** An angle with its sign, to a hundredth. */
export const angleText = (value: number): string => `${value > 0 ? '+' : ''}${value.toFixed(2)}°`;

/** What one wheel wants, in a sentence that cannot be read backwards. */
export function lobeAdviceText({ place, readDeg, aimDeg, answer }: LobeAdvice): string {
  const { towards, turnDeg, angleDeg, top, camberDeg, missingDeg, startsAway } = answer;
  const reached =
    Math.abs(missingDeg) > REPEATS_DEG
      ? say(' It reaches {angleText} and no farther: {missingDeg}° are missing.', {
          angleText: angleText(camberDeg),
          missingDeg: written(Math.abs(missingDeg), 2),
        })
      : '';
  if (towards === 'stays')
    return say('{place}: {angleText}, the lobe stays.{reached}', { place, angleText: angleText(readDeg), reached });
  return say(
    '{place}: {angleText}, aim {angleText2}. Turn the lobe {turnDeg}° {towards}, to {angleDeg}° from neutral: top goes {top}, to {angleText3}.{which}{reached}',
    {
      place,
      angleText: angleText(readDeg),
      angleText2: angleText(aimDeg),
      turnDeg: written(Math.abs(turnDeg), 0),
      towards,
      angleDeg: written(angleDeg, 0),
      top,
      angleText3: angleText(camberDeg),
      which: startsAway ? say(' It stands on the side that leads away from the aim.') : '',
      reached,
    },
  );
}
