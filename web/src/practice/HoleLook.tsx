import type { HoleLook as Look } from '#core/drill/scene.ts';

/** A hole as it looks before a bolt goes in, from above and cut through. */
export function HolePicture({ look, label }: { look: Look; label: string }) {
  const half = look === 'oval' ? 27 : 17;
  return (
    <svg viewBox="0 0 220 110" className="h-33 w-66 max-w-full bg-sheet" role="img" aria-label={label}>
      {/* From above. */}
      <rect x={8} y={10} width={92} height={90} fill="var(--floor)" stroke="var(--ink)" strokeWidth={1.5} />
      <ellipse
        cx={54}
        cy={55}
        rx={half}
        ry={17}
        fill={look === 'seized' ? 'var(--rule)' : 'var(--sheet)'}
        stroke="var(--ink)"
        strokeWidth={2}
      />
      {look === 'seized' && (
        <path
          d="M42 48 l8 6 l-4 7 l9 5 l8 -8 l5 3 M47 60 l6 -12 l9 4"
          fill="none"
          stroke="var(--ink)"
          strokeWidth={1.5}
        />
      )}
      {look === 'oval' && (
        <path d="M30 44 q-8 11 0 22 M78 44 q8 11 0 22" fill="none" stroke="var(--ink-2)" strokeWidth={1.5} />
      )}
      {/* Cut through. */}
      <defs>
        <pattern id="cut" width={8} height={8} patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
          <rect width={8} height={8} fill="var(--floor)" />
          <line x1={0} x2={0} y1={0} y2={8} stroke="var(--rule)" strokeWidth={2} />
        </pattern>
      </defs>
      <path
        d={`M116 40 H${160 - half / 1.4} V86 H116 Z M${160 + half / 1.4} 40 H212 V86 H${160 + half / 1.4} Z`}
        fill="url(#cut)"
        stroke="var(--ink)"
        strokeWidth={1.5}
      />
      {look === 'partBetween' && (
        <path
          d="M116 30 H148 V40 H116 Z M172 30 H212 V40 H172 Z"
          fill="var(--rule)"
          stroke="var(--ink)"
          strokeWidth={1.5}
        />
      )}
      {look === 'taped' && (
        <>
          <path
            d="M14 62 L88 34 l4 10 l-5 3 l4 6 L20 82 l2 -7 l-5 -3 Z"
            fill="var(--sheet)"
            fillOpacity={0.85}
            stroke="var(--ink)"
            strokeWidth={1.5}
          />
          <path d="M122 35 H150 l-3 5 H122 Z M170 40 l2 -5 H198 V40 Z" fill="var(--ink-2)" />
        </>
      )}
      {look === 'greasy' && (
        <>
          <path
            d="M40 48 q6 -8 14 -5 t12 6 M42 66 q8 8 16 2 t9 -6"
            fill="none"
            stroke="var(--color-grease)"
            strokeWidth={5}
            strokeLinecap="round"
          />
          <path
            d="M148 46 q6 4 0 8 q6 4 0 8 q6 4 0 8 q6 4 0 8 M172 44 q-6 4 0 8 q-6 4 0 8 q-6 4 0 8 q-4 6 -6 12"
            fill="none"
            stroke="var(--color-grease)"
            strokeWidth={4}
            strokeLinecap="round"
          />
        </>
      )}
      {look === 'halfDone' && (
        <>
          <path d="M54 29 l23 13 v26 l-23 13 l-23 -13 v-26 Z" fill="var(--rule)" stroke="var(--ink)" strokeWidth={2} />
          <path d="M36 74 L92 24" stroke="var(--color-paint)" strokeWidth={5} />
          <path d="M152 32 H168 V86 H152 Z" fill="var(--rule)" stroke="var(--ink)" strokeWidth={1.5} />
          <path d="M138 14 H182 V32 H138 Z" fill="var(--ink-2)" stroke="var(--ink)" strokeWidth={1.5} />
        </>
      )}
      {look === 'seized' && (
        <path d="M149 86 V58 l6 4 l5 -5 l6 6 l5 -4 V86 Z" fill="var(--ink-2)" stroke="var(--ink)" strokeWidth={1.5} />
      )}
    </svg>
  );
}
