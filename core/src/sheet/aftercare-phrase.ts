import { unitFromSpelling } from '../quantity/parse-printed.ts';
import { dimensionOf, toBase } from '../quantity/unit.ts';
import type { FactValue } from './fact.ts';
import { NUMBER_WORDS, TENS_WORDS } from './lexicon.ts';
import { takenBy } from './place-in.ts';
import { sentenceAt } from './sentence.ts';

export type Aftercare = Extract<FactValue, { kind: 'aftercare' }>;

const COUNT = String.raw`(?:\d+(?:[.,]\d+)*(?: \d{3})*|(?:a|one|two|three|four|five|six|seven|eight|nine|ten|twelve|twenty|thirty|forty|fifty|hundred|couple|few|thousand)(?:[- ](?:of |hundred|thousand|five|dozen|couple)*)*)`;
const DISTANCE = String.raw`(?:(?:trailer|towing|road|driving|loaded)[- ])?(?:km|kms|k's|klicks?|k(?=[ ,.;\n]|$)|kilomet(?:re|er)s?|miles?|mi)\b(?!\/h)`;
const PERIOD = String.raw`(?:days?|weeks?|months?|years?|(?:operating |engine |working )?hours?|h\b|heat(?:ing)? ?cycles?|heat-?ups?|warm-?ups?|heatings?|thermal cycles?)`;
const DAYS: ReadonlyArray<readonly [RegExp, number]> = [
  [/^day/, 1],
  [/^week/, 7],
  [/^month/, 30],
  [/^year/, 365],
  [/^(operating |engine |working )?(hour|h)/, 1 / 24],
];

/** What is done later: looked at, pulled again, greased, washed. */
const WORK =
  /\b(?:re-? ?do|nachziehen|prüfen|kontrollieren|re-?torque[ds]?|re-?tighten(?:ed|ing)?|re-?check(?:ed)?|check(?:ed|s)?|review|revise|control|inspect(?:ed|ion)?|look(?:ed)?|go(?:es)? over|over again|tighten(?:ed)?|torque|grease[ds]?|lubricate[ds]?|oil|tightness|service[ds]?|examine[ds]?|feel|wash(?:ed)?|clean(?:ed)?|replace[ds]?|renew|spray(?:ed)?|try|confirm|come back|bring|see us|again|aim(?:ed)?|adjust(?:ed)?|align(?:ed|ment)?|pump|blow|vacuum|remove|rewind|wrench|first time|second time|spanner)\b/i;
/** A time that is waited out at the work is no due date. */
const WAITED =
  /\b(?:wait|let|allow|leave|cure[sd]?|soak|dry|idle|run(?:ning)?|cool(?:s|ed)?|set|stand|press|hold|rest)\b[^.;]*$/i;

const number = (text: string): number | undefined => {
  const plain = text.trim().toLowerCase();
  if (/^\d/.test(plain)) {
    const bare = plain.replace(/ /g, '');
    // No distance of aftercare has decimals to three places.
    return Number(/^\d{1,3}([.,]\d{3})+$/.test(bare) ? bare.replace(/[.,]/g, '') : bare.replace(',', '.'));
  }
  let [sum, last] = [0, 1];
  for (const word of plain.split(/[- ]+/)) {
    if (word === 'hundred' || word === 'thousand') last *= word === 'hundred' ? 100 : 1000;
    else if (word === 'couple') last = 2;
    else if (word === 'few') last = 3;
    else if (word === 'dozen') last *= 12;
    else if (word !== 'of' && word !== 'a') {
      const value = TENS_WORDS[word] ?? NUMBER_WORDS[word];
      if (value === undefined) return undefined;
      if (last > 1 && sum > 0) last += value;
      else last = last > 1 && sum === 0 && last < 100 ? last + value : value;
    }
    sum = last;
  }
  return sum;
};

const RULES: ReadonlyArray<{ pattern: RegExp; make: (match: RegExpExecArray) => Omit<Aftercare, 'kind'> | undefined }> =
  [
    // `after 500 km`, `every 5,000 miles`, `within the first 50 km`, `at 100 km`, `then every 3 months`
    {
      pattern: new RegExp(
        String.raw`(?:\b(after|nach|alle|every|each|at|within|in|by|following|past|until|all|for|after driving|after towing|(?:has|have) (?:done|run|covered)|(?<!\btest )drive|(?<=\b(?:revise|review|control|check) )to)\b|@)(?: (?:the|about|around|some|first|next|another|a|roughly|approximately|approx\.?|only|of|driving|further|use|its|last|further))* (${COUNT}) ?(?:to ${COUNT} |[-–] ?\d+ ?)?(${DISTANCE})`,
        'gi',
      ),
      make: (match) => distanceOf(match[1], match[2], match[3]),
    },
    {
      pattern: new RegExp(
        String.raw`\b(after|every|each|following)\b(?: (?:the|about|first|next|a|of|only))* (${COUNT}|) ?(${PERIOD})`,
        'gi',
      ),
      make: (match) => periodOf(match[1], match[2], match[3]),
    },
    {
      pattern: new RegExp(
        String.raw`(\b(?:within|in|at)\b|@)(?: (?:the|about|first|next|a))* (${COUNT}) ?(days?|weeks?|months?)\b(?! of driving)`,
        'gi',
      ),
      make: (match) => periodOf(match[1], match[2], match[3]),
    },
    {
      pattern: /\b(once|twice|three times|four times) (?:a|each|per|every) (day|week|month|year|season)\b/gi,
      make: (match) => timesA(match[1], match[2]),
    },
    {
      pattern: /\b(yearly|annually|monthly|weekly|daily)\b/gi,
      make: (match) =>
        timesA('once', { y: 'year', a: 'year', m: 'month', w: 'week', d: 'day' }[match[1]?.[0]?.toLowerCase() ?? '']),
    },
    {
      pattern:
        /(?:\b(?:or|and)|,|(?<=\b(?:km|miles?) ?)\/) ?(\d+|one|two|three|four|six|eight|twelve) (months?|years?|weeks?)\b(?! old)/gi,
      make: (match) => periodOf(isRepeated(match) ? 'every' : 'after', match[1], match[2]),
    },
    {
      pattern: /\b(?:or|then) (\d[\d.,]*(?: \d{3})*) ?(km|miles)\b/gi,
      make: (match) => distanceOf('every', match[1], match[2]),
    },
    // `100 km then nuts again` of a note
    {
      pattern: new RegExp(
        String.raw`(?<=^[ \t>*-]*|[.;] )()(${COUNT}) ?(${DISTANCE})(?=,? (?:then|and)\b[^.\n]*\b(?:again|re-?check|re-?torque|check)\b)`,
        'gim',
      ),
      make: (match) => distanceOf('after', match[2], match[3]),
    },
    // `at 50 and 500 km`: the first has the unit of the second
    {
      pattern: /\b(at|after) (\d[\d.]*)(?= ?(?:and|&|,|\+) ?(?:again )?(?:at )?\d[\d.]* ?(km|mi|miles?)\b)/gi,
      make: (match) => distanceOf(match[1], match[2], match[3]),
    },
    {
      pattern: /(?<=\b(?:at|after) \d[\d.]* ?(?:and|&|,|\+) ?(?:again )?(?:at )?)()(\d[\d.]*) ?(km|mi|miles?)\b/gi,
      make: (match) => distanceOf('after', match[2], match[3]),
    },
    // `50 km: dome nuts 16.`
    {
      pattern: new RegExp(
        String.raw`(?<=(?:^|[.;]) *|\n *)()(${COUNT}) ?(${DISTANCE})(?=: ?[^.\n]*\b(?:nuts?|bolts?|screws?|all|joints?|check|torque|tighten)\b)`,
        'gim',
      ),
      make: (match) => distanceOf('after', match[2], match[3]),
    },
    // `Next day: all bolts again`
    {
      pattern: /\b(?:the )?(?:next|following) (?:day|morning)\b(?=[:,])|\bthe day after\b/gi,
      make: () => ({ days: 1, repeats: false }),
    },
    // `look again after a fortnight`
    {
      pattern: /\b(after|in|within|every) (?:a|one|the first|about a) fortnight\b/gi,
      make: (match) => ({ days: 14, repeats: /every/i.test(match[1] ?? '') }),
    },
    // `when it has done a week's work`
    {
      pattern: /\b()(a|one|two|three|\d{1,2}) (week|month)s?(?:'s?) (?:work|use|driving)\b/gi,
      make: (match) => periodOf('after', match[2], match[3]),
    },
    // `again at 100 mi & 500 mi`
    {
      pattern:
        /(?<=\b(?:km|mi|miles?) ?(?:&|and|\+|,|then) ?(?:at |again at )?)()(\d[\d.,]*(?: \d{3})*) ?(km|mi|miles?)\b/gi,
      make: (match) => distanceOf('after', match[2], match[3]),
    },
    // `re-torque at first service, 1000 km`, `recheck after (500 km)`
    {
      pattern: new RegExp(
        String.raw`\b(?:at (?:the )?(?:first|next) service,? |after |at )\(?(${COUNT}) ?(${DISTANCE})\)?`,
        'gi',
      ),
      make: (match) => distanceOf('after', match[1], match[2]),
    },
    // A field that says its unit in its name: `retorque_km: 800`
    {
      pattern:
        /^[ \t]*(?:[-*•][ \t]+)?(re-?torque|re-?check|re-?tighten|check again)(?: (?:after|at))?[ _](km|miles?)[ \t]*[:=][ \t]*(\d[\d.,]*)[ \t]*$/gim,
      make: (match) => distanceOf('after', match[3], match[2]),
    },
    // `Recheck wheel bolts 50 km.`
    {
      pattern: new RegExp(
        String.raw`(?<=\b(?:re-?check|re-?torque|re-?tighten|re-?tq|check|lugs?|wheel (?:nuts|bolts)) (?:[\w-]+ ){0,4})()(${COUNT}) ?(${DISTANCE})(?=[.;,)+]| \\+|\s*$)`,
        'gim',
      ),
      make: (match) => distanceOf('after', match[2], match[3]),
    },
    // `retq 100 mi + 500 mi`: the first of two
    {
      pattern:
        /(?<=\b(?:re-?check|re-?torque|re-?tighten|re-?tq|check) (?:[\w-]+ ){0,4})()(\d[\d.]*) ?(km|mi|miles)\b(?= ?(?:\+|&|and) ?\d)/gi,
      make: (match) => distanceOf('after', match[2], match[3]),
    },
    // `Return visit: 200 km or two weeks`
    {
      pattern: new RegExp(
        String.raw`(?<=\b(?:return|next|second|follow[- ]up|first) (?:visit|check|inspection|service)(?::| is| due)? ?(?:at |after |in )?)()(${COUNT}) ?(${DISTANCE})`,
        'gi',
      ),
      make: (match) => distanceOf('after', match[2], match[3]),
    },
    // Events: `at every service`, `after the first long tow`, `before each trip`
    {
      pattern:
        /\b(?:at|on|with|by) (?:each|every|the next|any) (?:[\w-]+ ){0,3}?(?:services?|inspections?|oil changes?|wash(?:es)?|tyre changes?|tire changes?|maintenance|visit|check|stop|evening|spring|autumn|season)\b/gi,
      make: (match) => ({ event: match[0], repeats: !/next/i.test(match[0]) }),
    },
    {
      pattern:
        /\b(?:every|each) (?:evening|morning|spring|summer|autumn|fall|winter|season|service|oil change|trip|time [^.;,\n]{4,60}|off-?road day|use of [^.;,\n]{3,30})\b/gi,
      make: (match) => ({ event: match[0], repeats: true }),
    },
    {
      pattern:
        /\b(?:again )?after (?:each|every|any|the first|the next|a|an|wading|beach|circuit|deep|hard|heavy|long|off-?road|winching|towing|salt)(?: |-)?(?:(?! (?:check|inspect|re-?torque|re-?tighten|look|tighten|go over|test)\b)[^.;:,|\n()]){0,44}/gi,
      make: (match) => ({ event: match[0], repeats: !/\bfirst\b|\bnext\b/i.test(match[0]) }),
    },
    {
      pattern: /\b(?:at|with) the first (?:oil change|service|tyre change|tire change|inspection|wash)\b/gi,
      make: (match) => ({ event: match[0], repeats: false }),
    },
    {
      pattern: /\bafter (?:wading|winching|towing|washing|beach driving|off-?roading)\b/gi,
      make: (match) => ({ event: match[0], repeats: true }),
    },
    {
      pattern:
        /\b(?:before|prior to) (?:each|every|any(?! (?:one |of them )?(?:is|are|was|gets?)\b)|an?|you rely|relying|the (?:first|next)) [^.;:,\n]{3,44}/gi,
      make: (match) => ({ event: match[0], repeats: /\b(?:each|every|any|an?)\b/i.test(match[0]) }),
    },
    { pattern: /\bwhenever [^.;:,\n]{4,60}/gi, make: (match) => ({ event: match[0], repeats: true }) },
  ];

/** `Every 5000 km or 6 months`, but `after 1000 km / 4 weeks`, which is once. */
const isRepeated = ({ input, index }: RegExpMatchArray): boolean =>
  !/\bafter\b(?!.*\b(?:every|each)\b)[^.;]{0,40}$/i.test((input ?? '').slice(Math.max(0, (index ?? 0) - 60), index));

function distanceOf(opener: string | undefined, count: string | undefined, unit: string | undefined) {
  const value = number(count ?? '');
  const name = unitFromSpelling(
    (unit ?? '').replace(/^\p{L}+[- ](?=\p{L})/u, '').replace(/^(?:k|k's|klicks?)$/i, 'km'),
  );
  if (value === undefined || !(value > 0) || name === undefined || dimensionOf(name) !== 'distance') return undefined;
  return { distanceKm: toBase(value, name), repeats: /^(?:every|each|all)$/i.test(opener ?? '') };
}

function periodOf(
  opener: string | undefined,
  count: string | undefined,
  unit: string | undefined,
): Omit<Aftercare, 'kind'> | undefined {
  const bare = (count ?? '').trim();
  const value = bare === '' ? 1 : number(bare);
  if (value === undefined || !(value > 0)) return undefined;
  const repeats = /^(?:every|each)$/i.test(opener ?? '');
  if (/cycle|heat|warm/i.test(unit ?? '')) return { heatCycles: value, repeats };
  const days = DAYS.find(([pattern]) => pattern.test((unit ?? '').toLowerCase()))?.[1];
  if (days === undefined) return undefined;
  if (days < 1) return { event: `${bare} ${unit} of use`.trim(), repeats };
  return { days: value * days, repeats };
}

function timesA(times: string | undefined, period: string | undefined): Omit<Aftercare, 'kind'> | undefined {
  const days = { day: 1, week: 7, month: 30, year: 365, season: 91 }[period?.toLowerCase() ?? ''];
  const often = { once: 1, twice: 2, 'three times': 3, 'four times': 4 }[times?.toLowerCase() ?? ''];
  return days && often ? { days: Math.floor(days / often), repeats: true } : undefined;
}

/** A line whose figures are all due later: `AFTER FITTING`, `hand over to the owner`, `maintenance`. */
const LATER =
  /\b(?:after ?care|after fitting|maintenance|hand ?over|service|later|looking after|upkeep|care|owner|when|follow[- ]up|return visit)\b/i;

/** Due dates of a sheet: by distance, time, heat cycles or event. Places and values, in order. */
export function aftercares(text: string): Array<{ start: number; end: number; value: Aftercare }> {
  const found: Array<{ start: number; end: number; value: Aftercare }> = [];
  const taken = takenBy(text.length);
  for (const { pattern, make } of RULES) {
    for (const match of text.matchAll(pattern)) {
      const start = match.index;
      const printed = match[0].replace(/[\s,]+$/, '');
      const end = start + printed.length;
      if (taken.at({ start, end }) !== undefined) continue;
      // `32 N·m in every year`: of all models.
      if (
        /^(?:every|each) (?:model )?year/i.test(printed) &&
        /\b(?:in|for|of|to|on) $/i.test(text.slice(Math.max(0, start - 5), start))
      )
        continue;
      // `withdrawn after two weeks`, `came loose after a month`: what happened.
      if (
        /\b(?:withdrawn|issued|stopped|sold|failed|broke|snapped|loose|returned|ended|happened|gave up)(?: [\w]+)? $/i.test(
          text.slice(Math.max(0, start - 24), start),
        )
      )
        continue;
      const value = make(match as RegExpExecArray);
      if (!value) continue;
      const sentence = sentenceAt(text, { start, end });
      const around = text.slice(sentence.start, sentence.end);
      const before = text.slice(sentence.start, start);
      // A wait at the work, or a distance that is driven to test, is not due later.
      const distance = value.distanceKm !== undefined || value.heatCycles !== undefined;
      if (value.event !== undefined && /\bfinal(?:ly)?\s*$/i.test(before)) continue;
      if (!distance && WAITED.test(before.slice(-40))) continue;
      const heads = before.trim() === '' && /^\s*:/.test(text.slice(end));
      if (!distance && value.repeats === false && !heads && !WORK.test(around)) continue;
      // `What did you find after a year?`
      if (value.event !== undefined && /\?/.test(text.slice(start, end + 1))) continue;
      if (value.event !== undefined && !WORK.test(around) && !LATER.test(around)) continue;
      if (/^(?:in|for|at|by)$/i.test(match[1] ?? '') && !WORK.test(around)) continue;
      taken.take({ start, end }, found.length);
      found.push({
        start,
        end,
        value: {
          kind: 'aftercare',
          ...value,
          ...(value.event === undefined ? {} : { event: printed.replace(/\s+/g, ' ') }),
        },
      });
    }
  }
  return [...found, ...sharedUnits(text, found)].sort((a, b) => a.start - b.start);
}

/** `… at five hundred miles, lugs at fifty`: the second figure has the unit of the first. */
function sharedUnits(text: string, found: ReadonlyArray<{ end: number; value: Aftercare }>) {
  const after = new RegExp(
    String.raw`^(?:,| and|,? then|;) (?:the )?[\p{L} -]{3,30} (?:at|after) (${COUNT})(?=[.;,\n]|$)`,
    'iu',
  );
  return found.flatMap(({ end, value }) => {
    const { distanceKm } = value;
    const match = distanceKm === undefined ? null : after.exec(text.slice(end, end + 80));
    const unit = /(miles?|mi|kms?|kilomet(?:re|er)s?)$/i.exec(text.slice(0, end).slice(-12))?.[1];
    const shared = match && unit ? distanceOf('at', match[1], unit) : undefined;
    return match && shared
      ? [
          {
            start: end + match[0].lastIndexOf(match[1] ?? ''),
            end: end + match[0].length,
            value: { kind: 'aftercare' as const, ...shared },
          },
        ]
      : [];
  });
}
