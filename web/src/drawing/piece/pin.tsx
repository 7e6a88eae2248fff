import { boxed, type Drawn, type DrawnItem, HIDDEN, HOLE, INK, lengthOnly, STEEL } from './drawn.ts';

/** How thick a pin is; where nothing says, an eighth of its length, as usual for one that is bent open. */
const thick = (item: Pick<DrawnItem, 'outsideMm' | 'lengthMm'>): number => item.outsideMm ?? (item.lengthMm ?? 30) / 8;

/** Two half-round legs and an eye; the longer leg is bent first. The eye is about twice as wide as the pin (ISO 1234, from memory). */
export const splitPin: Drawn = {
  lacks: lengthOnly,
  box: (item, { lengthMm }) => boxed(-thick(item) * 2.4, lengthMm, thick(item) * 1.1),
  Draw({ item, shape: { lengthMm: length } }) {
    const d = thick(item);
    return (
      <g>
        <circle cx={-d * 1.2} r={d} fill="none" {...INK} strokeWidth={3} />
        <rect x={-d * 0.3} y={-d / 2} width={length + d * 0.3} height={d / 2} {...STEEL} />
        <rect x={-d * 0.3} y={0} width={length * 0.93 + d * 0.3} height={d / 2} {...STEEL} />
      </g>
    );
  },
};

/** One straight leg through the hole, one bowed over the outside. */
export const rClip: Drawn = {
  lacks: lengthOnly,
  box: (item, { lengthMm }) => boxed(0, lengthMm, Math.max(5, lengthMm * 0.16, thick(item))),
  Draw({ shape: { lengthMm: length } }) {
    const w = Math.max(4, length * 0.14);
    return (
      <path
        d={`M${length} ${w * 0.6}H${w}A${w * 0.8} ${w * 0.8} 0 1 1 ${w} ${-w * 0.6}Q${length * 0.35} ${-w * 1.1} ${length * 0.5} ${w * 0.2}Q${length * 0.7} ${-w * 1.2} ${length * 0.92} ${-w * 0.6}`}
        fill="none"
        {...INK}
        strokeWidth={3}
      />
    );
  },
};

/** Smooth and round, its ends eased; a roll pin is slit along. */
export const smoothPin: Drawn = {
  lacks: lengthOnly,
  box: (item, { lengthMm }) => boxed(0, lengthMm, thick(item) / 2),
  Draw({ item, shape: { lengthMm: length } }) {
    const d = thick(item);
    return (
      <g>
        <rect x={0} y={-d / 2} width={length} height={d} rx={d * 0.15} {...STEEL} />
        {item.form === 'roll' && <path d={`M0 ${d * 0.12}H${length}`} {...HIDDEN} />}
      </g>
    );
  },
};

/** A head, a smooth shank and a hole for the split pin. */
export const clevisPin: Drawn = {
  lacks: lengthOnly,
  box: (item, { lengthMm }) => boxed(-thick(item) * 0.35, lengthMm, thick(item) * 0.75),
  Draw({ item, shape: { lengthMm: length } }) {
    const d = thick(item);
    return (
      <g>
        <rect x={-d * 0.35} y={-d * 0.75} width={d * 0.35} height={d * 1.5} {...STEEL} />
        <rect x={0} y={-d / 2} width={length} height={d} {...STEEL} />
        <circle cx={length - d * 0.5} r={d * 0.13} {...HOLE} />
      </g>
    );
  },
};
