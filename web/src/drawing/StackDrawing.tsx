import { COMPOUND_TEXT } from '#contract/wording/en/terms.ts';
import { say } from '#contract/wording/say.ts';
import type { Compound } from '#core/compound/compound.ts';
import type { PlanItem, PlanStation } from '#core/kit/plan.ts';
import { hardwareShape } from './hardware-shape.ts';

const COMPOUND_FILL: Record<Compound['kind'], string> = {
  threadlockerLow: 'var(--steel)',
  threadlockerMedium: 'var(--medium)',
  threadlockerHigh: 'var(--bad)',
  antiSeize: '#a9642c',
  grease: '#5a7d33',
  sealant: '#5a7d33',
  retaining: '#5a7d33',
};

/** What is turned on the thread: a collar and a coupler are nuts of their own length. */
const TURNED_ON: ReadonlySet<string> = new Set(['nut', 'collar', 'coupler']);

interface Layer {
  key: string;
  name: string;
  heightMm: number;
  halfMm: number;
  kind: 'washer' | 'nut' | 'clamped' | 'other';
}

/** Thin layers are drawn at least this thick, so that a washer is seen. */
const THINNEST_MM = 2.2;

/** The stack of a station cut through, from head to nut, in the order it goes together. */
export function StackDrawing({
  station,
  items,
  compound,
}: {
  station: PlanStation;
  items: ReadonlyMap<string, PlanItem>;
  compound?: Compound;
}) {
  const hardware = station.stack.map((piece, index) => ({
    piece,
    index,
    item: piece.kind === 'hardware' ? items.get(piece.item) : undefined,
  }));
  const bolt = hardware.find((entry) => entry.item?.kind === 'bolt' || entry.item?.kind === 'stud');
  const stud = bolt?.item?.kind === 'stud';
  const countersunk = bolt?.item?.head === 'countersunk';
  const boltShape = bolt?.item && hardwareShape(bolt.item);
  const d =
    boltShape?.diameterMm ??
    hardwareShape(hardware.find((entry) => entry.item?.thread)?.item ?? { kind: 'bolt' }).diameterMm;
  const layers: Layer[] = hardware
    .filter((entry) => entry !== bolt && entry.item?.kind !== 'pin')
    .map(({ piece, index, item }) => {
      const key = `${index}`;
      if (piece.kind === 'clamped')
        return {
          key,
          name: piece.name,
          heightMm: Math.max(THINNEST_MM, Math.min(piece.thicknessMm, d * 2.4)),
          halfMm: d * 2.3,
          kind: 'clamped',
        };
      const shape = item && hardwareShape(item);
      if (item && TURNED_ON.has(item.kind))
        return {
          key,
          name: item.name,
          heightMm: d * 0.85,
          halfMm: (shape?.acrossFlatsMm ?? d * 1.6) * 0.55,
          kind: 'nut',
        };
      return {
        key,
        name: item?.name ?? piece.item,
        heightMm: Math.max(THINNEST_MM, item?.thicknessMm ?? THINNEST_MM),
        halfMm: (item?.outsideMm ?? d * 2) / 2,
        kind: item?.kind === 'washer' ? 'washer' : 'other',
      };
    });
  const grip = layers.reduce((sum, layer) => sum + layer.heightMm, 0);
  // A stud has no head; a countersunk one is level with the part.
  const headHeight = !boltShape || countersunk ? 0 : stud ? d * 0.3 : boltShape.headHeightMm;
  const shank = boltShape ? Math.max(grip + d * 0.3, Math.min(boltShape.lengthMm, grip + d)) : grip;
  const halfWidth = Math.max(d * 2.3, ...layers.map((layer) => layer.halfMm)) + 1;
  const height = headHeight + shank + 3;
  let top = 0;
  const nutTop = layers.filter((layer) => layer.kind !== 'nut').reduce((sum, layer) => sum + layer.heightMm, 0);
  const ink = { stroke: 'var(--ink)', strokeWidth: 1.5, vectorEffect: 'non-scaling-stroke' } as const;
  return (
    <svg
      className="h-full max-h-60 w-full"
      viewBox={`${-halfWidth} ${-headHeight - 1} ${2 * halfWidth} ${height}`}
      role="img"
      aria-label={say('Stack from head to nut: {hardware}{which}', {
        hardware: hardware
          .map(({ piece, item }) => (piece.kind === 'clamped' ? piece.name : (item?.name ?? piece.item)))
          .join(', '),
        which: compound ? say('; {compoundText} on the thread', { compoundText: COMPOUND_TEXT[compound.kind] }) : '',
      })}
    >
      {layers.map((layer) => {
        const y = top;
        top += layer.heightMm;
        const fill =
          layer.kind === 'clamped' ? 'var(--floor)' : layer.kind === 'other' ? 'var(--ink-2)' : 'var(--sheet)';
        return (
          <rect
            key={layer.key}
            x={-layer.halfMm}
            y={y}
            width={2 * layer.halfMm}
            height={layer.heightMm}
            fill={fill}
            {...ink}
          />
        );
      })}
      {boltShape && (
        <>
          {!stud && !countersunk && (
            <rect
              x={-boltShape.acrossFlatsMm * 0.55}
              y={-headHeight}
              width={boltShape.acrossFlatsMm * 1.1}
              height={headHeight}
              fill="var(--ink)"
              {...ink}
            />
          )}
          {!stud && !countersunk && boltShape.flangeMm && (
            <rect
              x={-boltShape.flangeMm / 2}
              y={-d * 0.14}
              width={boltShape.flangeMm}
              height={d * 0.14}
              fill="var(--ink)"
              {...ink}
            />
          )}
          <rect
            x={-d / 2}
            y={stud ? -headHeight : 0}
            width={d}
            height={shank + (stud ? headHeight : 0)}
            fill="var(--steel)"
            {...ink}
          />
          {countersunk && <path d={`M${-d} 0H${d}L${d / 2} ${d / 2}H${-d / 2}Z`} fill="var(--ink)" {...ink} />}
          {compound && (
            <rect
              x={-d / 2}
              y={nutTop}
              width={d}
              height={Math.min(d * 0.85, shank - nutTop)}
              fill={COMPOUND_FILL[compound.kind]}
              {...ink}
            />
          )}
          {Array.from({ length: Math.floor((shank * 0.5) / 1.6) }, (_, index) => {
            const y = shank - 1 - index * 1.6;
            return (
              <path
                key={y}
                d={`M${-d / 2} ${y}L${d / 2} ${y - 0.8}`}
                stroke="var(--ink)"
                strokeWidth={0.8}
                vectorEffect="non-scaling-stroke"
              />
            );
          })}
        </>
      )}
    </svg>
  );
}
