import { type SpacerOn, spacerRange } from '#core/kit/owner-spacer.ts';

/** What a stud and its nut take of a spacer, beside the question for its thickness. */
export function spacerText(on: SpacerOn): string {
  const range = spacerRange(on);
  if (!range) return 'The stud’s thread cannot be read: no spacer can be judged by it.';
  const { leastMm, mostMm } = range;
  const most = Number(mostMm.toFixed(1));
  if (mostMm <= leastMm)
    return `This stud takes no spacer: ${most} mm at most, and the closed nut bottoms below ${Number(leastMm.toFixed(1))} mm.`;
  return `This stud takes at most ${most} mm${leastMm > 0 ? `, and at least ${Number(leastMm.toFixed(1))} mm, or the closed nut bottoms on it` : ''}.`;
}
