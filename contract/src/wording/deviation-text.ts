import { QUANTITY_UNIT } from '#core/kit/baseline-unit.ts';
import { kitOf } from '#core/kit/ids.ts';
import type { KitDocument } from '#core/kit/kit-document.ts';
import { indexOf, type Plan } from '#core/kit/plan.ts';
import { checkRead } from '#core/kit/step-action.ts';
import { lineOf } from '#core/line/line.ts';
import type { Deviation } from '#core/record/deviations.ts';
import { unreachable } from '#core/result.ts';
import type { TraceKind } from '#core/trace/pull-trace.ts';
import { careName } from './care-text.ts';
import { changeText, claimText } from './change-text.ts';
import { clockName } from './clock-text.ts';
import { choiceText } from './conflict-text.ts';
import { DEVIATIONS } from './en/deviations.ts';
import { MAY_TEXT } from './en/line.ts';
import { REFUSALS } from './en/refusals.ts';
import { END_TEXT, FACTOR_TEXT, FIGURE_SOURCE_TEXT, VERDICT_TEXT } from './en/terms.ts';
import { TRACE_WORDS } from './en/trace.ts';
import { lookTargetText } from './look-text.ts';
import { wantedText } from './measured-text.ts';
import { midSentence, say, type Values } from './say.ts';
import { shopTime } from './shop-time.ts';
import { planActionText, stepTitle } from './step-text.ts';
import { substituteText } from './substitute-text.ts';

const nm = (torqueNm: number): string => `${torqueNm.toFixed(1)} N·m`;

/** What was lifted, as it was called on the screen; a code of before stands as it is. */
const refusalTitle = (code: string): string =>
  (REFUSALS as Partial<Record<string, { title: string }>>)[code]?.title ?? code;

/** A stretch of time in its largest unit, rounded. */
function span(ms: number): string {
  const minutes = Math.max(1, Math.round(ms / 60_000));
  if (minutes < 120) return `${minutes} min`;
  return minutes < 2880
    ? `${Math.round(minutes / 60)} h`
    : say('{minutes} days', { minutes: Math.round(minutes / 1440) });
}

/** A kind of pull in the middle of a sentence. */
const curveName = (kind: TraceKind): string => {
  const { name } = TRACE_WORDS[kind];
  return `${midSentence(name.charAt(0))}${name.slice(1)}`;
};

/** What a person typed, as a sentence: with its full stop, once. */
const sentence = (text: string): string => (/[.!?]$/.test(text.trim()) ? text.trim() : `${text.trim()}.`);
const maybe = (text: string | undefined): string | undefined => (text ? sentence(text) : undefined);

/** The facts of a deviation as they stand in its sentence: ids by their names, what was typed as sentences. */
function valuesOf(deviation: Deviation, plan: Plan, kit: Pick<KitDocument, 'questions'>): Values {
  const { stations, items, steps } = indexOf(plan);
  const stepName = (id: string) => {
    const step = steps.get(id);
    // Its own full stop would stand before the colon.
    return step ? stepTitle(plan, step).replace(/[.:;]\s*$/, '') : id;
  };
  const actName = (id: string) => {
    const act = lineOf(plan).actById.get(id);
    return act ? planActionText(plan, act.action) : id;
  };
  const at = (id: string) => say('Station {label}', { label: stations.get(id)?.label ?? id });
  const line = (id: string) => {
    const item = items.get(id);
    return item ? `${item.line} ${item.name}` : id;
  };
  const title = (id: string) => plan.kits.find((entry) => entry.id === id)?.title ?? id;
  switch (deviation.kind) {
    case 'override': {
      const { station, refusal, reason } = deviation;
      return { station: at(station), refusal: refusalTitle(refusal), reason: sentence(reason) };
    }
    case 'pullMissed':
    case 'pullWithdrawn': {
      const { station, pull } = deviation;
      return { station: at(station), torqueNm: nm(pull.torqueNm), verdict: VERDICT_TEXT[pull.verdict] };
    }
    case 'curve': {
      const { station, pull, curve } = deviation;
      return {
        station: at(station),
        torqueNm: nm(pull.torqueNm),
        what: curveName(curve.kind),
        also: curve.also.length > 0 ? curve.also.map(curveName).join(', ') : undefined,
        share: `${Math.round(100 * curve.confidence)} %`,
      };
    }
    case 'clockOff': {
      const { offMs, changed } = deviation;
      return { by: span(Math.abs(offMs)), way: offMs > 0 ? 'behind' : 'ahead', changed: String(changed) };
    }
    case 'clockBackwards':
      return { by: span(deviation.byMs) };
    case 'pullRepeated': {
      const { station, pass, torqueNm } = deviation;
      return { station: at(station), pass: pass + 1, torqueNm: nm(torqueNm) };
    }
    case 'breakAcknowledged': {
      const { breaks, reason } = deviation;
      return { breaks: breaks.join(', '), reason: sentence(reason) };
    }
    case 'pullCorrected': {
      const { station, from, to, reason } = deviation;
      return { station: at(station), fromNm: nm(from), toNm: nm(to), reason: sentence(reason) };
    }
    case 'threadMended': {
      const { station, rung, runs, note = '' } = deviation;
      return { station: at(station), rung, runs: String(runs), note: sentence(note) };
    }
    case 'washerAdded': {
      const { station, under, insideMm, outsideMm, thicknessMm, hardnessHv, noThreadShows, reason } = deviation;
      const size = { insideMm, outsideMm, thicknessMm, hardnessHv };
      return { station: at(station), under, ...size, shows: noThreadShows && 'few', reason: sentence(reason) };
    }
    case 'loosened': {
      const { station, spent, reason } = deviation;
      return { station: at(station), spent: spent.map(line).join(', ') || undefined, reason: sentence(reason) };
    }
    case 'lineShort': {
      const { item, missing, damaged } = deviation;
      return { item: line(item), missing, damaged };
    }
    case 'substitute': {
      const { item, quantity, piece, differences, reason } = deviation;
      const told = differences.map(substituteText).join('; ');
      return { item: line(item), quantity, bin: piece.bin, differences: told, reason: sentence(reason) };
    }
    case 'ordered': {
      const { item, quantity, supplier, promisedMs, arrived } = deviation;
      return { item: line(item), quantity, supplier, promised: shopTime(promisedMs, plan.rules), arrived };
    }
    case 'countsDiffer': {
      const { item, first, second } = deviation;
      return { item: line(item), first, second };
    }
    case 'apart':
    case 'shopStock':
    case 'scrapped': {
      const { item, quantity, reason } = deviation;
      return { item: line(item), quantity, reason: sentence(reason) };
    }
    case 'answerChanged': {
      const { question, from, to } = deviation;
      const asked = kit.questions.find((entry) => entry.id === question)?.text ?? question;
      return { question: asked, from: String(from), to: String(to) };
    }
    case 'measuredElsewhere': {
      const { act, place, who, what } = deviation;
      return { act: actName(act), place: place || undefined, who, what: sentence(what) };
    }
    case 'outsideClaim': {
      const { baseline: id, place, against, before, after, off } = deviation;
      const baseline = plan.baselines.find((entry) => entry.id === id);
      const quantity = baseline?.quantity ?? 'length';
      const unit = QUANTITY_UNIT[quantity];
      const { change, after: limits, sides } = baseline ?? {};
      return {
        name: baseline?.name ?? id,
        place,
        against,
        before,
        after,
        unit,
        changed: against === 'claim' && off !== undefined ? changeText(quantity, off, unit) : undefined,
        wanted:
          against === 'side'
            ? say('{off} {unit} apart, at most {sides} {unit}', { off: Math.abs(off ?? 0), unit, sides })
            : against === 'limits'
              ? say('wanted {value} {unit}', {
                  value: [
                    limits?.min !== undefined && say('at least {min}', { min: limits.min }),
                    limits?.max !== undefined && say('at most {max}', { max: limits.max }),
                  ]
                    .filter(Boolean)
                    .join(', '),
                  unit,
                })
              : say('the kit says {which}', { which: change ? claimText(quantity, change, unit) : 'nothing' }),
      };
    }
    case 'withoutFigure':
      return { station: at(deviation.station), reason: sentence(deviation.reason) };
    case 'calculation': {
      const { station, summary, reason } = deviation;
      return { station: station && at(station), summary: sentence(summary), reason: sentence(reason) };
    }
    case 'figureGiven': {
      const { target, printed, source, note } = deviation;
      const thing = [...plan.removed, ...plan.neighbours].find(({ id }) => id === target)?.name ?? target;
      return {
        target: stations.has(target) ? at(target) : thing,
        printed,
        source: FIGURE_SOURCE_TEXT[source],
        note: sentence(note),
      };
    }
    case 'basisSettled': {
      const { station, use, factorFrom, printedNm, sameLoadNm, reason } = deviation;
      return {
        station: at(station),
        use,
        from: FACTOR_TEXT[factorFrom ?? 'friction'],
        printedNm: nm(printedNm),
        sameLoadNm: nm(sameLoadNm),
        reason: sentence(reason),
      };
    }
    case 'compoundNamed':
      return { product: deviation.product };
    case 'stageMissed': {
      const { station, stage, torqueNm, verdict } = deviation;
      return { station: at(station), stage: stage + 1, torqueNm: nm(torqueNm), verdict: VERDICT_TEXT[verdict] };
    }
    case 'addendum': {
      const { station, text, foundBy, redone } = deviation;
      return { station: station && at(station), text: sentence(text), foundBy, redone: redone && sentence(redone) };
    }
    case 'conflictSettled': {
      const { conflict: id, choice, printed, reason } = deviation;
      const conflict = plan.conflicts.find((entry) => entry.id === id);
      return {
        place: conflict?.place ?? id,
        choice: conflict ? choiceText(conflict, choice, title) : choice,
        printed,
        reason: sentence(reason),
      };
    }
    case 'sharedSplit':
      return { reason: sentence(deviation.reason) };
    case 'kitDropped':
      return { kit: kitOf(deviation.prefix) || undefined, reason: sentence(deviation.reason) };
    case 'stepOverride': {
      const { step, refusal, reason } = deviation;
      return { step: stepName(step), refusal: refusalTitle(refusal), reason: sentence(reason) };
    }
    case 'stepAdded':
      return {
        text: sentence(deviation.text),
        problem: deviation.problem === undefined ? 'none' : sentence(deviation.problem),
      };
    case 'stepWaived':
      return { step: stepName(deviation.step), reason: sentence(deviation.reason) };
    case 'turnedSince': {
      const { station, torqueNm, turnedDeg } = deviation;
      return {
        station: at(station),
        pulled: nm(torqueNm),
        turned: turnedDeg === undefined ? 'none' : `${Math.round(turnedDeg)}°`,
      };
    }
    case 'ownLook':
      return { target: lookTargetText(plan, deviation.target) };
    case 'careWaived':
      return { care: careName(plan, deviation.care), reason: sentence(deviation.reason) };
    case 'wrongWay': {
      const { act, way, reason } = deviation;
      return { act: actName(act), way, reason: sentence(reason) };
    }
    case 'notMet': {
      const { act, said, met } = deviation;
      const action = lineOf(plan).actById.get(act)?.action;
      const check = action && plan.checks.find(({ id }) => id === checkRead(action));
      return {
        act: actName(act),
        said: said.replace('verdict notMet', 'not so'),
        wanted: check && wantedText(check),
        met: String(met),
      };
    }
    case 'clockReleased': {
      const { group, act, endsAtMs, reason } = deviation;
      const endsAt = shopTime(endsAtMs, plan.rules);
      return { what: clockName(plan, { group, act }), endsAt, reason: sentence(reason) };
    }
    case 'parked': {
      const { may, open, reason, resumed } = deviation;
      return { may: MAY_TEXT[may], open, resumed: String(resumed), reason: sentence(reason) };
    }
    case 'unfinished': {
      const { way, may, open, reason } = deviation;
      return { way, may: MAY_TEXT[may], open, reason: sentence(reason) };
    }
    case 'prerequisiteUnmet': {
      const { prerequisite, note } = deviation;
      const text = plan.prerequisites.find(({ id }) => id === prerequisite)?.text ?? prerequisite;
      return { text: sentence(text), note: maybe(note) };
    }
    case 'debtEnded': {
      const { name, count, end, planned, note } = deviation;
      return { name, count, end: END_TEXT[end], planned: END_TEXT[planned], note: maybe(note) };
    }
    case 'problem': {
      const { station, text, cleared } = deviation;
      return { station: station && at(station), text: sentence(text), cleared: maybe(cleared) };
    }
    default:
      return unreachable(deviation);
  }
}

/** A deviation in one sentence. */
export const deviationText = (deviation: Deviation, plan: Plan, kit: Pick<KitDocument, 'questions'>): string =>
  say(DEVIATIONS[deviation.kind], valuesOf(deviation, plan, kit));
