import { say } from '#contract/wording/say.ts';
import type { PlanItem } from '#core/kit/plan.ts';
import { lacksForDrawing } from './HardwareDrawing.tsx';
import { type HardwareShape, hardwareShape } from './hardware-shape.ts';
import { hexagon } from './StationGlyph.tsx';

const INK = { stroke: 'var(--ink)', strokeWidth: 1.6, vectorEffect: 'non-scaling-stroke' } as const;
const STEEL = { fill: 'var(--steel)', ...INK };

/** Radial strokes on an inch head: grade 5 has three, grade 8 six, grade 2 none (SAE J429). */
const GRADE_STROKES: Readonly<Record<string, number>> = { '2': 0, '5': 3, '8': 6 };

/** How a class is marked on the head: strokes for inch grades, figures for metric classes (ISO 898-1) and stainless (ISO 3506-1). */
export function headMark({
  propertyClass = '',
  thread,
}: Pick<PlanItem, 'propertyClass' | 'thread'>): { strokes: number } | { text: string } | undefined {
  const grade = /^(?:grade\s*)?([258])$/i.exec(propertyClass.trim())?.[1];
  // A bare 5 or 8 is a grade of an inch bolt; on a metric nut it is its class.
  const inch = /^grade/i.test(propertyClass) || (thread !== undefined && !/^M/i.test(thread));
  if (grade && inch) return { strokes: GRADE_STROKES[grade] ?? 0 };
  return propertyClass.trim() === '' ? undefined : { text: propertyClass.trim() };
}

/** Diameters of round heads in thread diameters: socket cap (ISO 4762), button (ISO 7380-1), countersunk (ISO 10642), from memory. */
const ROUND: Partial<Record<NonNullable<PlanItem['head']>, number>> = {
  socketCap: 1.5,
  sixLobe: 1.5,
  button: 1.8,
  countersunk: 2,
  carriage: 2.46,
};
/** Key sizes in thread diameters where no table of ours has them: button and countersunk (from memory). */
const KEY: Partial<Record<NonNullable<PlanItem['head']>, number>> = { button: 0.62, countersunk: 0.62 };

/** Points of a star of so many arms, from its outer and inner radius. */
const star = (arms: number, outer: number, inner: number): string =>
  Array.from({ length: 2 * arms }, (_, index) => {
    const angle = (Math.PI * index) / arms;
    const radius = index % 2 === 0 ? outer : inner;
    return `${radius * Math.sin(angle)},${-radius * Math.cos(angle)}`;
  }).join(' ');

/** The head's own outline. */
function Outside({
  head,
  shape: { diameterMm: d, acrossFlatsMm: flats },
  round,
}: {
  head: PlanItem['head'];
  shape: HardwareShape;
  round?: number;
}) {
  if (round) return <circle r={(round * d) / 2} {...STEEL} />;
  if (head === 'twelvePoint') return <polygon points={star(12, d * 0.6, d * 0.52)} {...STEEL} />;
  if (head === 'sixLobeOutside') return <polygon points={star(6, d * 0.6, d * 0.47)} {...STEEL} />;
  if (head === 'square') return <rect x={-flats / 2} y={-flats / 2} width={flats} height={flats} {...STEEL} />;
  return <polygon points={hexagon(flats)} {...STEEL} />;
}

/** A bolt or nut from the front, at true size, with the mark of its class where the standard puts it; nothing for other pieces. */
export function HeadFront({ item, pxPerMm }: { item: PlanItem; pxPerMm: number }) {
  if (
    (item.kind !== 'bolt' && item.kind !== 'nut') ||
    lacksForDrawing(item) ||
    item.head === 'none' ||
    item.head === 'eye'
  )
    return null;
  const shape = hardwareShape(item);
  const { diameterMm: d, acrossFlatsMm: flats, flangeMm } = shape;
  const round = item.head && ROUND[item.head];
  const outside = flangeMm ?? (round ? round * d : (flats * 2) / Math.sqrt(3));
  const half = outside / 2 + 1;
  const key = item.head === 'socketCap' ? flats : (item.head && KEY[item.head] ? (KEY[item.head] ?? 0.6) : 0.6) * d;
  const mark = headMark(item);
  const marked =
    mark === undefined
      ? ''
      : 'text' in mark
        ? say(', marked {text}', { text: mark.text })
        : say(', {strokes} strokes', { strokes: mark.strokes });
  return (
    <svg
      width={2 * half * pxPerMm}
      height={2 * half * pxPerMm}
      viewBox={`${-half} ${-half} ${2 * half} ${2 * half}`}
      role="img"
      aria-label={say('{name} from the front{marked}', { name: item.name, marked })}
      className="shrink-0"
    >
      {flangeMm && <circle r={flangeMm / 2} {...STEEL} />}
      <Outside head={item.head} shape={shape} round={round} />
      {!round && item.kind === 'bolt' && (item.head === undefined || item.head === 'hex') && (
        // The chamfer of a hex head is a ring just inside its flats.
        <circle r={flats * 0.46} fill="none" stroke="var(--ink-2)" vectorEffect="non-scaling-stroke" />
      )}
      {item.kind === 'nut' && (
        <>
          {item.locking === 'nylon' && <circle r={flats * 0.4} fill="var(--medium)" {...INK} />}
          <circle r={d / 2} fill="var(--sheet)" {...INK} />
        </>
      )}
      {round && item.kind === 'bolt' && item.head !== 'carriage' && (
        <polygon points={item.head === 'sixLobe' ? star(6, d * 0.45, d * 0.33) : hexagon(key)} fill="var(--ink-2)" />
      )}
      {mark && 'strokes' in mark
        ? Array.from({ length: mark.strokes }, (_, index) => (
            <path
              // biome-ignore lint/suspicious/noArrayIndexKey: strokes are alike
              key={index}
              d={`M0 ${-flats * 0.2}V${-flats * 0.42}`}
              fill="none"
              stroke="var(--ink)"
              strokeWidth={2.4}
              vectorEffect="non-scaling-stroke"
              transform={`rotate(${(360 / mark.strokes) * index})`}
            />
          ))
        : mark && (
            <text
              y={item.kind === 'nut' ? -(flats + d) / 4 : round ? -(round * d + key) / 4 : 0}
              textAnchor="middle"
              dominantBaseline="central"
              fontSize={Math.min(flats * 0.28, item.kind === 'nut' ? (flats - d) * 0.4 : 5)}
              fontWeight={700}
              style={{ fill: 'var(--ink)' }}
            >
              {mark.text}
            </text>
          )}
    </svg>
  );
}

/** How long the ruler under a drawing is, mm. */
const RULER_MM = 60;

/** A ruler at the scale of the drawings: a real one laid on it says whether the screen is true. */
export function CheckRuler({ pxPerMm }: { pxPerMm: number }) {
  return (
    <svg
      width={(RULER_MM + 4) * pxPerMm}
      height={30}
      viewBox={`-2 0 ${RULER_MM + 4} ${30 / pxPerMm}`}
      role="img"
      aria-label={say('Ruler of {rulerMm} mm', { rulerMm: RULER_MM })}
      className="max-w-full"
    >
      {Array.from({ length: RULER_MM + 1 }, (_, mm) => (
        <line
          // biome-ignore lint/suspicious/noArrayIndexKey: the strokes of a rule
          key={mm}
          x1={mm}
          x2={mm}
          y1={0}
          y2={(mm % 10 === 0 ? 14 : mm % 5 === 0 ? 10 : 6) / pxPerMm}
          stroke="var(--ink)"
          strokeWidth={1}
          vectorEffect="non-scaling-stroke"
        />
      ))}
      {[0, 20, 40, 60].map((mm) => (
        <text
          key={mm}
          x={mm}
          y={27 / pxPerMm}
          fontSize={12 / pxPerMm}
          textAnchor="middle"
          style={{ fill: 'var(--ink-2)' }}
        >
          {mm}
        </text>
      ))}
    </svg>
  );
}
