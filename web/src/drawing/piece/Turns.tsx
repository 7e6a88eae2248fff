/** Turns of a thread from `from` to `to` along the axis. */
export function Turns({ from, to, pitch, d }: { from: number; to: number; pitch: number; d: number }) {
  const count = Math.max(0, Math.floor((to - from) / pitch) - 1);
  return Array.from({ length: count }, (_, index) => {
    const x = from + (index + 1) * pitch;
    return (
      <path
        key={x}
        d={`M${x} ${-d / 2}L${x + pitch / 2} ${d / 2}`}
        fill="none"
        stroke="var(--ink)"
        strokeWidth={0.8}
        vectorEffect="non-scaling-stroke"
      />
    );
  });
}
