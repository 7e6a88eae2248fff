import { ALIGNMENT_FORMAT, type Alignment, type RackAsk } from '#contract/alignment.ts';
import { changeAt } from '#core/geometry/eccentric.ts';

/** Figures of a rack repeat to about this, °. */
const REPEATS_DEG = 0.02;

/** A number between −1 and 1 that is the same for the same words. */
function settled(words: string): number {
  let hash = 2_166_136_261;
  for (const letter of words) hash = Math.imul(hash ^ letter.charCodeAt(0), 16_777_619) >>> 0;
  return (hash / 4_294_967_295) * 2 - 1;
}

/**
 * A stand-in for an alignment rack: a vehicle on it stands as its name says, always the same, and its wheels follow the
 * eccentrics it is told of. A real rack looks; this one is told.
 */
export function rackReading({ vehicle, wheels }: RackAsk, nowMs: number): Alignment {
  const tidy = (value: number) => Number(value.toFixed(2));
  return {
    format: ALIGNMENT_FORMAT,
    version: 1,
    atMs: nowMs,
    wheels: wheels.map(({ wheel, lobeDeg, authorityDeg, lobeOut }) => {
      const of = (figure: string) => settled(`${vehicle} ${wheel.toLowerCase()} ${figure}`);
      const moved =
        lobeDeg === undefined || authorityDeg === undefined || lobeOut === undefined
          ? 0
          : changeAt({ authorityDeg, lobeOut }, lobeDeg);
      return {
        wheel,
        camberDeg: tidy(-0.9 + 0.35 * of('camber') + moved + REPEATS_DEG * settled(`${vehicle} ${wheel} ${lobeDeg}`)),
        toeDeg: tidy(0.1 + 0.08 * of('toe')),
        casterDeg: tidy(3.4 + 0.4 * of('caster')),
      };
    }),
  };
}
