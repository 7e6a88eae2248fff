import { say } from '#contract/wording/say.ts';
import type { StationMark } from '#core/job/station-progress.ts';

/** What each mark is called, beside its shape everywhere. */
export const MARK_TEXT: Record<StationMark, string> = {
  empty: say('empty'),
  started: say('started by hand'),
  beaded: say('bead on'),
  snug: say('snug'),
  partTorque: say('part of its torque'),
  atTorque: say('at torque'),
  verified: say('verified'),
  reopened: say('loosened again'),
  bad: say('must be loosened'),
};

/** Corner points of a hexagon with the given width across flats, flats to the sides. */
export const hexagon = (acrossFlats: number, cx = 0, cy = 0): string => {
  const r = acrossFlats / Math.sqrt(3);
  return Array.from(
    { length: 6 },
    (_, i) => `${cx + r * Math.sin((Math.PI / 3) * i)},${cy - r * Math.cos((Math.PI / 3) * i)}`,
  ).join(' ');
};

/**
 * The state of a station as a shape, about 44 units across, centred on 0,0. State is told by shape, never by
 * colour alone: dashed ring, ring with thread, with a drop, hex outline, with half a stripe, filled hex with one stripe or two, gap, cross.
 */
export function StationGlyph({ mark, label, next = false }: { mark: StationMark; label?: string; next?: boolean }) {
  const filled = mark === 'atTorque' || mark === 'verified' || mark === 'reopened';
  const text = label && (
    <text
      textAnchor="middle"
      dominantBaseline="central"
      className="figures"
      fontSize={label.length > 2 ? 12 : 15}
      fontWeight={700}
      style={{ fill: filled ? 'var(--sheet)' : 'var(--ink)' }}
    >
      {label}
    </text>
  );
  return (
    <g>
      {next && <circle r={34} fill="#ffd21f" />}
      {mark === 'empty' && (
        <circle r={20} fill="var(--sheet)" stroke="var(--ink-2)" strokeWidth={2} strokeDasharray="5 4" />
      )}
      {(mark === 'started' || mark === 'beaded') && (
        <>
          <circle r={21} fill="var(--sheet)" stroke="var(--ink)" strokeWidth={2} />
          <polygon points={hexagon(30)} fill="none" stroke="var(--ink)" strokeWidth={1.5} />
          <path d="M-11 15.500q3-3 5.500 0t5.500 0 5.500 0 5.500 0" fill="none" stroke="var(--ink)" strokeWidth={1.5} />
        </>
      )}
      {mark === 'beaded' && (
        // A drop beside the thread.
        <path d="M18 4q7 9 7 13a7 7 0 0 1-14 0q0-4 7-13z" fill="var(--medium)" stroke="var(--ink)" strokeWidth={1.5} />
      )}
      {(mark === 'snug' || mark === 'partTorque') && (
        <polygon points={hexagon(38)} fill="var(--sheet)" stroke="var(--ink)" strokeWidth={2.5} />
      )}
      {mark === 'partTorque' && (
        // Half of the stripe that full torque gets.
        <>
          <path d="M12 -16 24 -27" stroke="var(--ink)" strokeWidth={8} />
          <path d="M12 -16 24 -27" stroke="#ffd21f" strokeWidth={5} />
        </>
      )}
      {mark === 'bad' && (
        <>
          <polygon points={hexagon(38)} fill="var(--sheet)" stroke="var(--bad)" strokeWidth={3} />
          <path d="M-19 -19 19 19M19 -19-19 19" stroke="var(--bad)" strokeWidth={3} />
        </>
      )}
      {filled && (
        <>
          <polygon points={hexagon(40)} fill="var(--ink)" stroke="var(--ink)" strokeWidth={2} />
          {mark === 'reopened' ? (
            // The stripe is torn: head and seat have moved against each other.
            <path d="M9 -13 16 -19M21 -25 30 -32" stroke="#ffd21f" strokeWidth={6} />
          ) : (
            <path
              d={mark === 'verified' ? 'M6 -11 29 -30M13 -4 36 -23' : 'M9 -13 32 -32'}
              stroke="#ffd21f"
              strokeWidth={6}
            />
          )}
          {mark === 'reopened' && <path d="M-24 6H24" stroke="var(--bench)" strokeWidth={4} />}
        </>
      )}
      {text}
    </g>
  );
}
