/** A band round a hose, with the pressure it makes. */
export function BandRound({ label }: { label: string }) {
  return (
    <svg viewBox="0 0 420 260" className="w-full" role="img" aria-label={label}>
      <circle cx={210} cy={130} r={78} fill="var(--sheet)" stroke="var(--ink)" strokeWidth={2} />
      <circle cx={210} cy={130} r={92} fill="none" stroke="var(--ink)" strokeWidth={10} />
      <rect x={186} y={22} width={48} height={22} fill="var(--steel)" stroke="var(--ink)" strokeWidth={2} />
      {Array.from({ length: 12 }, (_, i) => i * 30).map((deg) => (
        <path
          key={deg}
          d="M210 62v24m-6-8 6 8 6-8"
          transform={`rotate(${deg} 210 130)`}
          stroke="var(--ink)"
          strokeWidth={2}
          fill="none"
        />
      ))}
    </svg>
  );
}
