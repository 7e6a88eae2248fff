/** A camber that is to be set, as a sentence says it. */
export interface CamberWords {
  targetDeg: number;
  toleranceDeg: number;
  /** Front, unless the rear is named. */
  places: [string, string];
}

const FIGURE = String.raw`([-−+]?\d+(?:[.,]\d+)?)`;
const DEGREES = String.raw`\s*(?:°|deg(?:rees?)?\.?)?`;
const AIM = new RegExp(
  String.raw`\bcamber\b[^.\d−+-]{0,40}${FIGURE}${DEGREES}\s*(?:±|\+\s?/\s?[-−]|plus or minus)\s*${FIGURE}\s*(?:°|deg)`,
  'i',
);
const RANGE = new RegExp(
  String.raw`\bcamber\b[^.\d−+-]{0,40}(?:between\s+)?${FIGURE}${DEGREES}\s*(?:to|and|…)\s*${FIGURE}\s*(?:°|deg)`,
  'i',
);
/** `Each cam moves camber by up to 1.2 deg`: what an eccentric does in a quarter turn. */
const AUTHORITY =
  /\b(?:cams?|eccentrics?|lobes?|(?:camber|eccentric) bolts?)\b[^.]{0,40}?\b(?:moves?|changes?|shifts?|adjusts?|alters?)\b[^.]{0,30}?\bcamber\b[^.\d]{0,30}(\d+(?:[.,]\d+)?)\s*(?:°|deg)/i;
/** Something that sets camber. */
const SETS = /\b(?:eccentrics?|cam (?:washers?|bolts?)|camber bolts?|lobes?|slotted holes?)\b/i;

const figure = (text: string | undefined): number => Number((text ?? '').replace(',', '.').replace('−', '-'));

/** The camber a sentence asks for, with how far it may be off. */
export function camberIn(text: string): CamberWords | undefined {
  const end = /\brear\b/i.test(text) ? 'rear' : 'front';
  const places: CamberWords['places'] = [`${end} left`, `${end} right`];
  const aim = AIM.exec(text);
  if (aim) {
    const toleranceDeg = Math.abs(figure(aim[2]));
    return toleranceDeg > 0 ? { targetDeg: figure(aim[1]), toleranceDeg, places } : undefined;
  }
  const range = RANGE.exec(text);
  if (!range) return undefined;
  const [low, high] = [figure(range[1]), figure(range[2])];
  return low < high ? { targetDeg: (low + high) / 2, toleranceDeg: (high - low) / 2, places } : undefined;
}

/** What a quarter turn moves, where a sentence says so. */
export function authorityIn(text: string): number | undefined {
  const [, moves] = AUTHORITY.exec(text) ?? [];
  return moves === undefined ? undefined : figure(moves);
}

/** Whether a sheet's words name something that camber is set with. */
export const namesCamberSetter = (text: string): boolean => SETS.test(text);
