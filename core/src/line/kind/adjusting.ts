import type { Ask } from '../ask.ts';
import { type ActionOf, kindOf, tick } from '../line-kind.ts';

/** How near a set length has to come, mm (chosen by us: half a millimetre is what a rule shows). */
const SET_TO_MM = 0.5;

/**
 * A length set before it is fitted: at the measured baseline, equal on both sides, unless an aim is given. Beyond the
 * longest it is refused, as is an end with too little thread in mesh.
 */
export const preset = kindOf<ActionOf<'preset'>>({
  picture: 'adjuster',
  asks({ action, known }) {
    const wantedAt = (place: string): number | undefined =>
      action.lengthMm ?? (action.baseline ? known.measured(action.baseline, place) : undefined);
    return action.places.flatMap((place): Ask[] => {
      const wanted = wantedAt(place);
      return [
        {
          kind: 'number',
          key: `length ${place}`,
          about: 'length',
          what: place,
          unit: 'mm',
          expected: wanted,
          min: wanted === undefined ? undefined : wanted - SET_TO_MM,
          max: wanted === undefined ? action.longestMm : Math.min(wanted + SET_TO_MM, action.longestMm ?? Infinity),
          outside: 'refused',
        },
        {
          kind: 'number',
          key: `mesh ${place}`,
          about: 'inMesh',
          what: place,
          unit: 'mm',
          min: action.inMeshMm,
          outside: 'refused',
        },
        ...(action.movingEnds === 2 ? [tick(`equal ${place}`, 'equalThread', place)] : []),
      ];
    });
  },
});
