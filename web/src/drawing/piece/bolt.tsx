import { say } from '#contract/wording/say.ts';
import { minorDiameterMm } from '#core/fastener/thread.ts';
import type { HardwareShape } from '../hardware-shape.ts';
import { boxed, type Drawn, type DrawnItem, HOLE, INK, pitchOf, STEEL, threadAndLength } from './drawn.ts';
import { Turns } from './Turns.tsx';

/** Round heads with the key inside; heads with points or lobes outside. */
const ROUND_HEADS: ReadonlySet<string | undefined> = new Set(['socketCap', 'button', 'sixLobe']);
const POINTED: ReadonlySet<string | undefined> = new Set(['twelvePoint', 'sixLobeOutside']);
/** A mushroom head in thread diameters: 24.65 mm of an M10 (ISO 8677, from memory). */
const CARRIAGE = 2.46;

/** A bolt from the side, its length running to the right from under the head. */
function Bolt({ shape, head }: { shape: HardwareShape; head: DrawnItem['head'] }) {
  const { diameterMm: d, lengthMm: length, acrossFlatsMm: flats, headHeightMm: k, flangeMm, thread } = shape;
  const pitch = pitchOf(shape);
  // Short bolts are threaded to the head, longer ones for about 2 d + 6 mm (ISO 888).
  const threaded = Math.min(length, 2 * d + 6);
  const root = thread ? minorDiameterMm(d, pitch) / 2 : d * 0.42;
  const width = ROUND_HEADS.has(head)
    ? d * 1.5
    : POINTED.has(head)
      ? d * 1.2
      : head === 'carriage'
        ? d * CARRIAGE
        : head === 'eye'
          ? d * 2.2
          : flats * 1.1;
  if (head === 'countersunk')
    return (
      <g>
        <path
          d={`M0 ${-d}L${k} ${-d / 2}H${length - pitch}L${length} ${-root}V${root}L${length - pitch} ${d / 2}H${k}L0 ${d}Z`}
          {...STEEL}
        />
        <rect x={0} y={-d * 0.3} width={k * 0.6} height={d * 0.6} fill="var(--ink-2)" />
        <Turns from={Math.max(k, length - threaded)} to={length} pitch={pitch} d={d} />
      </g>
    );
  return (
    <g>
      {head === 'carriage' ? (
        <>
          <path d={`M0 ${-width / 2}Q${-k * 1.6} 0 0 ${width / 2}Z`} {...STEEL} />
          {/* The square under it is as wide as the thread, and holds it in its hole. */}
          <rect x={0} y={-d * 0.53} width={d * 0.6} height={d * 1.06} {...STEEL} />
        </>
      ) : head === 'eye' ? (
        <>
          <circle cx={-k / 2} r={k / 2} {...STEEL} />
          <circle cx={-k / 2} r={k / 4} {...HOLE} />
        </>
      ) : (
        <rect x={-k} y={-width / 2} width={k} height={width} {...STEEL} />
      )}
      {(head === undefined || head === 'hex' || head === 'hexFlange') && (
        <path d={`M${-k} ${-width / 5}H0M${-k} ${width / 5}H0`} fill="none" {...INK} />
      )}
      {POINTED.has(head) && (
        <path d={[-0.3, -0.1, 0.1, 0.3].map((share) => `M${-k} ${width * share}H0`).join('')} fill="none" {...INK} />
      )}
      {ROUND_HEADS.has(head) && <rect x={-k} y={-flats / 2} width={k * 0.6} height={flats} fill="var(--ink-2)" />}
      {flangeMm && <rect x={-d * 0.14} y={-flangeMm / 2} width={d * 0.14} height={flangeMm} {...STEEL} />}
      <path d={`M0 ${-d / 2}H${length - pitch}L${length} ${-root}V${root}L${length - pitch} ${d / 2}H0Z`} {...STEEL} />
      <Turns from={length - threaded} to={length} pitch={pitch} d={d} />
    </g>
  );
}

export const bolt: Drawn = {
  lacks: threadAndLength,
  box(item, shape) {
    // The length of a countersunk screw is its whole length (ISO 888).
    if (item.head === 'countersunk') return boxed(0, shape.lengthMm, shape.diameterMm);
    const half =
      Math.max(
        shape.flangeMm ?? 0,
        shape.acrossFlatsMm * 1.1,
        item.head === 'carriage' ? shape.diameterMm * CARRIAGE : 0,
        item.head === 'eye' ? shape.headHeightMm : 0,
      ) / 2;
    return boxed(-shape.headHeightMm, shape.lengthMm, half);
  },
  Draw: ({ item, shape }) => <Bolt shape={shape} head={item.head} />,
};

/** Width between the legs of a U-bolt. */
const between = (item: Pick<DrawnItem, 'insideMm'>): number => item.insideMm ?? 0;

/** Two legs and the bow between them; its length is that of a leg, from its end to inside the bow. */
export const uBolt: Drawn = {
  lacks: (item) => threadAndLength(item) ?? (item.insideMm === undefined ? say('width between the legs') : undefined),
  box: (item, { diameterMm: d, lengthMm }) => boxed(-d, lengthMm, between(item) / 2 + d),
  Draw({ item, shape }) {
    const { diameterMm: d, lengthMm: length } = shape;
    const [inner, outer] = [between(item) / 2, between(item) / 2 + d];
    const bow = Math.min(inner, length * 0.4);
    const threaded = Math.min(length - bow, 4 * d);
    return (
      <g>
        <path
          d={`M${length} ${-outer}H${bow}A${bow + d} ${outer} 0 0 0 ${bow} ${outer}H${length}V${inner}H${bow}A${bow} ${inner} 0 0 1 ${bow} ${-inner}H${length}Z`}
          {...STEEL}
        />
        {[-1, 1].map((side) => (
          <g key={side} transform={`translate(0 ${side * (inner + d / 2)})`}>
            <Turns from={length - threaded} to={length} pitch={pitchOf(shape)} d={d} />
          </g>
        ))}
      </g>
    );
  },
};

/** A hollow bolt with its cross hole, which lets the fluid out into the eye between two washers. */
export const banjo: Drawn = {
  lacks: threadAndLength,
  box: (_, { headHeightMm, lengthMm, acrossFlatsMm }) => boxed(-headHeightMm, lengthMm, acrossFlatsMm * 0.6),
  Draw({ shape }) {
    const { diameterMm: d, lengthMm: length } = shape;
    return (
      <g>
        <Bolt shape={shape} head="hex" />
        <circle cx={length * 0.32} r={d * 0.22} {...HOLE} />
        <path
          d={`M${length * 0.32} ${-d * 0.2}H${length}M${length * 0.32} ${d * 0.2}H${length}`}
          fill="none"
          stroke="var(--ink-2)"
          strokeDasharray="2 2"
          vectorEffect="non-scaling-stroke"
        />
      </g>
    );
  },
};

/** Thread at both ends and none between them, where it is long enough for that; with a collar, what seats it. */
export const stud: Drawn = {
  lacks: threadAndLength,
  box: (item, { diameterMm: d, lengthMm }) => boxed(0, lengthMm, d * (item.form === 'collar' ? 0.8 : 0.5)),
  Draw({ item, shape }) {
    const { diameterMm: d, lengthMm: length } = shape;
    const pitch = pitchOf(shape);
    const end = Math.min(length / 2, 1.5 * d);
    const chamfer = Math.min(pitch, length / 4);
    return (
      <g>
        <path
          d={`M${chamfer} ${-d / 2}H${length - chamfer}L${length} ${-d * 0.4}V${d * 0.4}L${length - chamfer} ${d / 2}H${chamfer}L0 ${d * 0.4}V${-d * 0.4}Z`}
          {...STEEL}
        />
        <Turns from={0} to={end} pitch={pitch} d={d} />
        <Turns from={length - end} to={length} pitch={pitch} d={d} />
        {item.form === 'collar' && (
          <rect x={Math.min(1.5 * d, length * 0.4)} y={-d * 0.8} width={d * 0.3} height={d * 1.6} {...STEEL} />
        )}
      </g>
    );
  },
};
