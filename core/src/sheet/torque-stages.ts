import type { Fact, FactValue, TorqueStage } from './fact.ts';
import { inDigits, TURN_DEG } from './lexicon.ts';
import { around } from './sentence.ts';

export const INCH_UNITS: ReadonlySet<string> = new Set(['lbf·in', 'lbf·ft']);

/** Words that lead from one stage to the next, and nothing else between two figures. */
export const CONNECT =
  /^(?:\s|[,;.:()→/–-]|>|->|\b(?:times?|rounds?|then|next|after(?:wards?| that)?|again|finally|and|last(?:ly)?|first(?:ly)?|second(?:ly)?|third(?:ly)?|to|up|at|all|with|in|go|going|round|around|a|the|them|it|bring|pull|pulled|tighten|torque|stage|step|pass|turn|end|on|1|2|3|4|1st|2nd|3rd|i{1,3}|by|follow(?:ed|ing)?|full|final|figure|value|is|of|same|order|pattern|bolts?|nuts?|screws?|each|every|once|more|crosswise|across|star|cross)\b)*$/i;

/** What makes of two figures the stages of one joint. */
export const STAGED =
  /\b(?:first|then|stages?|passes|finally|steps|firstly|1st|in two|in three|twice|again|round|increments|approach|pre-?tighten|in (?:\d|two|three) (?:times|goes))\b|→|->/i;

const BACK_OFF =
  /\b(?:back (?:it|them|the \w+ )?\s?off|back[- ]?off|slacken|undo|loosen|turn(?:ed)? back|release)\b[^.]{0,40}?(?:(\d+)\s?(?:°|deg)|(\d)\/(\d) (?:of a )?turn|(half|quarter|full|third|three-quarter)[ -]?(?:a )?turn|a turn)?/i;

/** How far it is turned back between two figures, degrees; 0 where it is loosened with no angle said; undefined if not. */
export function backOffBetween(between: string): number | undefined {
  const match = BACK_OFF.exec(between);
  // `Never turn back.`
  if (!match || /\b(?:never|not|don['’]t|without)\s*$/i.test(between.slice(0, match.index))) return undefined;
  const share = /\b(\d)\/(\d) (?:of a )?turn/.exec(between);
  const degrees = /(\d+)\s?(?:°|deg)/.exec(between);
  const word = /\b(quarter|third|half|full|three-quarter)s?[ -](?:of )?(?:a )?turn/i.exec(between);
  if (degrees) return Number(degrees[1]);
  if (share) return (360 * Number(share[1])) / Number(share[2]);
  return word ? (TURN_DEG[word[1]?.toLowerCase() ?? ''] ?? 0) : 0;
}

/** `60 Nm, back off 1/4, then 25`: the last figure has the unit of the first. */
const BACK_AND_ON =
  /^,? ?(?:and |then )*(?:back(?: it| them)? off|turn(?: it| them)? back|slacken|loosen)\b[^.;|\n]{0,30}?(?:,|\bthen\b|\band\b) (?:(?:then|to|up to|re-?tighten|tighten|pull|again|torque) )*(\d{1,3}(?:[.,]\d)?)(?! ?(?:°|deg|turn|mm|\/|x\b|%|min|h\b|\d))/;

/** Turned back and tightened anew, the last figure without a unit of its own. */
export function backAndOn({ value }: TorqueFact, after: string): Partial<TorqueFact['value']> | undefined {
  const on = BACK_AND_ON.exec(after);
  const last = Number(on?.[1]?.replace(',', '.'));
  if (!on || !(last > 0) || last > value.max) return undefined;
  const off = on[0].slice(0, on[0].length - (on[1]?.length ?? 0)).replace(/(\d\/\d),? /, '$1 turn ');
  const lastNm = (last * value.maxNm) / value.max;
  return {
    min: last,
    max: last,
    minNm: lastNm,
    maxNm: lastNm,
    stages: [{ torqueNm: value.maxNm }, { backOffDeg: backOffBetween(off) ?? 0 }, { torqueNm: lastNm }],
  };
}

/** `60 Nm then back 1/6 turn`: where it is left turned back. */
export function backAfterwards({ value }: TorqueFact, after: string): TorqueStage[] | undefined {
  const said = /^,? ?(?:and |then )+(?:turn(?:ed)? |go )?back(?: off| it off)?(?: by)? [^.;|]{3,20}/.exec(after)?.[0];
  const deg = said === undefined ? 0 : (backOffBetween(`back off ${said}`) ?? 0);
  return deg > 0 ? [{ torqueNm: value.maxNm }, { backOffDeg: deg }] : undefined;
}

export type TorqueFact = Fact & { value: Extract<FactValue, { kind: 'torque' }> };

export const isTorque = (fact: Fact): fact is TorqueFact => fact.value.kind === 'torque';

/** `8 - 14 - 19 Nm` is no range: three stages. */
export function numberRun(fact: TorqueFact, text: string): TorqueFact | undefined {
  const { value } = fact;
  if (value.min >= value.max) return undefined;
  const first = Number(
    /(\d+(?:[.,]\d)?)\s*[-–/]\s*$/.exec(text.slice(Math.max(0, fact.start - 10), fact.start))?.[1]?.replace(',', '.'),
  );
  if (!(first > 0) || first >= value.min) return undefined;
  const share = value.maxNm / value.max;
  return {
    ...fact,
    value: {
      ...value,
      min: value.max,
      minNm: value.maxNm,
      stages: [first, value.min, value.max].map((number) => ({ torqueNm: number * share })),
    },
  };
}

/** Numbers that lead up to a torque without their own unit: `40, then 70, then 95 Nm`, `in 3 steps 40 / 80 / 120`. */
export function bareStages(fact: TorqueFact, text: string): TorqueStage[] | undefined {
  const sentence = around(text, fact);
  const before = inDigits(sentence.before);
  const { after } = sentence;
  const led =
    /((?:(?<![\p{L}\d.])\d{1,3}(?:[.,]\d)?(?: ?nm)?\s*(?:,|\/|–|-|→|>|\bthen\b|\band\b|\bto\b)\s*(?:(?:and|then|finally|to|at|last|all)\s+)*)+)$/u.exec(
      before,
    )?.[1];
  const behind =
    /^\s*,?\s*(?:in|with) (?:\d|two|three|four) (?:steps|stages|passes|goes|rounds|bites|pulls)[:, (]+((?:\d{1,3}(?:\s*[,/–-]\s*(?:and )?| and ))+\d{1,3})/.exec(
      after,
    )?.[1];
  // `in two goes: 80 first, then the full 165`
  const goes =
    /^\s*,?\s*(?:in|with) (?:\d|two|three|four) (?:steps|stages|passes|goes|rounds|bites|pulls)[:, (]+([^.;\n]{3,70})/.exec(
      after,
    )?.[1];
  const spread = behind ?? (goes && /\b(?:first|then)\b/.test(goes) ? `${goes} ${fact.value.max}` : undefined);
  const numbers = [
    ...new Set(((led ?? spread)?.match(/\d+(?:[.,]\d)?/g) ?? []).map((number) => Number(number.replace(',', '.')))),
  ];
  if (numbers.length === 0) return undefined;
  const all = led ? [...numbers, fact.value.max] : numbers;
  const rising = all.every((number, index) => index === 0 || number > (all[index - 1] ?? 0));
  const staged = spread !== undefined || STAGED.test(before) || /\bthen\b/.test(led ?? '') || numbers.length > 1;
  if (!rising || !staged || all.length < 2 || all.at(-1) !== fact.value.max || (all[0] ?? 0) < fact.value.max / 12)
    return undefined;
  const share = fact.value.maxNm / fact.value.max;
  return all.map((number) => ({ torqueNm: number * share }));
}

const STAGE_ROW = 60;

/** The stage a row is of that has nothing else before its figure, `stage 2 … 45 Nm`; NaN where it is none. */
export function stageRow(text: string, at: number): number {
  // Nothing else stands before it in its row, which is short.
  const near = text.slice(Math.max(0, at - STAGE_ROW), at);
  const before = near.slice(near.lastIndexOf('\n') + 1);
  const named = /^\s*(?:stage|pass|round|go) ?([1-9])(?:st|nd|rd|th)?[\s.:–-]*(?:to )?$/i.exec(before)?.[1];
  if (named !== undefined) return Number(named);
  // `1   30 Nm` in a table whose first column is headed `PASS`.
  const bare = /^[\s|]*([1-9])(?:st|nd|rd|th)?[\s|]{2,}$/.exec(before)?.[1];
  if (bare === undefined) return Number.NaN;
  const above = text
    .slice(Math.max(0, at - STAGES_ABOVE), at)
    .split('\n')
    .slice(-2 - Number(bare), -1);
  return above.some((line) => /^[\s|]*(?:stage|pass|round|step)s?\b[\s|]{2,}\S/i.test(line))
    ? Number(bare)
    : Number.NaN;
}
/** How far above its rows the heading of a table of passes may stand, characters. */
const STAGES_ABOVE = 400;

/** Where the last figure of a torque stands: of one with stages the one of its last stage. */
export const lastOf = ({ end, printed }: TorqueFact): number =>
  end - (/\d[\d.,]*[^\d]*$/.exec(printed)?.[0].length ?? printed.length);
