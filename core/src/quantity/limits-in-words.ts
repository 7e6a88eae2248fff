/** A limit that stands in a step's words and nowhere else. */
export interface WordedLimit {
  unit: 'mm' | 'in' | '°';
  min?: number;
  max?: number;
  /** Each side by itself, where the words say so. */
  places?: string[];
}

/** A minus belongs to a figure where it stands at no other figure's end: `-0.5 deg`, not `3-5 mm`. */
const NUMBER = String.raw`((?:(?<![\d.,]\s?)[-−])?\d+(?:[.,]\d+)?)`;
const UNIT = String.raw`\s*(mm|millimet(?:re|er)s?|in(?:ch(?:es)?)?\b|"|°|deg(?:rees?)?\b)`;
const LEAST = String.raw`(?:not less than|no less than|at least|minimum(?: of)?|min\.?|≥|>=)`;
const MOST = String.raw`(?:not more than|no more than|at most|not over|maximum(?: of)?|max\.?|within|≤|<=)`;

/** The unit may stand behind both ends: `3 mm to 5 mm`. */
const RANGE = new RegExp(`${NUMBER}(?:${UNIT})?\\s*(?:-|–|to|up to|…|\\.\\.\\.?)\\s*${NUMBER}${UNIT}`, 'i');
const BETWEEN = new RegExp(`between\\s+${NUMBER}(?:${UNIT})?\\s*and\\s*${NUMBER}${UNIT}`, 'i');
const TOLERANCE = new RegExp(`${NUMBER}(?:${UNIT})?\\s*(?:±|\\+\\s?/\\s?[-−–]|plus or minus)\\s*${NUMBER}${UNIT}`, 'i');
const FLOOR = new RegExp(`${LEAST}\\s*${NUMBER}${UNIT}|${NUMBER}${UNIT}\\s*(?:or more|at least|minimum|min\\b)`, 'i');
const CEILING = new RegExp(`${MOST}\\s*${NUMBER}${UNIT}|${NUMBER}${UNIT}\\s*(?:or less|at most|maximum|max\\b)`, 'i');
/** What is measured, and not a size that is named in passing: `drill 10 to 12 mm` asks for no reading. */
const MEASURES =
  /\b(?:gap|clearance|distance|depth|height|play|level|parallel|cent(?:red|er|re)|apart|away|clear|difference|spread|tilt|reveal|toe|camber|caster|gain|rises?|agree|measure|between)\b/i;
const SIDES = /\b(?:each side|both sides|left and right|on either side|side to side)\b/i;

const numberIn = (text: string | undefined): number => Number((text ?? '').replace(',', '.').replace('−', '-'));
/** Without the dust of binary fractions. */
const tidy = (value: number): number => Number(value.toFixed(6));
const unitIn = (text: string | undefined): WordedLimit['unit'] =>
  /^(?:in|")/i.test(text ?? '') ? 'in' : /^(?:°|deg)/i.test(text ?? '') ? '°' : 'mm';

/**
 * The limit a step's words put on something that is measured; undefined where they put none. A press on such a step would
 * sign a number that nobody read.
 */
export function limitsInWords(text: string): WordedLimit | undefined {
  const sides = SIDES.test(text) ? { places: ['left', 'right'] } : {};
  const range = MEASURES.test(text) ? (RANGE.exec(text) ?? BETWEEN.exec(text)) : null;
  if (range) {
    const [, low, , high, unit] = range;
    const [min, max] = [numberIn(low), numberIn(high)];
    return min <= max ? { unit: unitIn(unit), min, max, ...sides } : undefined;
  }
  const tolerance = MEASURES.test(text) ? TOLERANCE.exec(text) : null;
  if (tolerance) {
    const [, aim, , off, unit] = tolerance;
    const [at, by] = [numberIn(aim), numberIn(off)];
    return { unit: unitIn(unit), min: tidy(at - by), max: tidy(at + by), ...sides };
  }
  const floor = FLOOR.exec(text);
  const ceiling = CEILING.exec(text);
  if (!floor && !ceiling) return undefined;
  return {
    unit: unitIn((floor ?? ceiling)?.[2] ?? (floor ?? ceiling)?.[4]),
    ...(floor ? { min: numberIn(floor[1] ?? floor[3]) } : {}),
    ...(ceiling ? { max: numberIn(ceiling[1] ?? ceiling[3]) } : {}),
    ...sides,
  };
}
