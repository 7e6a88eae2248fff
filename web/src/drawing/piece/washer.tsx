import { say } from '#contract/wording/say.ts';
import type { HardwareShape } from '../hardware-shape.ts';
import {
  boxed,
  type Drawn,
  type DrawnItem,
  HIDDEN,
  HOLE,
  INK,
  lengthOnly,
  outsideOnly,
  pitchOf,
  STEEL,
  threadOrAcross,
} from './drawn.ts';
import { Turns } from './Turns.tsx';

/** Outer radius of a ring. */
const radius = (item: Pick<DrawnItem, 'outsideMm'>): number => (item.outsideMm ?? 20) / 2;
const Bore = ({ item }: { item: DrawnItem }) => (item.insideMm ? <circle r={item.insideMm / 2} {...HOLE} /> : null);
const round = (item: DrawnItem) => boxed(-radius(item), radius(item), radius(item));

/** From the front: flat, wide, sealing or a shim. */
export const washer: Drawn = {
  lacks: outsideOnly,
  box: round,
  Draw: ({ item }) => (
    <>
      <circle r={radius(item)} {...STEEL} {...(item.form === 'seal' ? { fill: '#a9642c' } : {})} />
      <Bore item={item} />
    </>
  ),
};

/** A ring cut through, its ends standing apart. */
export const lockWasher: Drawn = {
  lacks: outsideOnly,
  box: round,
  Draw({ item }) {
    const r = radius(item);
    const inner = (item.insideMm ?? r) / 2;
    return (
      <>
        <circle r={r} {...STEEL} />
        <Bore item={item} />
        <path
          d={`M${inner * 0.9} ${-r * 0.06}L${r * 1.02} ${-r * 0.3}V${-r * 0.1}L${inner * 0.9} ${r * 0.1}Z`}
          {...HOLE}
        />
      </>
    );
  },
};

/** Teeth all round the outside. */
export const starWasher: Drawn = {
  lacks: outsideOnly,
  box: round,
  Draw({ item }) {
    const r = radius(item);
    const teeth = 12;
    const points = Array.from({ length: teeth * 4 }, (_, index) => {
      const angle = (2 * Math.PI * (index + 0.5)) / (teeth * 4);
      const at = index % 4 < 2 ? r : r * 0.8;
      return `${at * Math.cos(angle)},${at * Math.sin(angle)}`;
    }).join(' ');
    return (
      <>
        <polygon points={points} {...STEEL} />
        <Bore item={item} />
      </>
    );
  },
};

/** A dish: the second ring is the edge of the cone. */
export const conicalWasher: Drawn = {
  lacks: outsideOnly,
  box: round,
  Draw({ item }) {
    const r = radius(item);
    return (
      <>
        <circle r={r} {...STEEL} />
        <circle r={(r + (item.insideMm ?? r) / 2) / 2} fill="none" {...INK} />
        <Bore item={item} />
      </>
    );
  },
};

export const squareWasher: Drawn = {
  lacks: outsideOnly,
  box: round,
  Draw: ({ item }) => (
    <>
      <rect x={-radius(item)} y={-radius(item)} width={2 * radius(item)} height={2 * radius(item)} {...STEEL} />
      <Bore item={item} />
    </>
  ),
};

/** How a washer looks from its edge, at true size: flat, dished, or with its ends apart. */
export function WasherSide({ item, pxPerMm }: { item: DrawnItem & { thicknessMm?: number }; pxPerMm: number }) {
  const { thicknessMm: thick, form } = item;
  if (item.kind !== 'washer' || thick === undefined || item.outsideMm === undefined) return null;
  const r = radius(item);
  // A dish stands up by about its thickness, a split ring's ends by half of it (common practice, no source).
  const high = form === 'conical' ? thick * 2 : form === 'lock' ? thick * 1.5 : thick;
  const bore = (item.insideMm ?? r) / 2;
  return (
    <svg
      width={(high + 2) * pxPerMm}
      height={(2 * r + 2) * pxPerMm}
      viewBox={`-1 ${-r - 1} ${high + 2} ${2 * r + 2}`}
      role="img"
      aria-label={say('{name} from its edge, {thick} mm thick', { name: item.name, thick })}
      className="shrink-0"
    >
      {form === 'conical' ? (
        <path
          d={`M0 ${-bore}L${thick} ${-r}H${high}L${thick} ${-bore}V${bore}L${high} ${r}H${thick}L0 ${bore}Z`}
          {...STEEL}
        />
      ) : form === 'lock' ? (
        <path d={`M0 ${-r}H${thick}L${high} ${r * 0.1}V${r}H${high - thick}V${r * 0.1}L0 0Z`} {...STEEL} />
      ) : (
        <rect x={0} y={-r} width={thick} height={2 * r} {...STEEL} />
      )}
      <path d={`M0 ${-bore}H${high}M0 ${bore}H${high}`} {...HIDDEN} />
    </svg>
  );
}

/** A tube from the side: as long as it is, its bore dashed. Without a length it is seen from its end. */
export const collar: Drawn = {
  lacks: outsideOnly,
  box: (item) =>
    item.lengthMm === undefined
      ? round(item)
      : boxed(0, item.lengthMm, radius(item) * (item.form === 'bush' ? 1.2 : 1)),
  Draw({ item }) {
    const r = radius(item);
    const bore = (item.insideMm ?? 0) / 2;
    if (item.lengthMm === undefined)
      return (
        <>
          <circle r={r} {...STEEL} />
          <Bore item={item} />
        </>
      );
    return (
      <>
        <rect x={0} y={-r} width={item.lengthMm} height={2 * r} {...STEEL} />
        {/* A bush stands out on a flange of its own. */}
        {item.form === 'bush' && <rect x={0} y={-r * 1.2} width={item.lengthMm * 0.15} height={r * 2.4} {...STEEL} />}
        {bore > 0 && <path d={`M0 ${-bore}H${item.lengthMm}M0 ${bore}H${item.lengthMm}`} {...HIDDEN} />}
      </>
    );
  },
};

/** A sleeve's wall is about a fifth of its thread, its length one and a half (common practice, no source). */
const insertSize = (item: DrawnItem, { diameterMm: d }: HardwareShape) => ({
  outside: item.outsideMm ?? (item.thread ? d * 1.4 : d),
  length: item.lengthMm ?? d * 1.5,
});

/** A sleeve: plain, or with a thread inside and out. */
export const insert: Drawn = {
  lacks: threadOrAcross,
  box(item, shape) {
    const { outside, length } = insertSize(item, shape);
    return boxed(0, length, outside / 2);
  },
  Draw({ item, shape }) {
    const { outside, length } = insertSize(item, shape);
    // Without a thread it is a plain sleeve, with the bore it has.
    const d = item.thread ? shape.diameterMm : (item.insideMm ?? 0);
    return (
      <g>
        <rect x={0} y={-outside / 2} width={length} height={outside} {...STEEL} />
        {item.thread && <Turns from={0} to={length} pitch={pitchOf(shape) * 1.2} d={outside} />}
        <path d={`M0 ${-d / 2}H${length}M0 ${d / 2}H${length}`} {...HIDDEN} />
      </g>
    );
  },
};

/** A coil of wire, its tang across it. */
export const coilInsert: Drawn = {
  lacks: threadOrAcross,
  box(item, shape) {
    const { outside, length } = insertSize(item, shape);
    return boxed(0, length, outside / 2);
  },
  Draw({ item, shape }) {
    const { outside, length } = insertSize(item, shape);
    const pitch = pitchOf(shape);
    const turns = Math.max(2, Math.round(length / pitch));
    return (
      <path
        d={Array.from(
          { length: turns },
          (_, turn) => `M${turn * pitch} ${-outside / 2}L${(turn + 0.5) * pitch} ${outside / 2}`,
        ).join('')}
        fill="none"
        {...INK}
        strokeWidth={2}
      />
    );
  },
};

/** A long block with its thread, slid into a rail. */
export const slideIn: Drawn = {
  lacks: lengthOnly,
  box: (item, { diameterMm: d }) => boxed(0, item.lengthMm ?? 0, Math.max(d, (item.outsideMm ?? 0) / 2)),
  Draw({ item, shape: { diameterMm: d } }) {
    const [length, half] = [item.lengthMm ?? 0, Math.max(d, (item.outsideMm ?? 0) / 2)];
    return (
      <g>
        <rect x={0} y={-half} width={length} height={2 * half} {...STEEL} />
        <circle cx={length / 2} r={d / 2} {...HOLE} />
      </g>
    );
  },
};
