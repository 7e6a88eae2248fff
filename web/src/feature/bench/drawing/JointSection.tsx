/** What a cut through a bolted joint shows, mm. */

import { say } from '#contract/wording/say.ts';
import { written } from '#core/quantity/display.ts';
import { tell } from '../../../ui/tell.ts';
export interface JointSectionProps {
  diameterMm: number;
  bearingMm: number;
  holeMm: number;
  headMm: number;
  gripMm: number;
  /** Under the head, where there is one. */
  washer?: { outsideMm: number; thicknessMm: number };
  /** Nut height, or the depth of thread in the part below. */
  engagedMm: number;
  into: 'nut' | 'tapped';
  /** Half of the cone's spread on each side, mm per mm; left out, no cone is drawn. */
  coneSlope?: number;
  partHalfMm?: number;
  /** Engagement asked for; drawn beside the real one. */
  neededMm?: number;
  label: string;
  note?: string;
}

const HEIGHT = 300;
const WIDTH = 420;

/** A cut through the joint to scale: head, parts with their pressure cone, and the thread that holds. */
export function JointSection(props: JointSectionProps) {
  const { diameterMm: d, bearingMm, holeMm, headMm, gripMm, engagedMm, into, coneSlope, neededMm, label, note } = props;
  const { washer } = props;
  const below = Math.max(engagedMm, neededMm ?? 0) + (into === 'tapped' ? 0.5 * d : 0.4 * d);
  const washerMm = washer?.thicknessMm ?? 0;
  const tall = headMm + washerMm + gripMm + below + 0.3 * d;
  const half = Math.max(props.partHalfMm ?? 0, bearingMm * 0.95, d * 1.6, (washer?.outsideMm ?? 0) * 0.6);
  const scale = Math.min((HEIGHT - 24) / tall, (WIDTH - 170) / (2 * half));
  const cx = half * scale + 12;
  const top = 12;
  const px = (mm: number) => mm * scale;
  const seat = top + px(headMm + washerMm);
  const end = seat + px(gripMm);
  const partHalf = px(half);
  const cone = coneSlope === undefined ? undefined : px(gripMm / (into === 'nut' ? 2 : 1)) * coneSlope;
  const threadTo = end + px(into === 'nut' ? engagedMm + 0.3 * d : engagedMm);
  const coneEnd = into === 'nut' ? seat + px(gripMm / 2) : end;
  const b = px(bearingMm / 2);
  const threads = Math.max(3, Math.floor((threadTo - (end - px(Math.min(gripMm, d)))) / 5));
  return (
    // biome-ignore lint/a11y/noNoninteractiveTabindex: it slides, and a keyboard slides it too
    <div className="overflow-x-auto" tabIndex={0}>
      <svg viewBox={`0 0 ${WIDTH} ${HEIGHT}`} className="w-full min-w-105" role="img" aria-label={label}>
        {[-1, 1].map((side) => (
          <rect
            key={side}
            x={side < 0 ? cx - partHalf : cx + px(holeMm / 2)}
            y={seat}
            width={partHalf - px(holeMm / 2)}
            height={px(gripMm)}
            fill="var(--sheet)"
            stroke="var(--ink)"
            strokeWidth={1.5}
          />
        ))}
        <line
          x1={cx - partHalf}
          x2={cx - px(holeMm / 2)}
          y1={seat + px(gripMm) / 2}
          y2={seat + px(gripMm) / 2}
          stroke="var(--ink)"
        />
        <line
          x1={cx + px(holeMm / 2)}
          x2={cx + partHalf}
          y1={seat + px(gripMm) / 2}
          y2={seat + px(gripMm) / 2}
          stroke="var(--ink)"
        />
        {cone !== undefined && (
          <path
            d={
              into === 'nut'
                ? `M${cx - b} ${seat}L${cx - Math.min(partHalf, b + cone)} ${coneEnd}L${cx - b} ${end}H${cx + b}L${cx + Math.min(partHalf, b + cone)} ${coneEnd}L${cx + b} ${seat}z`
                : `M${cx - b} ${seat}L${cx - Math.min(partHalf, b + cone)} ${end}H${cx + Math.min(partHalf, b + cone)}L${cx + b} ${seat}z`
            }
            fill="var(--band)"
            fillOpacity={0.75}
          />
        )}
        {into === 'tapped' && (
          <rect
            x={cx - partHalf}
            y={end}
            width={2 * partHalf}
            height={px(below)}
            fill="var(--bench)"
            stroke="var(--ink)"
            strokeWidth={1.5}
          />
        )}
        <rect
          x={cx - px(d / 2)}
          y={seat}
          width={px(d)}
          height={threadTo - seat}
          fill="var(--steel)"
          stroke="var(--ink)"
          strokeWidth={1.5}
        />
        {Array.from({ length: threads }, (_, i) => {
          const y = threadTo - 2 - i * 5;
          return (
            <line
              key={y}
              x1={cx - px(d / 2)}
              x2={cx + px(d / 2)}
              y1={y}
              y2={y - 2}
              stroke="var(--ink)"
              strokeWidth={0.75}
            />
          );
        })}
        <rect x={cx - b} y={top} width={2 * b} height={px(headMm)} fill="var(--ink)" />
        {washer && (
          <rect
            data-washer
            x={cx - px(washer.outsideMm / 2)}
            y={top + px(headMm)}
            width={px(washer.outsideMm)}
            height={px(washerMm)}
            fill="var(--rule)"
            stroke="var(--ink)"
            strokeWidth={1.5}
          />
        )}
        {into === 'nut' && (
          <>
            <rect x={cx - b} y={end} width={b - px(d / 2)} height={px(engagedMm)} fill="var(--ink)" />
            <rect x={cx + px(d / 2)} y={end} width={b - px(d / 2)} height={px(engagedMm)} fill="var(--ink)" />
          </>
        )}
        {neededMm !== undefined && (
          <g>
            <path
              d={`M${cx + px(d / 2) + 6} ${end}h10v${px(neededMm)}h-10`}
              fill="none"
              stroke={neededMm > engagedMm + 1e-9 ? 'var(--bad)' : 'var(--ink)'}
              strokeWidth={2}
            />
            <text x={cx + px(d / 2) + 22} y={end + px(neededMm) / 2 - 4} className="figures" fontSize={13}>
              {tell('needs {neededMm} mm', { neededMm: written(neededMm, 1) })}
            </text>
            <text x={cx + px(d / 2) + 22} y={end + px(neededMm) / 2 + 13} className="figures" fontSize={13}>
              {tell('has {engagedMm} mm', { engagedMm: written(engagedMm, 1) })}
            </text>
          </g>
        )}
        <g className="figures" fontSize={13}>
          <path
            d={`M${cx + partHalf + 10} ${seat}h8M${cx + partHalf + 14} ${seat}V${end}M${cx + partHalf + 10} ${end}h8`}
            stroke="var(--ink-2)"
            fill="none"
          />
          <text x={cx + partHalf + 24} y={(seat + end) / 2 + 4}>
            {Number(gripMm.toFixed(1))} mm
          </text>
          <text x={cx + partHalf + 24} y={(seat + end) / 2 + 20} fontSize={11} style={{ fill: 'var(--ink-2)' }}>
            {say('clamped')}
          </text>
          <text x={cx + b + 8} y={top + 12}>
            {tell('face {bearingMm}', { bearingMm: Number(bearingMm.toFixed(2)) })}
          </text>
          <text x={cx + b + 8} y={top + 27} style={{ fill: 'var(--ink-2)' }}>
            {tell('hole {holeMm}', { holeMm: Number(holeMm.toFixed(2)) })}
          </text>
          {note && (
            <text x={cx + partHalf + 24} y={HEIGHT - 12} fontSize={12} style={{ fill: 'var(--ink-2)' }}>
              {note}
            </text>
          )}
        </g>
      </svg>
    </div>
  );
}
