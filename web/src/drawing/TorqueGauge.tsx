import { scaleLinear } from 'd3-scale';
import { written } from '#core/quantity/display.ts';
import { fromBase, type TorqueUnit } from '#core/quantity/unit.ts';
import type { AcceptBand } from '#core/tightening/band.ts';

const WIDTH = 420;
const HEIGHT = 84;
const BASE = 62;
/** The figure of the last tick keeps this far from the edge, so that it is not cut. */
const LAST_TICK = 14;

/** A live torque on a steel rule: ticks, the accepted band, the target, the pointer. */
export function TorqueGauge({
  band,
  unit,
  torqueNm,
  live,
  clicked,
}: {
  band: AcceptBand;
  unit: TorqueUnit;
  torqueNm?: number;
  live: string;
  clicked: boolean;
}) {
  const show = (nm: number) => fromBase(nm, unit);
  const upper = Number.isFinite(band.maxNm) ? band.maxNm : band.targetNm * 2.6;
  const scale = scaleLinear()
    .domain([show(Math.min(band.targetNm * 0.45, band.minNm * 0.6)), show(Math.max(upper * 1.18, band.targetNm * 1.3))])
    .nice(8)
    .range([8, WIDTH - 8]);
  const [from = 0, to = 1] = scale.domain();
  const major = scale.ticks(6);
  const minor = scale.ticks(36);
  const x = (nm: number) => Math.max(4, Math.min(WIDTH - 4, scale(show(nm))));
  const pointer = torqueNm === undefined ? undefined : Math.max(from, Math.min(to, show(torqueNm)));
  return (
    <svg
      viewBox={`0 0 ${WIDTH} ${HEIGHT + 18}`}
      className="w-full"
      role="img"
      aria-label={`${live}${torqueNm === undefined ? '' : `, ${show(torqueNm).toFixed(1)} ${unit}`}`}
    >
      <rect
        x={x(band.minNm)}
        y={26}
        width={Math.max(3, x(upper) - x(band.minNm))}
        height={BASE - 26}
        fill="var(--band)"
      />
      {minor.map((tick) => (
        <line
          key={tick}
          x1={scale(tick)}
          x2={scale(tick)}
          y1={BASE}
          y2={BASE - 10}
          stroke="var(--ink-2)"
          strokeWidth={1}
        />
      ))}
      {major.map((tick) => (
        <g key={tick}>
          <line x1={scale(tick)} x2={scale(tick)} y1={BASE} y2={BASE - 20} stroke="var(--ink)" strokeWidth={2} />
          <text
            x={Math.min(scale(tick), WIDTH - LAST_TICK)}
            y={BASE + 15}
            textAnchor="middle"
            className="figures"
            fontSize={13}
          >
            {tick}
          </text>
        </g>
      ))}
      <line x1={8} x2={WIDTH - 8} y1={BASE} y2={BASE} stroke="var(--ink)" strokeWidth={2} />
      <line x1={x(band.targetNm)} x2={x(band.targetNm)} y1={22} y2={BASE + 4} stroke="var(--ink)" strokeWidth={4} />
      {pointer !== undefined && pointer > from && (
        <g>
          <path
            d={`M8 14H${scale(pointer) - 8}v-6l10 10-10 10v-6H8z`}
            fill={clicked ? '#ffd21f' : 'var(--ink)'}
            stroke="var(--ink)"
            strokeWidth={1}
          />
          <text x={Math.min(scale(pointer) + 8, WIDTH - 44)} y={14} className="figures" fontSize={15} fontWeight={700}>
            {written(show(torqueNm ?? 0), 1)}
          </text>
        </g>
      )}
      <text x={WIDTH - 6} y={HEIGHT + 12} textAnchor="end" fontSize={13} style={{ fill: 'var(--ink-2)' }}>
        {live}
      </text>
    </svg>
  );
}
