/** A castle nut from above with the hole of the bolt and the way to the next slot. */
export function CastleNut({ slots, pastDeg, label }: { slots: number; pastDeg: number; label: string }) {
  const step = 360 / slots;
  const at = (deg: number, r: number) => [
    210 + r * Math.sin((deg * Math.PI) / 180),
    140 - r * Math.cos((deg * Math.PI) / 180),
  ];
  const [hx, hy] = at(0, 128);
  const next = step - pastDeg;
  const [ax, ay] = at(-next, 112);
  const [bx, by] = at(0, 112);
  return (
    <svg viewBox="0 0 420 280" className="w-full" role="img" aria-label={label}>
      <circle cx={210} cy={140} r={92} fill="var(--sheet)" stroke="var(--ink)" strokeWidth={2} />
      {Array.from({ length: slots }, (_, index) => {
        // Turned on clockwise: a slot that has passed the hole stands past it.
        const deg = pastDeg + index * step;
        return (
          <g key={deg} transform={`rotate(${deg} 210 140)`}>
            <rect x={201} y={44} width={18} height={46} fill="var(--floor)" stroke="var(--ink)" strokeWidth={1.5} />
          </g>
        );
      })}
      <circle cx={210} cy={140} r={46} fill="var(--steel)" stroke="var(--ink)" strokeWidth={2} />
      <line x1={210} y1={140} x2={hx} y2={hy} stroke="var(--rule)" strokeWidth={9} />
      <line x1={210} y1={140} x2={hx} y2={hy} stroke="var(--ink)" strokeWidth={1.5} strokeDasharray="5 4" />
      <path
        d={`M${ax} ${ay}A112 112 0 0 1 ${bx} ${by}m-11 -9 11 9 -11 8`}
        stroke="var(--ink)"
        strokeWidth={3}
        fill="none"
      />
      <text x={300} y={36} className="figures" fontSize={15} fontWeight={700}>
        {next.toFixed(0)}° on
      </text>
      <text x={300} y={54} fontSize={12} style={{ fill: 'var(--ink-2)' }}>
        to the next slot
      </text>
      <text x={210} y={272} textAnchor="middle" fontSize={12} style={{ fill: 'var(--ink-2)' }}>
        never back
      </text>
    </svg>
  );
}
