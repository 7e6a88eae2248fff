import { atEachPlace } from '../../kit/asked.ts';
import { answerId } from '../../kit/condition.ts';
import { isHeldUpBy } from '../../kit/held-up-by.ts';
import { indexOf, type Plan } from '../../kit/plan.ts';
import { inTheBox, piecesPutOn } from '../../kit/put-on.ts';
import { type Answers, judgeAnswers, pressSays, usualAnswers } from '../../line/ask.ts';
import { findingKey } from '../../line/kind/choosing.ts';
import { type LineAct, lineOf } from '../../line/line.ts';
import { lineKind } from '../../line/line-kinds.ts';
import { fluidId } from '../../visit/wanted.ts';
import { dayOf } from '../../wrench/suitable-wrench.ts';
import { type Debt, isOwed } from '../debt.ts';
import { ruleBehind } from '../gate/bending.ts';
import { openConflict } from '../gate/conflict-gate.ts';
import { refitRefusal } from '../gate/refit-gate.ts';
import { stripGate } from '../gate/strip-gate.ts';
import { actsOfItem, piecesOnTray } from '../hardware-ledger.ts';
import { type JobState, lineState, stationState } from '../job-state.ts';
import { clockOfAct, clockShuts, waitsForTheDriver } from '../line-clocks.ts';
import { asksNow, atOf } from '../line-known.ts';
import { debtTouched, lineProgress, waitsOfAct } from '../line-progress.ts';
import { LOAD_STATE_ON } from '../load-state.ts';
import type { Refusal } from '../refusal.ts';
import { COUNTER_TOO, ON_THE_FLOOR } from '../role.ts';
import { shoppingList } from '../shopping-list.ts';
import { type Ask, act, type Draft, done, type Outcome, refuse, stampOf } from './act.ts';
import { type ActsReopened, afterCheck } from './after-check.ts';
import type { PrerequisiteAnswered } from './answer-prerequisite.ts';
import { changeDebts } from './change-debts.ts';
import type { ProblemCleared } from './clear-problem.ts';
import type { DebtClosed } from './close-debt.ts';
import type { FoundOut } from './find-out.ts';
import type { ChoiceMade } from './make-choice.ts';
import type { Measured } from './measure.ts';
import type { DebtOpened } from './open-debt.ts';
import type { ProblemRaised } from './raise-problem.ts';
import type { LoadStateSet } from './set-load-state.ts';
import type { StartUndone, StationStarted } from './start-by-hand.ts';

/** Does one act of the line, with what it asks answered. */
export interface DoAct {
  type: 'doAct';
  act: string;
  answers?: Answers;
}

/** `failed`: what is not met; `wrong`: what is known to do harm and was done with a reason. */
export interface ActDone {
  type: 'actDone';
  act: string;
  step: string;
  answers: Answers;
  failed: string[];
  wrong: string[];
}

export interface ActUndone {
  type: 'actUndone';
  acts: string[];
  /** Debts they had ended. */
  reopened: string[];
  /** Debts they had opened. */
  closedAgain: string[];
}

export type FollowsFromAct =
  | DebtOpened
  | DebtClosed
  | Measured
  | PrerequisiteAnswered
  | ChoiceMade
  | FoundOut
  | LoadStateSet
  | ProblemRaised
  | ProblemCleared
  | StationStarted
  | StartUndone;

/** Pieces of a debt that an act puts back: as it says, never more than are owed. */
function countOf(act: LineAct, debt: Debt): number {
  const said = act.action.type === 'refit' ? act.action.count : undefined;
  return Math.min(said ?? debt.count, debt.count - debt.ended);
}

const numberAt = (answers: Answers, place: string): number | undefined => {
  const value = answers[`at ${place}`];
  return typeof value === 'number' ? value : undefined;
};

/** The joints whose pieces an act puts back in their holes: with that they are started by hand. */
const startedBy = (plan: Plan, lineAct: LineAct): string[] => {
  const thing = debtTouched(lineAct.action);
  if (!thing || thing.opens) return [];
  return plan.groups.flatMap(({ again, stations }) =>
    again?.thing === thing.id && again.step === lineAct.step ? stations : [],
  );
};

/** What else holds once an act is done: kept as the facts that the rest of the shop reads. */
function consequences(plan: Plan, job: JobState, lineAct: LineAct, answers: Answers, met: boolean): FollowsFromAct[] {
  const { action } = lineAct;
  const touched = debtTouched(action);
  const debt = touched && lineProgress(plan, job).debts.get(touched.id);
  if (touched && debt) {
    if (touched.opens) {
      if (debt.opened !== undefined) return [];
      const retires = plan.disconnects.find(({ id }) => id === touched.id)?.retires === true;
      const opened: FollowsFromAct = { type: 'debtOpened', debts: debt.ids };
      // Not used again: with its end sealed and tied up it is where it must be.
      return retires
        ? [opened, { type: 'debtClosed', debts: debt.ids, count: debt.count, end: debt.end, note: 'retired' }]
        : [opened];
    }
    if (!isOwed(debt)) return [];
    return [
      {
        type: 'debtClosed',
        debts: debt.ids,
        count: countOf(lineAct, debt),
        end: debt.end,
        ...(answers.piece === 'new' ? { newPieces: true } : {}),
      },
    ];
  }
  switch (action.type) {
    case 'measure':
    case 'measureAgain': {
      const baseline = plan.baselines.find(({ id }) => id === action.baseline);
      const when = action.type === 'measure' ? ('before' as const) : ('after' as const);
      return (baseline?.places ?? []).flatMap((place) => {
        const value = numberAt(answers, place);
        return value === undefined
          ? []
          : [{ type: 'measured' as const, baseline: action.baseline, place, when, value }];
      });
    }
    case 'prerequisite': {
      const value = typeof answers.value === 'number' ? answers.value : undefined;
      return [
        {
          type: 'prerequisiteAnswered',
          prerequisite: action.prerequisite,
          met,
          ...(value === undefined ? {} : { value }),
        },
      ];
    }
    case 'choose':
      return [
        {
          type: 'choiceMade',
          choice: action.choice,
          option: String(answers.option),
          chosenBy: String(answers.chosenBy),
        },
      ];
    case 'find': {
      const question = plan.findings.find(({ id }) => id === action.question);
      return (question?.places ?? [undefined]).flatMap((place): FoundOut[] => {
        const said = answers[findingKey(place)];
        if (!question || said === undefined || Array.isArray(said)) return [];
        const value = question.kind === 'yesNo' ? said === 'yes' : said;
        return [{ type: 'foundOut', finding: answerId(question.id, place), value }];
      });
    }
    case 'lift':
      return [
        { type: 'loadStateSet', state: isHeldUpBy(answers.heldUpBy) ? LOAD_STATE_ON[answers.heldUpBy] : 'hanging' },
      ];
    case 'lower':
      return [{ type: 'loadStateSet', state: 'onWheels' }];
    default:
      return [];
  }
}

/** The side of the vehicle an act opens something on, where the structure must stay located. */
function sideOpened(plan: Plan, lineAct: LineAct): 'left' | 'right' | undefined {
  const touched = debtTouched(lineAct.action);
  const step = lineOf(plan).stepById.get(lineAct.step)?.step;
  if (!touched?.opens || !step || !plan.kits.find(({ id }) => id === step.kit)?.oneSideAtATime) return undefined;
  // A lead that is unplugged locates nothing.
  const thing =
    lineAct.action.type === 'remove' || lineAct.action.type === 'swingAside' ? lineAct.action.removed : undefined;
  return thing === undefined ? undefined : (plan.removed.find(({ id }) => id === thing)?.side ?? step.side);
}

/** Something of the same kit that is open on the other side. */
function otherSideOpen(plan: Plan, job: JobState, lineAct: LineAct): Refusal | undefined {
  const side = sideOpened(plan, lineAct);
  if (side === undefined) return undefined;
  const kit = lineOf(plan).stepById.get(lineAct.step)?.step.kit;
  const { debts } = lineProgress(plan, job);
  // What does not go back has left its place for good, and a lead that is unplugged locates nothing.
  const other = [...new Set(debts.values())].find(
    (debt) =>
      debt.kind === 'removed' &&
      debt.end !== 'keep' &&
      debt.end !== 'scrap' &&
      debt.side !== undefined &&
      debt.side !== side &&
      debt.kits.includes(kit ?? '') &&
      isOwed(debt),
  );
  return other && { code: 'otherSideOpen', act: lineAct.id, debt: other.id, side };
}

/** The part that this one sits on is not fitted yet. */
function partUnder(plan: Plan, job: JobState, lineAct: LineAct): Refusal | undefined {
  const { action } = lineAct;
  if (action.type !== 'fit') return undefined;
  const under = plan.items.find(({ id }) => id === action.item)?.sitsOn;
  if (under === undefined) return undefined;
  const { acts } = lineProgress(plan, job);
  const fits = lineOf(plan).steps.flatMap((step) =>
    step.acts.filter((other) => other.action.type === 'fit' && other.action.item === under),
  );
  return fits.length > 0 && !fits.some(({ id }) => acts.has(id))
    ? { code: 'partUnderMissing', act: lineAct.id, item: under }
    : undefined;
}

/** The pieces an act puts on are not counted yet, or not there. */
function pieceMissing(plan: Plan, job: JobState, { id, action }: LineAct): Refusal | undefined {
  if (action.type !== 'fit' && action.type !== 'press') return undefined;
  const item = indexOf(plan).items.get(action.item);
  if (!item || item.putOn === 0) return undefined;
  if (inTheBox(item) && lineState(job, item.id).count === undefined) return { code: 'notCounted', items: [item.id] };
  const acts = actsOfItem(plan, item.id);
  const { acts: finished } = lineProgress(plan, job);
  const done = acts.filter((one) => one !== id && finished.has(one)).length;
  const wanted = piecesPutOn(item.putOn, done + 1, acts.length) - piecesPutOn(item.putOn, done, acts.length);
  const available = piecesOnTray(plan, job, item);
  return available < wanted ? { code: 'pieceShort', item: item.id, available } : undefined;
}

/** A clock that has not run out; a thermometer ends it earlier. */
function clockRefusal(
  plan: Plan,
  job: JobState,
  lineAct: LineAct,
  answers: Answers,
  atMs: number,
): Refusal | undefined {
  const kind = lineKind(lineAct.action);
  if (!kind.clock) return undefined;
  // The limit of the temperature is judged with the other answers.
  if (typeof answers.temperature === 'number') return undefined;
  if (kind.clock(lineAct.action).minutes === undefined) return undefined;
  const clock = clockOfAct(plan, job, lineAct);
  if (!clock) return { code: 'clockNotBegun', act: lineAct.id };
  if (waitsForTheDriver(lineAct.action)) return undefined;
  return clock.endsAtMs > atMs ? { code: 'clockRunning', act: lineAct.id, endsAtMs: clock.endsAtMs } : undefined;
}

/** A temporary thing that must stay on until something else is done. */
function keptUntil(plan: Plan, job: JobState, lineAct: LineAct): Refusal | undefined {
  const { action } = lineAct;
  if (action.type !== 'clear') return undefined;
  const bound = plan.temporary.find(({ id }) => id === action.temporary)?.keptUntil;
  if (!bound) return undefined;
  const { steps } = lineProgress(plan, job);
  const open = lineOf(plan).steps.filter(({ id, step, acts }) => {
    if (steps.has(id) || id === lineAct.step) return false;
    if ('step' in bound) return id === bound.step;
    if ('phase' in bound) return step.phase === bound.phase;
    return 'group' in bound && acts.some(({ action: other }) => other.type === 'torque' && other.group === bound.group);
  });
  return open.length > 0 ? { code: 'keptOnUntil', act: lineAct.id, steps: open.map(({ id }) => id) } : undefined;
}

/** What is filled in must be there, as a short line is: something of it, enough of it, and in date. */
function fluidMissing(plan: Plan, job: JobState, lineAct: LineAct, atMs: number): Refusal | undefined {
  const { action } = lineAct;
  if (action.type !== 'fill') return undefined;
  const wanted = shoppingList(plan, job, dayOf(atMs)).find(({ id }) => id === fluidId(action));
  if (!wanted || wanted.there) return undefined;
  const { id, name, quantity, unit = 'L', got, expiresOn } = wanted;
  const expired = got > 0 && got >= quantity && expiresOn !== undefined;
  return { code: 'fluidMissing', act: lineAct.id, wanted: id, name, quantity, unit, ...(expired ? { expired } : {}) };
}

const lifted = (job: JobState, step: string, refusal: Refusal): boolean =>
  ruleBehind(refusal.code, 'step') !== undefined && job.visit.stepOverrides[step]?.[refusal.code] !== undefined;

/** What keeps an act from being done, before its answers are looked at. */
export function actGate(
  plan: Plan,
  job: JobState,
  lineAct: LineAct,
  answers: Answers,
  atMs: number,
): Refusal | undefined {
  const touched = debtTouched(lineAct.action);
  const debt = touched && lineProgress(plan, job).debts.get(touched.id);
  const conflict = openConflict(plan, [lineAct.step, ...(touched ? [touched.id] : [])], touched?.opens);
  const opens = touched?.opens === true && (debt?.kind === 'removed' || debt?.kind === 'disconnect');
  const shut = clockShuts(plan, job, lineAct, atMs);
  const checks: Array<Refusal | undefined> = [
    opens ? stripGate(plan, job, lineAct.step) : undefined,
    conflict === undefined ? undefined : { code: 'conflictOpen', conflict },
    waitsOfAct(plan, job, lineAct),
    otherSideOpen(plan, job, lineAct),
    partUnder(plan, job, lineAct),
    pieceMissing(plan, job, lineAct),
    keptUntil(plan, job, lineAct),
    shut ? { code: 'compoundNotSet', step: lineAct.step, group: shut.group ?? '', endsAtMs: shut.endsAtMs } : undefined,
    clockRefusal(plan, job, lineAct, answers, atMs),
    fluidMissing(plan, job, lineAct, atMs),
    // What kind of piece goes in is asked with the act itself.
    debt && touched && !touched.opens && isOwed(debt) ? refitRefusal(debt, true) : undefined,
  ];
  return checks.find((check) => check !== undefined && !lifted(job, lineAct.step, check));
}

/** One act decided: its facts, or why not. */
export function decideAct(ask: Ask, id: string, answers: Answers): Outcome<ActDone | ActsReopened | FollowsFromAct> {
  const { plan, job, atMs, by } = ask;
  const lineAct = lineOf(plan).actById.get(id);
  if (!lineAct) return refuse({ code: 'unknownAct', act: id });
  // What the owner wants is asked by who answers for the work, on the line as at the counter.
  if (lineAct.action.type === 'choose' && !COUNTER_TOO.includes(by.role))
    return refuse({ code: 'notPermitted', role: by.role, command: 'makeChoice' });
  const kind = lineKind(lineAct.action);
  if (kind.byStations) return refuse({ code: 'doneByStations', act: id });
  if (lineProgress(plan, job).acts.has(id) && !kind.again) return refuse({ code: 'actDoneAlready', act: id });
  const gate = actGate(plan, job, lineAct, answers, atMs);
  if (gate) return refuse(gate);
  const asks = asksNow(plan, job, lineAct, answers);
  const { missing, failed, wrong, refused, doubtful } = judgeAnswers(asks, answers);
  if (refused) return refuse({ code: 'answerRefused', act: id, ...refused });
  if (doubtful) return refuse({ code: 'valueDoubtful', act: id, ...doubtful });
  if (missing.length > 0) return refuse({ code: 'actAsks', act: id, asks: missing });
  const at = atOf(plan, job, lineAct);
  const together = at ? (kind.fails?.(at, answers) ?? []) : [];
  const notMet = [...new Set([...failed, ...together])];
  const asked = new Set(asks.map(({ key }) => key));
  const kept = Object.fromEntries(
    Object.entries(answers).filter(([key]) => asked.has(key) || asked.has(key.replace(/ sure$/, ''))),
  );
  const starts = startedBy(plan, lineAct).filter((station) => stationState(job, station).stage === 'empty');
  // The act comes last of them: what is taken back is the act, and its starts with it.
  return done<ActDone | ActsReopened | FollowsFromAct>(
    ...starts.map((station): StationStarted => ({ type: 'stationStarted', station })),
    { type: 'actDone', act: id, step: lineAct.step, answers: kept, failed: notMet, wrong },
    ...consequences(plan, job, lineAct, kept, notMet.length === 0),
    ...afterCheck(ask, lineAct, kept, notMet),
  );
}

/** What a press alone answers; undefined where more must be said. */
export function pressAnswers(plan: Plan, job: JobState, lineAct: LineAct): Answers | undefined {
  if (lineKind(lineAct.action).byStations) return undefined;
  const asks = asksNow(plan, job, lineAct, {});
  if (!pressSays(asks)) return undefined;
  const usual = usualAnswers(asks);
  return pressSays(asksNow(plan, job, lineAct, usual)) ? usual : undefined;
}

export const doAct = act<DoAct, ActDone | ActUndone | ActsReopened, FollowsFromAct>({
  may: ON_THE_FLOOR,
  decide: (ask, { act: id, answers = {} }) => decideAct(ask, id, answers),
  /** Takes the person's last acts back, where nothing was built on them. What they did is told by their command. */
  undo({ plan, job }, last) {
    if (last.act !== 'doAct') return refuse({ code: 'nothingToUndo' });
    const { actById, steps } = lineOf(plan);
    const { acts: finished, debts } = lineProgress(plan, job);
    const back = last.acts.flatMap((id) => actById.get(id) ?? []);
    // Measured again it is; what was said of the vehicle is not unsaid, but for what was found a moment ago.
    if (back.length === 0 || back.some(({ action }) => lineKind(action).again && action.type !== 'find'))
      return refuse({ code: 'nothingToUndo' });
    const unfound = back.flatMap(({ action }): FoundOut[] => {
      const question = action.type === 'find' ? plan.findings.find(({ id }) => id === action.question) : undefined;
      return question ? atEachPlace(question).map(({ id }) => ({ type: 'foundOut', finding: id })) : [];
    });
    const ids = new Set(last.acts);
    const mine = new Set(back.map(({ step }) => step));
    const builtOn = steps.some(
      ({ step, acts }) =>
        !mine.has(step.id) && step.after.some((id) => mine.has(id)) && acts.some(({ id }) => finished.has(id)),
    );
    const laterInStep = steps.some(
      ({ id, acts }) =>
        mine.has(id) &&
        acts.some(
          (other) =>
            finished.has(other.id) && !ids.has(other.id) && back.some((one) => one.step === id && other.at > one.at),
        ),
    );
    if (builtOn || laterInStep) return refuse({ code: 'nothingToUndo' });
    const commandOf = new Map(back.map(({ id }) => [id, job.visit.acts[id]?.tries.at(-1)?.commandId]));
    const touched = back.flatMap((one) => {
      const touch = debtTouched(one.action);
      const debt = touch && debts.get(touch.id);
      return touch && debt ? [{ ...touch, debt, command: commandOf.get(one.id) }] : [];
    });
    const opened = touched.filter(({ opens, debt, command }) => opens && debt.opened?.commandId === command);
    // What ended by the same command goes back with it; what ended since does not.
    if (opened.some(({ debt, command }) => debt.ends.some((end) => end.commandId !== command)))
      return refuse({ code: 'nothingToUndo' });
    const starts = back.flatMap((one) => startedBy(plan, one)).filter((id) => stationState(job, id).stage !== 'empty');
    // What was tightened since is not taken out of its hole by a press.
    if (starts.some((id) => stationState(job, id).stage !== 'started' || stationState(job, id).bead))
      return refuse({ code: 'nothingToUndo' });
    const closed = touched.filter(({ debt, command }) => debt.ends.at(-1)?.commandId === command);
    return done<ActUndone | FollowsFromAct>(
      {
        type: 'actUndone',
        acts: last.acts,
        reopened: closed.flatMap(({ debt }) => debt.ids),
        closedAgain: opened.flatMap(({ debt }) => debt.ids),
      },
      ...unfound,
      ...starts.map((station): StartUndone => ({ type: 'startUndone', station })),
    );
  },
  fold: {
    actDone(draft, fact) {
      const { act: id, answers, failed, wrong } = fact;
      const before = draft.visit.acts[id] ?? { tries: [] };
      const tried = { answers, failed, wrong, ...stampOf(fact) };
      draft.visit = {
        ...draft.visit,
        acts: { ...draft.visit.acts, [id]: { ...before, tries: [...before.tries, tried] } },
        ...(typeof answers.heldUpBy === 'string' ? { heldUpBy: answers.heldUpBy } : {}),
      };
      rememberUndo(draft, fact.by.id, id, fact.commandId);
    },
    actsReopened(draft, fact) {
      const acts = { ...draft.visit.acts };
      for (const id of fact.acts) {
        const state = acts[id];
        if (state) acts[id] = { ...state, reopened: state.tries.length };
      }
      draft.visit = { ...draft.visit, acts };
    },
    actUndone(draft, fact) {
      const acts = { ...draft.visit.acts };
      for (const id of fact.acts) {
        const state = acts[id];
        if (state) acts[id] = { ...state, tries: state.tries.slice(0, -1) };
      }
      draft.visit = { ...draft.visit, acts };
      changeDebts(draft, fact.closedAgain, ({ opened: _, ...debt }) => debt);
      changeDebts(draft, fact.reopened, (debt) => ({ ...debt, ends: debt.ends.slice(0, -1) }));
      draft.undoable[fact.by.id] = undefined;
    },
  },
});

/** Several acts of one command are taken back together. */
function rememberUndo(draft: Draft, person: string, id: string, command: string): void {
  const last = draft.undoable[person];
  const same =
    last?.act === 'doAct' && last.acts.every((other) => draft.visit.acts[other]?.tries.at(-1)?.commandId === command);
  draft.undoable[person] = { act: 'doAct', acts: same ? [...last.acts, id] : [id] };
}
