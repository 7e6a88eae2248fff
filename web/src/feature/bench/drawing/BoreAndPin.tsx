import { say } from '#contract/wording/say.ts';

/** Bore and pin end on, the interference enlarged so that it shows. */
export function BoreAndPin({
  interferenceMm,
  boreC,
  pinC,
  label,
}: {
  interferenceMm: number;
  boreC: number;
  pinC: number;
  label: string;
}) {
  const off = Math.max(-16, Math.min(16, interferenceMm * 260));
  return (
    <svg viewBox="0 0 560 260" className="w-full" role="img" aria-label={label}>
      <circle cx={150} cy={130} r={108} fill="var(--sheet)" stroke="var(--ink)" strokeWidth={2} />
      <circle cx={150} cy={130} r={62} fill="var(--floor)" stroke="var(--ink)" strokeWidth={2} />
      <circle cx={400} cy={130} r={62 + off} fill="var(--steel)" stroke="var(--ink)" strokeWidth={2} />
      <circle cx={400} cy={130} r={62} fill="none" stroke="var(--bad)" strokeDasharray="5 4" strokeWidth={1.5} />
      <g className="figures" fontSize={15} textAnchor="middle">
        <text x={150} y={134} fontWeight={700}>
          {Math.round(boreC)} °C
        </text>
        <text x={400} y={134} fontWeight={700}>
          {Math.round(pinC)} °C
        </text>
      </g>
      <g fontSize={13} textAnchor="middle">
        <text x={150} y={256}>
          {say('bore')}
        </text>
        <text x={400} y={226}>
          {say('pin, difference enlarged')}
        </text>
      </g>
    </svg>
  );
}
