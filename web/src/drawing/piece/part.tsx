import type { ComponentType } from 'react';
import type { PieceForm } from '#core/kit/piece-kind.ts';
import { boxed, type Drawn, type DrawnItem, HOLE, INK, type SizedItem, STEEL } from './drawn.ts';

/** How wide a silhouette is where its data does not say: share of its length (chosen by us). */
const SHARE: Partial<Record<PieceForm, number>> = {
  plate: 0.6,
  angle: 0.7,
  channel: 0.6,
  arm: 0.22,
  bar: 0.09,
  pipe: 0.16,
  bentPipe: 0.4,
  elbow: 1,
  hose: 0.12,
  block: 0.5,
  coilSpring: 0.4,
  leafSpring: 0.1,
  ring: 1,
  key: 0.3,
};

/** Extent of an outline of its own. */
function extentOf(points: ReadonlyArray<[number, number]>) {
  const [xs, ys] = [points.map(([x]) => x), points.map(([, y]) => y)];
  const [left, top] = [Math.min(...xs), Math.min(...ys)];
  return { left, top, width: Math.max(...xs) - left, height: Math.max(...ys) - top };
}

/** Length and width of a part as it is drawn, mm. */
function sizeOf(item: SizedItem): { length: number; width: number } {
  if (item.outline) {
    const { width, height } = extentOf(item.outline.points);
    return { length: width, width: height };
  }
  const length = item.lengthMm ?? 60;
  return { length, width: item.outsideMm ?? Math.max(12, length * (SHARE[item.form as PieceForm] ?? 0.16)) };
}

interface Size {
  length: number;
  width: number;
}
type Silhouette = ComponentType<Size>;

/** A tube along a path: its wall in ink, its inside in steel. */
const Tube = ({ path, bore }: { path: string; bore: number }) => (
  <>
    <path d={path} fill="none" stroke="var(--ink)" strokeWidth={bore} />
    <path d={path} fill="none" stroke="var(--steel)" strokeWidth={bore * 0.86} />
  </>
);

const SILHOUETTES: Partial<Record<PieceForm, Silhouette>> = {
  plate: ({ length: l, width: w }) => (
    <rect x={0} y={-w / 2} width={l} height={w} rx={Math.min(6, w * 0.1)} {...STEEL} />
  ),
  // From its side: two flanges, the bend between them.
  angle: ({ length: l, width: w }) => (
    <path d={`M0 ${-w / 2}H${l * 0.12}V${w / 2 - l * 0.12}H${l}V${w / 2}H0Z`} {...STEEL} />
  ),
  channel: ({ length: l, width: w }) => (
    <path d={`M0 ${-w / 2}H${l * 0.1}V${w / 2 - l * 0.1}H${l * 0.9}V${-w / 2}H${l}V${w / 2}H0Z`} {...STEEL} />
  ),
  // An eye at each end.
  arm: ({ length: l, width: w }) => (
    <>
      <path d={`M${w / 2} ${-w * 0.28}H${l - w / 2}V${w * 0.28}H${w / 2}Z`} {...STEEL} />
      {[w / 2, l - w / 2].map((x) => (
        <g key={x}>
          <circle cx={x} r={w / 2} {...STEEL} />
          <circle cx={x} r={w * 0.22} {...HOLE} />
        </g>
      ))}
    </>
  ),
  bar: ({ length: l, width: w }) => <rect x={0} y={-w / 2} width={l} height={w} rx={w / 2} {...STEEL} />,
  pipe: ({ length: l, width: w }) => (
    <>
      <rect x={0} y={-w / 2} width={l} height={w} {...STEEL} />
      {/* The bead a clamp sits behind. */}
      {[l * 0.04, l * 0.94].map((x) => (
        <rect key={x} x={x} y={-w * 0.56} width={l * 0.02} height={w * 1.12} {...STEEL} />
      ))}
    </>
  ),
  bentPipe: ({ length: l, width: w }) => {
    const bore = w * 0.35;
    return (
      <Tube
        path={`M0 ${w / 2 - bore / 2}H${l * 0.4}Q${l * 0.6} ${w / 2 - bore / 2} ${l * 0.75} ${-w * 0.1}L${l * 0.95} ${-w / 2 + bore / 2}`}
        bore={bore}
      />
    );
  },
  elbow: ({ length: l, width: w }) => {
    const bore = Math.min(l, w) * 0.45;
    return (
      <Tube
        path={`M0 ${-w / 2 + bore / 2}H${l * 0.35}Q${l - bore / 2} ${-w / 2 + bore / 2} ${l - bore / 2} ${w * 0.1}V${w / 2}`}
        bore={bore}
      />
    );
  },
  hose: ({ length: l, width: w }) => {
    const bore = w * 0.5;
    return <Tube path={`M0 ${w * 0.2}C${l * 0.3} ${-w * 0.6} ${l * 0.6} ${w * 0.7} ${l} ${-w * 0.15}`} bore={bore} />;
  },
  block: ({ length: l, width: w }) => (
    <>
      <rect x={0} y={-w / 2} width={l} height={w} {...STEEL} />
      <path d={`M0 ${-w * 0.38}H${l}`} {...INK} />
    </>
  ),
  coilSpring: ({ length: l, width: w }) => {
    const coils = 7;
    const wire = Math.max(2, w * 0.1);
    const step = (l - wire) / coils;
    const path = Array.from(
      { length: coils },
      (_, index) =>
        `${index === 0 ? 'M' : 'L'}${wire / 2 + index * step} ${-w / 2 + wire / 2}L${wire / 2 + (index + 0.5) * step} ${w / 2 - wire / 2}`,
    ).join('');
    return <Tube path={`${path}L${l - wire / 2} ${-w / 2 + wire / 2}`} bore={wire} />;
  },
  leafSpring: ({ length: l, width: w }) => (
    <path
      d={`M0 ${-w / 2}Q${l / 2} ${w * 0.7} ${l} ${-w / 2}V${-w * 0.1}Q${l / 2} ${w * 1.1} 0 ${-w * 0.1}Z`}
      {...STEEL}
    />
  ),
  ring: ({ length: l }) => (
    <>
      <circle cx={l / 2} r={l / 2} {...STEEL} />
      <circle cx={l / 2} r={l * 0.36} {...HOLE} />
    </>
  ),
  key: ({ length: l, width: w }) => (
    <>
      <path
        d={`M${w} ${-w * 0.12}H${l}V${w * 0.3}H${l * 0.92}V${w * 0.12}H${l * 0.85}V${w * 0.3}H${l * 0.78}V${w * 0.12}H${w}Z`}
        {...STEEL}
      />
      <circle cx={w / 2} r={w / 2} {...STEEL} />
      <circle cx={w / 2} r={w * 0.2} {...HOLE} />
    </>
  ),
};

/** Nothing but its length is known: the rest is dashed, and no hole is made up. */
const Unknown: Silhouette = ({ length: l, width: w }) => (
  <>
    <rect x={0} y={-w / 2} width={l} height={w} fill="none" {...INK} strokeDasharray="5 4" />
    <path d={`M0 ${-w / 2}V${w / 2}M${l} ${-w / 2}V${w / 2}`} {...INK} />
  </>
);

function OwnOutline({ outline }: { outline: NonNullable<DrawnItem['outline']> }) {
  const { left, top, height } = extentOf(outline.points);
  return (
    <g transform={`translate(${-left} ${-top - height / 2})`}>
      <polygon points={outline.points.map((point) => point.join(',')).join(' ')} {...STEEL} />
      {outline.holes?.map(({ xMm, yMm, acrossMm }) => (
        <circle key={`${xMm} ${yMm}`} cx={xMm} cy={yMm} r={acrossMm / 2} {...HOLE} />
      ))}
    </g>
  );
}

/**
 * A part by its outline, else the silhouette of its form. Drawn as the left one; the right one is its mirror image. Its
 * stamp stands on it.
 */
export const part: Drawn = {
  lacks: (item) => (item.lengthMm === undefined && item.outline === undefined ? 'size' : undefined),
  box(item) {
    const { length, width } = sizeOf(item);
    return boxed(0, length, width / 2);
  },
  Draw({ item }) {
    const size = sizeOf(item);
    const Shape = (item.form && SILHOUETTES[item.form]) ?? Unknown;
    const letter = Math.max(3, Math.min(size.width * 0.5, size.length * 0.16, 14));
    return (
      <>
        <g transform={item.side === 'right' ? 'scale(1 -1)' : undefined}>
          {item.outline ? <OwnOutline outline={item.outline} /> : <Shape {...size} />}
        </g>
        {item.mark && (
          <text
            x={size.length / 2}
            textAnchor="middle"
            dominantBaseline="central"
            fontSize={letter}
            fontWeight={700}
            paintOrder="stroke"
            stroke="var(--steel)"
            strokeWidth={letter * 0.3}
            style={{ fill: 'var(--ink)' }}
          >
            {item.mark}
          </text>
        )}
      </>
    );
  },
};
