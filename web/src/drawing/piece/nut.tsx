import type { HardwareShape } from '../hardware-shape.ts';
import { hexagon } from '../StationGlyph.tsx';
import {
  boxed,
  type Drawn,
  type DrawnItem,
  HIDDEN,
  HOLE,
  INK,
  pitchOf,
  SOFT,
  STEEL,
  threadAndLength,
} from './drawn.ts';
import { Turns } from './Turns.tsx';

const lacks: Drawn['lacks'] = ({ thread, outsideMm, acrossFlatsMm }) =>
  thread === undefined && outsideMm === undefined && acrossFlatsMm === undefined ? 'thread' : undefined;

function Bore({ d }: { d: number }) {
  return (
    <>
      <circle r={d / 2} {...HOLE} />
      <circle r={d * 0.42} {...HIDDEN} />
    </>
  );
}

function HexNut({ shape, head, locking }: { shape: HardwareShape } & Pick<DrawnItem, 'head' | 'locking'>) {
  const { diameterMm: d, acrossFlatsMm: flats, flangeMm } = shape;
  return (
    <g>
      {flangeMm && <circle r={flangeMm / 2} {...STEEL} />}
      <polygon points={hexagon(flats)} {...STEEL} />
      {head === 'castle' &&
        [0, 60, 120].map((angle) => (
          <rect
            key={angle}
            x={-d * 0.12}
            y={-flats / 2}
            width={d * 0.24}
            height={flats}
            fill="var(--sheet)"
            transform={`rotate(${angle})`}
          />
        ))}
      {locking === 'nylon' && <circle r={flats * 0.4} {...SOFT} />}
      <Bore d={d} />
    </g>
  );
}

export const nut: Drawn = {
  lacks,
  box(_, { flangeMm, acrossFlatsMm }) {
    const half = Math.max(flangeMm ?? 0, acrossFlatsMm * 1.16) / 2;
    return boxed(-half, half, half);
  },
  Draw: ({ item, shape }) => <HexNut shape={shape} head={item.head} locking={item.locking} />,
};

/** A cylinder with its thread across it; half as thick again as the thread, twice as long (common practice, no source). */
export const barrel: Drawn = {
  lacks,
  box: (item, { diameterMm: d }) => boxed(0, item.lengthMm ?? d * 2, (item.outsideMm ?? d * 1.6) / 2),
  Draw({ item, shape: { diameterMm: d } }) {
    const [length, outside] = [item.lengthMm ?? d * 2, item.outsideMm ?? d * 1.6];
    return (
      <g>
        <rect x={0} y={-outside / 2} width={length} height={outside} rx={outside * 0.08} {...STEEL} />
        <g transform={`translate(${length / 2} 0)`}>
          <Bore d={d} />
        </g>
        {/* The slot says which way the thread looks once it is in its hole. */}
        <path d={`M0 0H${length * 0.16}`} {...INK} />
      </g>
    );
  },
};

/** A hexagon with its three nibs (DIN 929, from memory). */
export const weld: Drawn = {
  lacks,
  box: (_, { acrossFlatsMm }) => boxed(-acrossFlatsMm * 0.6, acrossFlatsMm * 0.6, acrossFlatsMm * 0.6),
  Draw: ({ shape }) => (
    <g>
      <polygon points={hexagon(shape.acrossFlatsMm)} {...STEEL} />
      {[0, 120, 240].map((angle) => (
        <circle
          key={angle}
          cy={-shape.acrossFlatsMm * 0.46}
          r={shape.diameterMm * 0.13}
          fill="var(--ink-2)"
          transform={`rotate(${angle})`}
        />
      ))}
      <circle r={shape.acrossFlatsMm * 0.36} fill="none" {...INK} />
      <Bore d={shape.diameterMm} />
    </g>
  ),
};

/** Sprung sheet that is pushed over an edge, from the side: two leaves, the thread through both. */
export const clipNut: Drawn = {
  lacks,
  box: (_, { diameterMm: d }) => boxed(0, d * 3, d * 0.8),
  Draw: ({ shape: { diameterMm: d } }) => (
    <g>
      <path
        d={`M${d * 3} ${-d * 0.45}L${d * 2.4} ${-d * 0.3}H${d * 0.3}A${d * 0.3} ${d * 0.3} 0 0 0 ${d * 0.3} ${d * 0.3}H${d * 2.8}`}
        fill="none"
        {...INK}
        strokeWidth={3}
      />
      <rect x={d * 1.1} y={-d * 0.75} width={d} height={d * 0.45} {...STEEL} />
      <path d={`M${d * 1.25} ${-d * 0.75}V${d * 0.5}M${d * 1.95} ${-d * 0.75}V${d * 0.5}`} {...HIDDEN} />
    </g>
  ),
};

/** A flange and a thin barrel that swells behind the sheet; half as thick again as its thread (common practice, no source). */
export const rivetNut: Drawn = {
  lacks,
  box: (item, { diameterMm: d }) => boxed(0, item.lengthMm ?? d * 2.2, d),
  Draw({ item, shape }) {
    const d = shape.diameterMm;
    const length = item.lengthMm ?? d * 2.2;
    return (
      <g>
        <rect x={0} y={-d * 0.95} width={d * 0.2} height={d * 1.9} {...STEEL} />
        <rect x={d * 0.2} y={-d * 0.75} width={length - d * 0.2} height={d * 1.5} {...STEEL} />
        <path d={`M${d * 0.2} ${-d * 0.5}H${length * 0.5}M${d * 0.2} ${d * 0.5}H${length * 0.5}`} {...HIDDEN} />
        <g transform={`translate(${length * 0.5} 0)`}>
          <Turns from={0} to={length * 0.5} pitch={pitchOf(shape)} d={d} />
        </g>
      </g>
    );
  },
};

/** A thread on a plate with two holes for its rivets. */
export const nutPlate: Drawn = {
  lacks,
  box: (_, { diameterMm: d }) => boxed(-d * 2, d * 2, d),
  Draw: ({ shape: { diameterMm: d } }) => (
    <g>
      <rect x={-d * 2} y={-d} width={d * 4} height={d * 2} rx={d * 0.6} {...STEEL} />
      <circle r={d * 0.8} fill="none" {...INK} />
      <Bore d={d} />
      {[-1, 1].map((side) => (
        <circle key={side} cx={side * d * 1.45} r={d * 0.2} {...HOLE} />
      ))}
    </g>
  ),
};

/** A hexagon under a dome, from the side. */
export const capNut: Drawn = {
  lacks,
  box: (_, { diameterMm: d, acrossFlatsMm: flats }) => boxed(0, d * 1.6, flats * 0.58),
  Draw: ({ shape: { diameterMm: d, acrossFlatsMm: flats } }) => (
    <g>
      <rect x={0} y={-flats * 0.577} width={d * 0.8} height={flats * 1.155} {...STEEL} />
      <path d={`M0 ${-flats * 0.29}H${d * 0.8}M0 ${flats * 0.29}H${d * 0.8}`} fill="none" {...INK} />
      <path
        d={`M${d * 0.8} ${-flats * 0.45}A${d * 0.8} ${flats * 0.45} 0 0 1 ${d * 0.8} ${flats * 0.45}Z`}
        {...STEEL}
      />
    </g>
  ),
};

/** A long nut from the side: its edges, and the thread it hides. */
export const coupler: Drawn = {
  lacks: threadAndLength,
  box: (_, { lengthMm, acrossFlatsMm }) => boxed(0, lengthMm, acrossFlatsMm * 0.58),
  Draw({ shape: { diameterMm: d, lengthMm: length, acrossFlatsMm: flats } }) {
    const width = flats * 1.155;
    return (
      <g>
        <rect x={0} y={-width / 2} width={length} height={width} {...STEEL} />
        <path d={`M0 ${-width / 4}H${length}M0 ${width / 4}H${length}`} fill="none" {...INK} />
        <path d={`M0 ${-d / 2}H${length}M0 ${d / 2}H${length}`} {...HIDDEN} />
      </g>
    );
  },
};
