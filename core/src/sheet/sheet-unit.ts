import { unitFromSpelling } from '../quantity/parse-printed.ts';
import { dimensionOf, type TorqueUnit } from '../quantity/unit.ts';

/** `Torque (Nm)`, `ft-lb`, `Torque, in lbs`: the unit a heading or the name of a field gives to its figures. */
export function torqueUnitOf(heading: string): TorqueUnit | undefined {
  const bare = heading
    .replace(
      /\b(final|tightening|torque|tq|trq|nom|tension|spec|specification|value|values|figure|setting|tighten|to|in|pull)\b/gi,
      ' ',
    )
    .replace(/[()[\]{},:]/g, ' ')
    .trim();
  const unit = unitFromSpelling(bare);
  return unit !== undefined && dimensionOf(unit) === 'torque' ? (unit as TorqueUnit) : undefined;
}

const UNIT_WORDS = `([A-Za-z·.-]+(?:[ ·.-][A-Za-z.]+){0,2})`;
/** Says of every figure of the sheet what it is in: `everything in Nm if nothing stands behind it`. */
const OF_ALL = new RegExp(
  String.raw`\b(?:all|every(?:thing| figure| value| torque)?|(?:my |the |these )?(?:torques?|figures|values|numbers|settings)(?: (?:here|below|above|given|listed|on this (?:sheet|page|card)))?)\b(?:[^.;\n\d]{0,30}?\b(?:in|are|is)\s+|(?<=\b(?:all|everything))\s+(?:torques?\s+)?)(?=${UNIT_WORDS})`,
  'gi',
);

/** The unit that one line gives to all bare figures of a sheet, wherever it stands. */
export function unitOfAll(text: string): TorqueUnit | undefined {
  for (const match of text.matchAll(OF_ALL)) {
    const words = (match[1] ?? '').split(' ');
    for (let most = words.length; most > 0; most--) {
      const unit = torqueUnitOf(words.slice(0, most).join(' ').replace(/\.$/, ''));
      if (unit) return unit;
    }
  }
  return undefined;
}

/** Units as sheets write them behind their figures. A small one in inches stands beside foot-pounds, which are meant. */
const WRITTEN: ReadonlyArray<readonly [TorqueUnit, RegExp]> = [
  ['N·m', /(?<!\p{L})N ?[·.∙*-]? ?m\b|\bnewton[ -]?met(?:re|er)s?\b/iu],
  ['kgf·m', /\bkgf?[ ·.-]?m\b|\bm?kp\b/i],
  [
    'lbf·ft',
    /(?<!\p{L})(?:ft|foot|feet)[ .·-]*(?:lbs?|lbf|pounds?|#)|(?<!\p{L})(?:lbs?|lbf|pounds?)[ .·-]*(?:ft|foot|feet)\b/iu,
  ],
];

/** The only unit a sheet gives its torques in; undefined where it has none or several. */
export function onlyUnit(text: string): TorqueUnit | undefined {
  const found = WRITTEN.filter(([, pattern]) => pattern.test(text));
  return found.length === 1 ? found[0]?.[0] : undefined;
}
