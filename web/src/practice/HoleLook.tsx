import { say } from '#contract/wording/say.ts';
import type { HoleLook as Look } from '#core/drill/scene.ts';

/** Looks that are of what lies or stands around the joint, and not of its hole. */
const AROUND: ReadonlySet<Look> = new Set<Look>([
  'hot',
  'onJack',
  'coarseWrench',
  'gap',
  'reversed',
  'neighbourLoose',
  'noWasher',
]);

/** A joint as it looks before a bolt goes in: its hole from above and cut through, or what is around it. */
export function HolePicture({ look, label, detail }: { look: Look; label: string; detail?: string | undefined }) {
  if (AROUND.has(look)) return <AroundPicture look={look} label={label} detail={detail} />;
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
      {look === 'greasyFace' && (
        <path
          d="M14 22 q18 -8 34 2 t38 -4 M14 88 q16 -8 30 0 t42 -6 M118 38 q20 -7 34 -1 M176 37 q16 -6 34 0"
          fill="none"
          stroke="var(--color-grease)"
          strokeWidth={6}
          strokeLinecap="round"
        />
      )}
      {look === 'leftHand' && (
        <>
          <text x={82} y={28} fontSize={20} className="figures" fill="var(--ink)">
            L
          </text>
          {[46, 56, 66, 76].map((y) => (
            <path key={y} d={`M147 ${y} L173 ${y + 8}`} fill="none" stroke="var(--ink)" strokeWidth={2} />
          ))}
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

const LINE = { fill: 'none', stroke: 'var(--ink)', strokeWidth: 2 } as const;
const SOLID = { fill: 'var(--rule)', stroke: 'var(--ink)', strokeWidth: 1.5 } as const;

/** A bolt's head over a part, seen from the side: `air` is what stands between, `washer` whether one lies there. */
function Head({ x, air = 0, washer = false }: { x: number; air?: number; washer?: boolean }) {
  const foot = 62 - air;
  const under = washer ? foot - 6 : foot;
  return (
    <>
      <path d={`M${x - 9} ${under} H${x + 9} V96 H${x - 9} Z`} {...SOLID} />
      <path d={`M${x - 22} ${under - 20} H${x + 22} V${under} H${x - 22} Z`} fill="var(--ink-2)" stroke="var(--ink)" />
      {washer && <path d={`M${x - 30} ${foot - 6} H${x + 30} V${foot} H${x - 30} Z`} {...SOLID} />}
    </>
  );
}

/** What is around a joint: a jack, a hot pipe, a wrench that lies ready, its neighbour. */
function AroundPicture({ look, label, detail }: { look: Look; label: string; detail?: string | undefined }) {
  return (
    <svg viewBox="0 0 220 110" className="h-33 w-66 max-w-full bg-sheet" role="img" aria-label={label}>
      {(look === 'neighbourLoose' || look === 'noWasher') && (
        <>
          <path d="M8 62 H212 V86 H8 Z" fill="var(--floor)" stroke="var(--ink)" strokeWidth={1.5} />
          <Head x={62} washer />
          {look === 'noWasher' ? <Head x={158} /> : <Head x={158} air={12} washer />}
        </>
      )}
      {look === 'gap' && (
        <>
          <path d="M8 78 H212 V98 H8 Z" fill="var(--floor)" stroke="var(--ink)" strokeWidth={1.5} />
          <path d="M14 54 L206 64 V78 L14 68 Z" {...SOLID} />
          <path d="M20 36 V68 M20 100 V78" {...LINE} />
          <text x={28} y={46} fontSize={18} className="figures" fill="var(--ink)">
            {detail}
          </text>
          <text x={168} y={50} fontSize={18} className="figures" fill="var(--ink)">
            0
          </text>
        </>
      )}
      {look === 'reversed' && (
        <>
          <path d="M60 34 H160 V84 H60 Z" {...SOLID} />
          <path d="M146 59 H84 M98 47 L82 59 L98 71" fill="none" stroke="var(--ink)" strokeWidth={4} />
          <path d="M60 18 H190 M178 10 L192 18 L178 26" {...LINE} />
          <text x={10} y={23} fontSize={14} fill="var(--ink-2)">
            {say('front')}
          </text>
        </>
      )}
      {look === 'hot' && (
        <>
          <path d="M8 74 H212 V98 H8 Z" {...SOLID} />
          {[40, 80, 120].map((x) => (
            <path key={x} d={`M${x} 66 q-8 -10 0 -18 q8 -10 0 -18`} {...LINE} />
          ))}
          <path
            d="M168 16 V58 a10 10 0 1 0 12 0 V16 a6 6 0 0 0 -12 0 Z"
            fill="var(--sheet)"
            stroke="var(--ink)"
            strokeWidth={2}
          />
          <path d="M174 24 V66" stroke="var(--bad)" strokeWidth={6} />
          <text x={86} y={22} fontSize={18} className="figures" fill="var(--ink)">
            {detail}
          </text>
        </>
      )}
      {look === 'onJack' && (
        <>
          <path d="M4 100 H216" stroke="var(--ink)" strokeWidth={3} />
          <path
            d="M26 58 q4 -18 26 -20 l18 -20 h52 l22 20 q34 2 40 12 v14 h-16 a15 15 0 0 0 -30 0 H88 a15 15 0 0 0 -30 0 H26 Z"
            {...SOLID}
          />
          <circle cx={73} cy={68} r={11} fill="var(--ink-2)" />
          <circle cx={153} cy={72} r={11} fill="var(--ink-2)" />
          <path d="M96 98 L110 82 L124 98 M110 82 V66 M102 66 H118" {...LINE} />
        </>
      )}
      {look === 'coarseWrench' && (
        <>
          <path d="M12 60 a14 14 0 1 1 24 10 l4 -6 H206 V78 H40 l-4 -6 a14 14 0 0 1 -24 -12 Z" {...SOLID} />
          <path d="M124 58 H206 V84 H124 Z" fill="var(--ink-2)" stroke="var(--ink)" />
          <text x={56} y={40} fontSize={20} className="figures" fill="var(--ink)">
            {detail}
          </text>
        </>
      )}
    </svg>
  );
}
