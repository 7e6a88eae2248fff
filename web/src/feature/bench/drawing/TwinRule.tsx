import { scaleLinear } from 'd3-scale';
import { type UnitName, valueIn } from '#core/quantity/unit.ts';

/** Two rules side by side with one pointer: a value in two units. */
export function TwinRule({
  value,
  first,
  second,
  label,
}: {
  /** In the first unit. */
  value: number;
  first: UnitName;
  second: UnitName;
  label: string;
}) {
  // From nothing, or from below it for a temperature; the second rule has the same ends in its own unit.
  const [from, top] = [Math.min(0, value * 1.6), Math.max(value * 1.6, value === 0 ? 1 : 0)];
  const x = scaleLinear().domain([from, top]).range([20, 620]);
  const other = scaleLinear()
    .domain([from, top].map((end) => valueIn(end, first, second) ?? 0))
    .range([20, 620]);
  const at = x(value);
  const rule = (scale: typeof x, y: number, up: boolean, unit: string) => (
    <g>
      {scale.ticks(40).map((tick) => (
        <line key={tick} x1={scale(tick)} x2={scale(tick)} y1={y} y2={y + (up ? -9 : 9)} stroke="var(--ink-2)" />
      ))}
      {scale.ticks(8).map((tick) => (
        <g key={tick}>
          <line x1={scale(tick)} x2={scale(tick)} y1={y} y2={y + (up ? -20 : 20)} stroke="var(--ink)" strokeWidth={2} />
          <text x={scale(tick)} y={y + (up ? -26 : 36)} textAnchor="middle" className="figures" fontSize={13}>
            {tick}
          </text>
        </g>
      ))}
      <text x={620} y={y + (up ? -48 : 58)} textAnchor="end" className="figures" fontSize={14}>
        {unit}
      </text>
    </g>
  );
  return (
    <svg viewBox="0 0 640 220" className="w-full" role="img" aria-label={label}>
      <line x1={20} x2={620} y1={110} y2={110} stroke="var(--ink)" strokeWidth={2} />
      {rule(x, 110, true, first)}
      {rule(other, 110, false, second)}
      <path d={`M${at} 50V170`} stroke="var(--ink)" strokeWidth={4} />
    </svg>
  );
}
