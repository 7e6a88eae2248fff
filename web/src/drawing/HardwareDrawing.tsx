import { minorDiameterMm } from '#core/fastener/thread.ts';
import type { PlanItem } from '#core/kit/plan.ts';
import { type HardwareShape, hardwareShape } from './hardware-shape.ts';
import { hexagon } from './StationGlyph.tsx';

const INK = { stroke: 'var(--ink)', strokeWidth: 1.6, vectorEffect: 'non-scaling-stroke' } as const;
const STEEL = { fill: 'var(--steel)', ...INK };

/** Turns of a thread from `from` to `to` along the axis. */
function Turns({ from, to, pitch, d }: { from: number; to: number; pitch: number; d: number }) {
  const count = Math.max(0, Math.floor((to - from) / pitch) - 1);
  return Array.from({ length: count }, (_, index) => {
    const x = from + (index + 1) * pitch;
    return (
      <path
        key={x}
        d={`M${x} ${-d / 2}L${x + pitch / 2} ${d / 2}`}
        fill="none"
        stroke="var(--ink)"
        strokeWidth={0.8}
        vectorEffect="non-scaling-stroke"
      />
    );
  });
}

const pitchOf = ({ thread, diameterMm }: HardwareShape): number => thread?.pitchMm ?? diameterMm * 0.15;

/** Thread at both ends and none between them, where it is long enough for that. */
function Stud({ shape }: { shape: HardwareShape }) {
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
    </g>
  );
}

/** A long nut from the side: its edges, and the thread it hides. */
function Coupler({ shape }: { shape: HardwareShape }) {
  const { diameterMm: d, lengthMm: length, acrossFlatsMm: flats } = shape;
  const width = flats * 1.155;
  return (
    <g>
      <rect x={0} y={-width / 2} width={length} height={width} {...STEEL} />
      <path d={`M0 ${-width / 4}H${length}M0 ${width / 4}H${length}`} fill="none" {...INK} />
      <path
        d={`M0 ${-d / 2}H${length}M0 ${d / 2}H${length}`}
        fill="none"
        stroke="var(--ink-2)"
        strokeDasharray="2 2"
        vectorEffect="non-scaling-stroke"
      />
    </g>
  );
}

/** A sleeve: plain, or with a thread inside and out. */
function Insert({ item, shape }: { item: PlanItem; shape: HardwareShape }) {
  const { outside, length } = insertSize(item, shape);
  // Without a thread it is a plain sleeve, with the bore it has.
  const d = item.thread ? shape.diameterMm : (item.insideMm ?? 0);
  return (
    <g>
      <rect x={0} y={-outside / 2} width={length} height={outside} {...STEEL} />
      {item.thread && <Turns from={0} to={length} pitch={pitchOf(shape) * 1.2} d={outside} />}
      <path
        d={`M0 ${-d / 2}H${length}M0 ${d / 2}H${length}`}
        fill="none"
        stroke="var(--ink-2)"
        strokeDasharray="2 2"
        vectorEffect="non-scaling-stroke"
      />
    </g>
  );
}

/** A sleeve's wall is about a fifth of its thread, its length one and a half (common practice, no source). */
const insertSize = (item: PlanItem, { diameterMm: d }: HardwareShape) => ({
  outside: item.outsideMm ?? (item.thread ? d * 1.4 : d),
  length: item.lengthMm ?? d * 1.5,
});

/** Round heads with the key inside; heads with points or lobes outside. */
const ROUND_HEADS: ReadonlySet<string | undefined> = new Set(['socketCap', 'button', 'sixLobe']);
const POINTED: ReadonlySet<string | undefined> = new Set(['twelvePoint', 'sixLobeOutside']);
/** A mushroom head in thread diameters: 24.65 mm of an M10 (ISO 8677, from memory). */
const CARRIAGE = 2.46;

/** A bolt from the side, its length running to the right from under the head. */
function Bolt({ shape, head }: { shape: HardwareShape; head: PlanItem['head'] }) {
  const { diameterMm: d, lengthMm: length, acrossFlatsMm: flats, headHeightMm: k, flangeMm, thread } = shape;
  const pitch = thread?.pitchMm ?? d * 0.15;
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
          <circle cx={-k / 2} r={k / 4} fill="var(--sheet)" {...INK} />
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

function Nut({ shape, head }: { shape: HardwareShape; head: PlanItem['head'] }) {
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
      <circle r={d / 2} fill="var(--sheet)" {...INK} />
      <circle r={d * 0.42} fill="none" stroke="var(--ink-2)" strokeDasharray="2 2" vectorEffect="non-scaling-stroke" />
    </g>
  );
}

/** Drawn size of a piece, mm. */
function extent(item: PlanItem, shape: HardwareShape): { left: number; right: number; half: number } {
  switch (item.kind) {
    case 'bolt':
      // The length of a countersunk screw is its whole length (ISO 888).
      if (item.head === 'countersunk') return { left: -1, right: shape.lengthMm + 1, half: shape.diameterMm + 1 };
      return {
        left: -shape.headHeightMm - 1,
        right: shape.lengthMm + 1,
        half:
          Math.max(
            shape.flangeMm ?? 0,
            shape.acrossFlatsMm * 1.1,
            item.head === 'carriage' ? shape.diameterMm * CARRIAGE : 0,
            item.head === 'eye' ? shape.headHeightMm : 0,
          ) /
            2 +
          1,
      };
    case 'nut': {
      const half = Math.max(shape.flangeMm ?? 0, shape.acrossFlatsMm * 1.16) / 2 + 1;
      return { left: -half, right: half, half };
    }
    case 'stud':
      return { left: -1, right: shape.lengthMm + 1, half: shape.diameterMm / 2 + 1 };
    case 'coupler':
      return { left: -1, right: shape.lengthMm + 1, half: shape.acrossFlatsMm * 0.58 + 1 };
    case 'insert': {
      const { outside, length } = insertSize(item, shape);
      return { left: -1, right: length + 1, half: outside / 2 + 1 };
    }
    case 'pin':
      return { left: -6, right: shape.lengthMm + 1, half: 6 };
    case 'compound':
      return { left: 0, right: 32, half: 8 };
    case 'part': {
      const length = item.lengthMm ?? 60;
      return { left: 0, right: length, half: Math.max(14, length * 0.09) };
    }
    default: {
      const half = (item.outsideMm ?? 20) / 2 + 1;
      return { left: -half, right: half, half };
    }
  }
}

function Piece({ item, shape }: { item: PlanItem; shape: HardwareShape }) {
  switch (item.kind) {
    case 'bolt':
      return <Bolt shape={shape} head={item.head} />;
    case 'nut':
      return <Nut shape={shape} head={item.head} />;
    case 'stud':
      return <Stud shape={shape} />;
    case 'coupler':
      return <Coupler shape={shape} />;
    case 'insert':
      return <Insert item={item} shape={shape} />;
    case 'pin':
      return (
        <path
          d={`M0 -1.600H${shape.lengthMm}M0 1.600H${shape.lengthMm - 3}M0 -1.600a3.500 3.500 0 1 0 0 3.200`}
          fill="none"
          stroke="var(--ink)"
          strokeWidth={2.5}
          vectorEffect="non-scaling-stroke"
        />
      );
    case 'compound': {
      const fill =
        item.finish === 'red'
          ? 'var(--bad)'
          : item.finish === 'blue'
            ? 'var(--medium)'
            : item.finish === 'copper'
              ? '#a9642c'
              : '#5a7d33';
      return <path d="M0 -6h20l4-3h8v18h-8l-4-3H0z" fill={fill} {...INK} transform="scale(1 0.85)" />;
    }
    case 'part': {
      // Its length is all that is known of it: the rest is dashed, and no hole is made up.
      const length = item.lengthMm ?? 60;
      const half = Math.max(12, length * 0.08);
      return (
        <>
          <rect x={0} y={-half} width={length} height={2 * half} fill="none" {...INK} strokeDasharray="5 4" />
          <path d={`M0 ${-half}V${half}M${length} ${-half}V${half}`} {...INK} />
        </>
      );
    }
    default:
      return (
        <>
          <circle r={(item.outsideMm ?? 20) / 2} {...STEEL} />
          {item.insideMm && <circle r={item.insideMm / 2} fill="var(--sheet)" {...INK} />}
        </>
      );
  }
}

/** What the data lacks for the piece to be drawn as it is; undefined where nothing does. */
export function lacksForDrawing(
  item: Pick<PlanItem, 'kind' | 'thread' | 'lengthMm' | 'acrossFlatsMm' | 'outsideMm'>,
): string | undefined {
  const { kind, thread, lengthMm, acrossFlatsMm, outsideMm } = item;
  const across = thread !== undefined || outsideMm !== undefined;
  switch (kind) {
    case 'bolt':
    case 'stud':
    case 'coupler':
      return !across ? 'thread' : lengthMm === undefined ? 'length' : undefined;
    case 'nut':
      return !across && acrossFlatsMm === undefined ? 'thread' : undefined;
    case 'insert':
      return across ? undefined : 'thread';
    case 'pin':
    case 'part':
      return lengthMm === undefined ? 'size' : undefined;
    case 'compound':
      return undefined;
    default:
      return outsideMm === undefined ? 'size' : undefined;
  }
}

/** Widest life-size drawing in a list, mm; anything longer is drawn smaller and says so. */
const WIDEST_MM = 78;

/**
 * One piece of hardware, drawn from its data at true size: lay the real one on the glass and compare.
 * `missing` draws it dashed.
 */
export function HardwareDrawing({
  item,
  pxPerMm,
  missing = false,
}: {
  item: PlanItem;
  pxPerMm: number;
  missing?: boolean;
}) {
  const lacks = lacksForDrawing(item);
  if (lacks) return <span className="text-sm text-ink-2">not drawn: {lacks} not given</span>;
  const shape = hardwareShape(item);
  const { left, right, half } = extent(item, shape);
  const widthMm = right - left;
  const shrink = widthMm > WIDEST_MM ? Math.ceil(widthMm / WIDEST_MM) : 1;
  const scale = pxPerMm / shrink;
  return (
    <span className="inline-flex items-center gap-2">
      <svg
        width={widthMm * scale}
        height={2 * half * scale}
        viewBox={`${left} ${-half} ${widthMm} ${2 * half}`}
        role="img"
        aria-label={`${item.name}, drawn ${shrink === 1 ? 'at true size' : `1 to ${shrink}`}`}
        opacity={missing ? 0.35 : 1}
        className="shrink-0"
      >
        <Piece item={item} shape={shape} />
      </svg>
      {shrink > 1 && <span className="figures text-xs text-ink-2">1:{shrink}</span>}
    </span>
  );
}
