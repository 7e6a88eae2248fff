import { type SpacerOn, spacerRange } from '#core/kit/owner-spacer.ts';
import { say } from './say.ts';

/** What a stud and its nut take of a spacer, beside the question for its thickness. */
export function spacerText(on: SpacerOn): string {
  const range = spacerRange(on);
  if (!range) return say('The stud’s thread cannot be read: no spacer can be judged by it.');
  const { leastMm, mostMm } = range;
  const most = Number(mostMm.toFixed(1));
  if (mostMm <= leastMm)
    return say('This stud takes no spacer: {most} mm at most, and the closed nut bottoms below {leastMm} mm.', {
      most,
      leastMm: Number(leastMm.toFixed(1)),
    });
  return say('This stud takes at most {most} mm{which}.', {
    most,
    which:
      leastMm > 0
        ? say(', and at least {leastMm} mm, or the closed nut bottoms on it', { leastMm: Number(leastMm.toFixed(1)) })
        : '',
  });
}
