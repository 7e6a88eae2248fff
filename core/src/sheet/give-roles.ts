import { askedTorque } from './asked-torque.ts';
import type { AsideRole, Fact, TorqueStage } from './fact.ts';
import { lineAt } from './place-in.ts';
import { quotesLetter } from './quoted-letter.ts';
import { around } from './sentence.ts';
import { stageColumns } from './stage-columns.ts';
import type { Span } from './token.ts';
import { torqueRole, WRENCH_RANGE } from './torque-role.ts';
import {
  backAfterwards,
  backAndOn,
  backOffBetween,
  bareStages,
  CONNECT,
  INCH_UNITS,
  isTorque,
  lastOf,
  numberRun,
  STAGED,
  stageRow,
  type TorqueFact,
} from './torque-stages.ts';

/** `eight newton metres, no more`, `12 Nm on those, and not a bit more` */
const AND_NO_MORE = /^[^.;\d\n]{0,20}, ?(?:and |but )?(?:no|not a bit|not any|never) more\b(?! than)/i;

/** Whether two places stand in one bracket, with nothing but words and commas between. */
const inOneBracket = (text: string, first: Span, second: Span): boolean =>
  !/[();.\n]/.test(text.slice(first.end, second.start)) &&
  /\([^()\n]{0,60}$/.test(text.slice(Math.max(0, first.start - 61), first.start));

/** `Then 19 Nm. Do not overdo it, the bar is alu, 22 is the most.`: a ceiling that leaves its unit out. */
const BARE_CEILING =
  /^[^\n]{0,80}?\b(\d{1,3}(?:[.,]\d)?) (?:is|being) (?:the |its |an? )?(?:(?:very|absolute|upper) )?(?:most|limit|max(?:imum)?)\b/i;

function bareCeiling(fact: TorqueFact, text: string): number | undefined {
  const { max, maxNm, limitNm } = fact.value;
  const [said = '', figure] = BARE_CEILING.exec(text.slice(fact.end, fact.end + 120)) ?? [];
  // Another torque between has the ceiling.
  if (figure === undefined || limitNm !== undefined || /\d ?(?:n·?m|ft|lb|kg)/i.test(said)) return undefined;
  const value = Number(figure.replace(',', '.'));
  return value > max && value < 2 * max ? (value * maxNm) / max : undefined;
}

/** `Raised from 60 Nm to 65 Nm` reads like a range, and is an old figure and a new one. */
function raisedFrom(fact: TorqueFact, text: string): { old: Fact; now: TorqueFact } | undefined {
  const { value } = fact;
  if (value.min >= value.max || !/\bto\b|→|->/.test(fact.printed)) return undefined;
  const { before } = around(text, fact);
  if (
    !/\b(?:raised|changed|lowered|reduced|increased|corrected|altered|gone up|went (?:up|down))\b[^.;]{0,24}$/.test(
      before,
    )
  )
    return undefined;
  const one = (limit: 'min' | 'max', nm: number) => ({
    ...value,
    min: value[limit],
    max: value[limit],
    minNm: nm,
    maxNm: nm,
  });
  const { kind: _, ...old } = one('min', value.minNm);
  return {
    old: { ...fact, value: { kind: 'torqueAside', role: 'superseded', ...old } },
    now: { ...fact, value: one('max', value.maxNm) },
  };
}

/** `bench: 22nm bracket`, and on the next line `bench: sorry 24`: the new figure has the unit of the old. */
const CORRECTED_NEXT =
  /^[^\n]{0,24}\n[ \t]*(?:\[[\d:. ]+\] ?)?(?:\p{L}{1,14}: ?)?(?:sorry|correction|no,|i mean|make that|scratch that)[ ,:]*(\d{1,3}(?:[.,]\d)?)\b(?! ?(?:mm|off|x\b|bolts?|nuts?|nm\b|n·m|ft|in\b|lb))/iu;

function correctedNext(fact: TorqueFact, text: string): TorqueFact | undefined {
  const match = CORRECTED_NEXT.exec(text.slice(fact.end, fact.end + 90));
  const number = Number(match?.[1]?.replace(',', '.'));
  if (!match || !(number > 0)) return undefined;
  const start = fact.end + match[0].length - (match[1]?.length ?? 0);
  const nm = (number * fact.value.maxNm) / fact.value.max;
  return {
    ...fact,
    start,
    end: fact.end + match[0].length,
    printed: match[1] ?? '',
    confidence: CORRECTED,
    value: { ...fact.value, min: number, max: number, minNm: nm, maxNm: nm },
  };
}

/** Confidence of a figure whose unit was said before it was corrected. */
const CORRECTED = 0.7;

const asAside = (fact: TorqueFact, role: AsideRole): Fact => {
  const { kind: _, ...value } = fact.value;
  return { ...fact, value: { kind: 'torqueAside', role, ...value } };
};

/** The item or step a sentence speaks of: `for item 3`, `Step j:`. */
const LABEL = /\b(?:item|step|no\.?|pos\.?|line|position|par\.?) ?([a-z]|\d{1,3}[a-z]?)\b|\((\d{1,2}|[a-z])\)/i;

/** Whether a line of the sheet begins with a label. */
const bearsLabel = (text: string, at: number, label: string): boolean => {
  // A step may go on over some lines; its label stands at the head of one of them.
  const head = text
    .slice(Math.max(0, at - 400), at)
    .split('\n')
    .reverse();
  const own = head.find((line) => /^\s*[|(]?\s*(?:step |item )?(?:[a-z]|\d{1,3}[a-z]?)[.):]?\s/i.test(line)) ?? '';
  return new RegExp(`^\\s*[|(]?\\s*(?:step |item )?${label}[.):]?\\s`, 'i').test(own);
};

/** The torque a sentence names by its item or step; −1 without one. */
function namedTorque(facts: readonly Fact[], text: string, fact: Fact): number {
  const named = LABEL.exec(around(text, fact).before);
  const label = named?.[1] ?? named?.[2];
  return label === undefined
    ? -1
    : facts.findLastIndex(
        (other) => isTorque(other) && other.value.maxNm <= maxNmOf(fact) && bearsLabel(text, other.start, label),
      );
}

const maxNmOf = (fact: Fact): number => (fact.value.kind === 'torque' ? fact.value.maxNm : 0);

/** A figure that is taken back further on is no target where it stood: `Step j: the value of 190 Nm is withdrawn`. */
function takeBack(facts: Fact[], text: string, fact: TorqueFact): void {
  const { before, after } = around(text, fact);
  if (!/\b(?:withdrawn|cancell?ed|void|superseded|no longer|replaced|corrected)\b/.test(after)) return;
  const named = LABEL.exec(before);
  const label = named?.[1] ?? named?.[2];
  const same = facts.flatMap((other, index) =>
    isTorque(other) && Math.abs(other.value.maxNm - fact.value.maxNm) < 0.01 ? [index] : [],
  );
  const meant =
    label === undefined ? same : same.filter((index) => bearsLabel(text, (facts[index] as Fact).start, label));
  for (const index of meant.length > 0 ? meant : same.length === 1 ? same : []) {
    const old = facts[index];
    if (old && isTorque(old)) facts[index] = asAside(old, 'superseded');
  }
}

/** Confidence of a figure whose unit stands nowhere on its sheet. */
export const NO_UNIT = 0.55;

/** Confidence of a figure that nothing in its sentence asks for. */
export const UNSAID = 0.75;

/** Confidence of a figure that a joint is pulled on from. */
const BEGINS = 0.6;

/** Confidence of a figure that its sheet gives as near enough: no wrench is set to `about`. */
export const NEAR_ENOUGH = 0.72;

/** `Hand + 1/4 turn (ca. 80 N m)`, `roughly 25` */
const ABOUT = /(?:\b(?:ca\.?|circa|approx\.?|approximately|about|around|roughly|something like|some)|[~≈])\s*$/i;

/** How far before a figure it is looked for. */
const ABOUT_REACH = 18;

/** `So make it 105 Nm`: in the place of the figure that was just taken back. */
const INSTEAD =
  /\b(?:make|call) (?:it|that|them|those) $|\bshould (?:read|be|say|have (?:read|been|said)) $|\b(?:this|that|it|which) (?:has been|was|is) (?:now )?(?:revised|changed|raised|lowered|corrected|reduced|increased)(?: \w+)? to $/i;

const aboutTakenBack = (done: readonly Fact[], fact: TorqueFact): string | undefined => {
  const old = done.findLast((other) => other.value.kind === 'torqueAside' && other.value.role === 'superseded');
  return old && fact.start - old.end < CEILING_REACH ? old.about : undefined;
};

const sameNm = (a: TorqueFact, b: TorqueFact): boolean =>
  Math.abs(a.value.maxNm - b.value.maxNm) < 0.01 * b.value.maxNm;

/** `… again` behind a figure, and before it what makes a second round needed. */
const isSecondRound = (text: string, { start, end }: Span): boolean =>
  (/^ (?:again|once more)\b/.test(text.slice(end, end + 12)) ||
    /\bcheck(?:ed)?\b[^.;\n]{0,24}\b(?:at|with|to) $/i.test(text.slice(Math.max(0, start - 40), start))) &&
  /\b(?:re-?torque|re-?check|cools?|cooled|cool down|settled?|test drive|road test|operating temperature|heat cycles?)\b/i.test(
    text.slice(Math.max(0, start - 120), start),
  );

/** `Serve after 50 km: go round the eight screws once more at 22 Nm.`: what is due later, of a joint that has its figure. */
const isRecheck = (text: string, fact: Span): boolean => {
  const { before, after } = around(text, fact);
  const sentence = before + after;
  return (
    /\b(?:after|at|next|within|every)\b[^;]{0,24}\b(?:km|kilomet(?:re|er)s?|miles?|mi|days?|weeks?|months?|hours?|trips?|tow|drive)\b/.test(
      sentence,
    ) &&
    /\b(?:re-?(?:tighten|torque|check)\w*|check(?:ed|s)?|again|once more|(?:go|work) (?:a)?round|go over|nip)\b/.test(
      sentence,
    )
  );
};

/** `Checked at 500 km, at 95 N m, without being turned further`: a wrench is set below what the joint was pulled to. */
const isCheckedBelow = (text: string, fact: TorqueFact, pulled: TorqueFact): boolean =>
  isRecheck(text, fact) &&
  pulled.value.unit === fact.value.unit &&
  fact.value.maxNm < pulled.value.maxNm &&
  fact.value.maxNm > 0.8 * pulled.value.maxNm &&
  /\bcheck(?:ed|s)?\b[^.;]*\b(?:at|with|to)(?: about)? $/.test(around(text, fact).before);

/** Whether a line is a row of cells, whose heading asks. */
const hasCells = (text: string, at: number): boolean => /\S {2,}\S|\||\t/.test(lineAt(text, at).trim());

/** `max. ` in a cell, right before its figure. */
const CELL_CEILING = /(?:max(?:imum)?\.?:?|≤|<|at most|up to|not over) ?$/i;

/** … and right behind it. */
const CELL_CEILING_BEHIND = /^ ?(?:max(?:imum)?\b|at most|tops\b)/i;

/** How far behind its torque a ceiling may stand, characters. */
const CEILING_REACH = 260;

/** `Neck bolts are 210 Nm now, the 200 was for the M14 neck`: the figure that stood before it is taken back. */
const THE_FIGURE_WAS =
  /\bthe (\d{1,3}(?:[.,]\d)?)(?: ?(?:n·?m|ft-?lbs?|lb-?ft))? (?:was|were|is|are) (?:only )?(?:for|of|from|wrong|out of date|an? (?:error|mistake|typo|misprint)|the (?:old|former|previous))\b/gi;

/** Figures that are taken back further on, each with the clause that does. */
export const figuresTakenBack = (text: string): Array<Span & { figure: number }> =>
  [...text.matchAll(THE_FIGURE_WAS)].map(({ 0: said, 1: figure = '', index }) => ({
    figure: Number(figure.replace(',', '.')),
    start: index,
    end: index + said.length + (/^[^.;,\n]*/.exec(text.slice(index + said.length))?.[0].length ?? 0),
  }));

/**
 * Gives every torque its part: a ceiling joins the torque it limits, stages join their final value, and what nothing
 * is pulled to is set aside.
 *
 * @param listed - whether a place stands in a list of parts or tools
 * @param outdated - whether it stands in a table's column of old values
 * @param tabled - whether its unit is its column's: the heading asks for it
 * @param charted - whether it stands in a general chart of sizes
 */
export function giveRoles(
  facts: readonly Fact[],
  text: string,
  listed: (at: number) => boolean,
  outdated: (at: number) => boolean = () => false,
  tabled: (at: number) => boolean = () => false,
  charted: (at: number) => boolean = () => false,
): Fact[] {
  const answered = quotesLetter(text);
  const columns = stageColumns(text);
  const takenBack = figuresTakenBack(text);
  const done: Fact[] = [];
  /** The torque last read, whose ceiling or next stage may follow. */
  let open: TorqueFact | undefined;
  let openAt = -1;
  for (const fact of facts) {
    if (!isTorque(fact)) {
      done.push(fact);
      continue;
    }
    const inList = listed(fact.start);
    // Figures in one bracket are of one kind: `factory value (129 lb-ft, 111 lb-ft before)`.
    const last = done.at(-1);
    if (last?.value.kind === 'torqueAside' && inOneBracket(text, last, fact)) {
      done.push(asAside(fact, last.value.role));
      continue;
    }
    const corrected = correctedNext(fact, text);
    if (corrected) {
      done.push(asAside(fact, 'superseded'));
      open = corrected;
      done.push(open);
      openAt = done.length - 1;
      continue;
    }
    const run = numberRun(fact, text);
    if (run) {
      open = run;
      done.push(open);
      openAt = done.length - 1;
      continue;
    }
    const raised = raisedFrom(fact, text);
    if (raised) {
      done.push(raised.old);
      done.push(raised.now);
      open = raised.now;
      openAt = done.length - 1;
      continue;
    }
    // `Let it cool, then 52 ft-lb again`: the joint that has the figure, and none of its own.
    if (
      (isSecondRound(text, fact) || isRecheck(text, fact)) &&
      done.some((other) => isTorque(other) && (sameNm(other, fact) || isCheckedBelow(text, fact, other)))
    ) {
      done.push(asAside(fact, 'other'));
      continue;
    }
    const wide = fact.value.max >= WRENCH_RANGE * fact.value.min;
    const role = charted(fact.start)
      ? 'other'
      : outdated(fact.start) || takenBack.some(({ figure, start }) => start > fact.start && figure === fact.value.max)
        ? 'superseded'
        : tabled(fact.start) || fact.value.toYield !== undefined
          ? 'target'
          : torqueRole(text, fact, inList, answered, wide);
    if (role === 'wrench' || role === 'superseded' || role === 'other') {
      if (role === 'superseded') takeBack(done, text, fact);
      done.push(asAside(fact, role));
      continue;
    }
    if (
      tabled(fact.start) &&
      (CELL_CEILING.test(text.slice(Math.max(0, fact.start - 12), fact.start)) ||
        CELL_CEILING_BEHIND.test(text.slice(fact.end, fact.end + 12)))
    ) {
      done.push({ ...fact, value: { ...fact.value, only: 'ceiling', limitNm: fact.value.maxNm } });
      continue;
    }
    const near = open !== undefined && fact.start - open.end < CEILING_REACH;
    const between = open ? text.slice(open.end, fact.start) : '';
    const sameBlock = near && open?.step === fact.step;
    const sameJoint = near && !/\n\s*\n/.test(between) && (sameBlock || !/\n\s*(?:\d+|[A-Za-z])[.):]/.test(between));
    if (role === 'ceiling') {
      // `115 Nm minimum, 130 Nm maximum`: the two ends of one.
      if (
        open?.value.only === 'floor' &&
        fact.value.maxNm > open.value.minNm &&
        /^[ ,;/]{0,3}(?:min(?:imum)?\b\.?)?[ ,;/]{0,3}(?:and |or )?$/i.test(between)
      ) {
        const { only: _, limitNm: __, ...low } = open.value;
        done[openAt] = {
          ...open,
          end: fact.end,
          printed: text.slice(open.start, fact.end),
          confidence: fact.confidence,
          value: { ...low, max: fact.value.max, maxNm: fact.value.maxNm },
        };
        open = undefined;
        continue;
      }
      if (open && sameJoint && open.value.limitNm === undefined && fact.value.maxNm > 0.99 * open.value.maxNm) {
        // From a floor on to a ceiling: reached, and then on to the slot.
        const { only: _, ...target } = open.value;
        const joined: TorqueFact = { ...open, value: { ...target, limitNm: fact.value.maxNm } };
        done[openAt] = joined;
        open = joined;
        continue;
      }
      const labelled = namedTorque(done, text, fact);
      if (labelled >= 0) {
        const limited = done[labelled] as TorqueFact;
        done[labelled] = { ...limited, value: { ...limited.value, limitNm: fact.value.maxNm } };
        if (labelled === openAt) open = done[labelled] as TorqueFact;
        continue;
      }
      // `Do not exceed 110 Nm on the M12`: of the joint that has that size.
      const size = /^\s*(?:on|for) (?:the |all |any )?(m\d{1,2})\b/i.exec(around(text, fact).after)?.[1]?.toUpperCase();
      const sized = done.findLastIndex(
        (other) => isTorque(other) && other.about?.split(' ')[0] === size && other.value.maxNm <= fact.value.maxNm,
      );
      if (size !== undefined && sized >= 0) {
        const limited = done[sized] as TorqueFact;
        done[sized] = { ...limited, value: { ...limited.value, limitNm: fact.value.maxNm } };
        continue;
      }
      // `8 Nm, no more`: pulled to, and not beyond.
      const pulledTo = AND_NO_MORE.test(text.slice(fact.end, fact.end + 48));
      const lone = pulledTo ? {} : ({ only: 'ceiling' } as const);
      done.push({ ...fact, value: { ...fact.value, ...lone, limitNm: fact.value.maxNm } });
      continue;
    }
    if (role === 'floor') {
      open = { ...fact, confidence: Math.min(fact.confidence, 0.8), value: { ...fact.value, only: 'floor' } };
      done.push(open);
      openAt = done.length - 1;
      continue;
    }
    if (open && sameJoint && open.value.only === undefined) {
      const backOffDeg = backOffBetween(between);
      const lead = text.slice(Math.max(0, open.start - 60), open.start);
      const rows = stageRow(text, open.start) < stageRow(text, fact.start) || columns.get(fact.start) === lastOf(open);
      const staged =
        (sameBlock || rows) &&
        // `120 in-lb, then 20 ft-lb`
        (open.value.unit === fact.value.unit || (INCH_UNITS.has(open.value.unit) && INCH_UNITS.has(fact.value.unit))) &&
        fact.value.maxNm > open.value.maxNm * 1.02 &&
        (rows || CONNECT.test(between)
          ? rows || STAGED.test(lead + between)
          : /\b(?:stage|pass|step) (?:1|one|i)\b/i.test(lead) &&
            /\b(?:stage|pass|step) (?:2|two|ii|3|three)\b/i.test(between));
      // What was turned back and tightened anew is whole: the next figure is another joint's.
      const whole = open.value.stages?.some((stage) => 'backOffDeg' in stage) ?? false;
      if (staged || (backOffDeg !== undefined && !whole && between.length < 120)) {
        const stages: TorqueStage[] = [...(open.value.stages ?? [{ torqueNm: open.value.maxNm }])];
        if (backOffDeg !== undefined) stages.push({ backOffDeg });
        stages.push({ torqueNm: fact.value.maxNm });
        const joined: TorqueFact = {
          ...fact,
          start: open.start,
          printed: text.slice(open.start, fact.end),
          about: fact.about ?? open.about,
          confidence: Math.min(open.confidence, fact.confidence),
          value: { ...fact.value, stages },
        };
        done[openAt] = joined;
        open = joined;
        continue;
      }
    }
    const { before, after } = around(text, fact);
    // `This has been revised to 52 lb-ft`, and the step that tightens says 52 lb-ft again.
    const revised = INSTEAD.test(before) && !/\b(?:make|call)\b[^.;]*$/i.test(before);
    if (
      revised &&
      facts.some((other) => other !== fact && isTorque(other) && other.start > fact.end && sameNm(other, fact))
    ) {
      done.push(asAside(fact, 'other'));
      continue;
    }
    // No verb, no piece and no row asks for it: it is shown, and doubted.
    const unsaid =
      fact.value.toYield === undefined && fact.confidence > UNSAID && askedTorque(before, after) === 'unsaid';
    const stages = fact.value.stages === undefined ? bareStages(fact, text) : undefined;
    // `In small steps, beginning at 180 Nm, until the play is gone`: where it starts, and not where it ends.
    const begins = /\b(?:beginning|starting|start|begin) (?:at|from|with) (?:about )?$/.test(before);
    const about = fact.about ?? (INSTEAD.test(before) ? aboutTakenBack(done, fact) : undefined);
    const doubted =
      unsaid && !hasCells(text, fact.start)
        ? { ...fact, confidence: UNSAID }
        : begins
          ? { ...fact, confidence: Math.min(fact.confidence, BEGINS) }
          : ABOUT.test(text.slice(Math.max(0, fact.start - ABOUT_REACH), fact.start)) && fact.confidence > NEAR_ENOUGH
            ? { ...fact, confidence: NEAR_ENOUGH }
            : fact;
    const turnedBack = stages ?? backAfterwards(fact, after);
    const again = stages ? undefined : backAndOn(fact, after);
    const most = bareCeiling(fact, text);
    open = {
      ...doubted,
      about,
      value: {
        ...(again ? { ...fact.value, ...again } : turnedBack ? { ...fact.value, stages: turnedBack } : doubted.value),
        ...(most === undefined ? {} : { limitNm: most }),
      },
    };
    done.push(open);
    openAt = done.length - 1;
  }
  return done.map((fact) =>
    isTorque(fact) && fact.value.limitNm !== undefined && TO_SLOT.test(text.slice(fact.start, fact.end + SLOT_REACH))
      ? { ...fact, value: { ...fact.value, toSlot: true } }
      : fact,
  );
}

/** Behind the figure of a castle nut: `then tighten further to align the cotter pin hole`, `on to the next slot`. */
const TO_SLOT =
  /^[^\n]{0,90}?(?:\bnext (?:slot|hole|castellation)\b|\balign(?:s|ed)? (?:with )?(?:the )?(?:cotter|split|pin)\b|\b(?:cotter|split)[ -]pin (?:hole )?(?:lines up|aligns|fits|goes (?:in|through))|\bpin (?:fits|lines up|goes (?:in|through)))/i;
const SLOT_REACH = 110;
