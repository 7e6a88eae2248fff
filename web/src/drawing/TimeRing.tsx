import { arc } from 'd3-shape';

/** Hours only where there are any: 7:12, 23:59:05. */
export const countdown = (seconds: number): string => {
  const two = (value: number) => String(Math.floor(value)).padStart(2, '0');
  const [hours, minutes] = [Math.floor(seconds / 3600), (seconds % 3600) / 60];
  return hours > 0 ? `${hours}:${two(minutes)}:${two(seconds % 60)}` : `${Math.floor(minutes)}:${two(seconds % 60)}`;
};

const RADIUS = 34;
const ring = arc<number>()
  .innerRadius(26)
  .outerRadius(RADIUS)
  .startAngle(0)
  .endAngle((share) => share * 2 * Math.PI);

/** A share of a time as a ring, with what is left of it in the middle. */
export default function TimeRing({
  share,
  text,
  color = 'var(--ink)',
  className,
  label,
}: {
  share: number;
  text: string;
  color?: string;
  className: string;
  /** Said of the drawing; left out where words beside it say it. */
  label?: string;
}) {
  return (
    <svg
      viewBox="-36 -36 72 72"
      className={className}
      aria-hidden={label === undefined}
      role={label === undefined ? 'presentation' : 'img'}
      aria-label={label}
    >
      <path d={ring(1) ?? ''} fill="var(--hair)" />
      <path d={ring(Math.min(1, Math.max(0, share))) ?? ''} fill={color} />
      <text
        textAnchor="middle"
        dominantBaseline="central"
        fontSize={text.length > 5 ? 11 : 15}
        fontWeight={700}
        className="figures"
      >
        {text}
      </text>
    </svg>
  );
}
