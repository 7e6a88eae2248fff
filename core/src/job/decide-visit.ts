import { indexOf, type PlanStep } from '../kit/plan.ts';
import { unreachable } from '../result.ts';
import { acceptBand } from '../tightening/accept-band.ts';
import { type Debt, debtsOf, findDebt, isOwed } from './debt.ts';
import type { DecideContext } from './decide.ts';
import type { JobFact } from './job-event.ts';
import type { JobState } from './job-state.ts';
import { PLAUSIBLE_NM } from './plausible.ts';
import { OVERRIDABLE_STEPS, type Refusal, type RefusalCode } from './refusal.ts';
import type { Person } from './role.ts';
import { debtsById, debtTouched, isStrip, stepDone, stepsDone } from './step-progress.ts';
import type { Chocks, Figure, VisitCommand } from './visit-command.ts';

type Outcome = { facts: JobFact[] } | { refusal: Refusal };

const done = (...facts: JobFact[]): Outcome => ({ facts });
const refuse = (refusal: Refusal): Outcome => ({ refusal });
const blank = (text: string | undefined): boolean => text === undefined || text.trim() === '';
const wholeFromOne = (value: number): boolean => Number.isInteger(value) && value >= 1 && value <= 100_000;

const lifted = (job: JobState, step: string, code: RefusalCode): boolean =>
  job.visit.stepOverrides[step]?.[code] !== undefined;

/** What must be settled before anything comes off: prerequisites, baselines, choices. */
export function stripGate(context: DecideContext, job: JobState): Refusal | undefined {
  const { plan } = context;
  const unmet = plan.prerequisites.filter(({ id }) => job.visit.prerequisites[id]?.met !== true).map(({ id }) => id);
  if (unmet.length > 0) return { code: 'prerequisitesOpen', prerequisites: unmet };
  const missing = plan.baselines
    .filter(({ id, places }) => places.some((place) => job.visit.measurements[id]?.[place]?.before === undefined))
    .map(({ id }) => id);
  if (missing.length > 0) return { code: 'baselinesMissing', baselines: missing };
  const open = plan.choices.filter(({ id }) => job.visit.choices[id] === undefined).map(({ id }) => id);
  return open.length > 0 ? { code: 'choicesOpen', choices: open } : undefined;
}

/** The open conflict that a station or step stands in, if any. */
export function openConflict(context: DecideContext, ids: readonly string[]): string | undefined {
  return context.plan.conflicts.find(
    ({ settled, sides, kind }) =>
      settled === undefined && kind !== 'order' && sides.some((side) => side.ids.some((id) => ids.includes(id))),
  )?.id;
}

/** The end a step raises, and where the chocks must not stand. */
function chocksRefusal(step: PlanStep, chocks: Chocks | undefined): Refusal | undefined {
  const lift = step.actions.find((action) => action.type === 'lift');
  if (lift?.type !== 'lift') return undefined;
  const end = lift.end ?? 'whole';
  if (chocks === undefined) return { code: 'chocksNotSaid', step: step.id };
  if (end !== 'whole' && chocks === 'none') return { code: 'chocksNotSaid', step: step.id };
  return end === chocks ? { code: 'chocksAtRaisedEnd', step: step.id, end: chocks } : undefined;
}

/** What a debt needs before it can be put back. */
function refitRefusal(debt: Debt, newPieces: boolean | undefined): Refusal | undefined {
  if (debt.asks.includes('torque')) return { code: 'figureMissing', debt: debt.id };
  return debt.asks.includes('newPiece') && !newPieces ? { code: 'newPieceAsked', debt: debt.id } : undefined;
}

function doStep(context: DecideContext, job: JobState, command: Extract<VisitCommand, { type: 'doStep' }>): Outcome {
  const { plan } = context;
  const step = indexOf(plan).steps.get(command.step);
  if (!step) return refuse({ code: 'unknownStep', step: command.step });
  const debts = debtsById(plan, job);
  if (job.visit.steps[step.id] !== undefined) return refuse({ code: 'stepDoneAlready', step: step.id });
  const { steps } = indexOf(plan);
  const waiting = step.after.filter((id) => {
    const earlier = steps.get(id);
    // A person may put back in another order than the strip's reverse; everything else keeps its order.
    if (!earlier || (step.made === 'refit' && earlier.made === 'refit')) return false;
    return !stepDone(plan, job, earlier, debts);
  });
  const touched = step.actions.flatMap((action) => debtTouched(action) ?? []);
  const conflict = openConflict(context, [step.id, ...touched.map(({ id }) => id)]);
  const closing = touched.flatMap(({ id, opens }) => {
    const debt = opens ? undefined : debts.get(id);
    return debt && isOwed(debt) ? [debt] : [];
  });
  const needsFirst = isStrip(step) && touched.some(({ opens }) => opens) ? stripGate(context, job) : undefined;
  const alone = (step.people ?? 1) > 1 && blank(command.helper);
  const checks: Array<Refusal | undefined> = [
    needsFirst,
    conflict === undefined ? undefined : { code: 'conflictOpen', conflict },
    waiting.length > 0 ? { code: 'stepWaitsFor', step: step.id, waitsFor: waiting } : undefined,
    alone ? { code: 'helperNeeded', step: step.id, people: step.people ?? 2 } : undefined,
    chocksRefusal(step, command.chocks),
    ...closing.map((debt) => refitRefusal(debt, command.newPieces)),
  ];
  const standing = checks.find(
    (check) => check && !(OVERRIDABLE_STEPS.has(check.code) && lifted(job, step.id, check.code)),
  );
  if (standing) return refuse(standing);
  const opening = touched.flatMap(({ id, opens }) => {
    const debt = opens ? debts.get(id) : undefined;
    return debt && debt.opened === undefined ? debt.ids : [];
  });
  return done(
    {
      type: 'stepDone',
      step: step.id,
      covers: step.covers.filter((id) => id !== step.id),
      ...(blank(command.helper) ? {} : { helper: command.helper }),
      ...(command.chocks === undefined ? {} : { chocks: command.chocks }),
    },
    ...(opening.length > 0 ? [{ type: 'debtOpened' as const, debts: opening }] : []),
    ...closing.map((debt) => ({
      type: 'debtClosed' as const,
      debts: debt.ids,
      count: countOf(step, debt),
      end: debt.end,
      ...(debt.asks.includes('newPiece') ? { newPieces: true } : {}),
    })),
  );
}

/** Pieces of a debt that a step puts back: as it says, never more than are owed. */
function countOf(step: PlanStep, debt: Debt): number {
  const action = step.actions.find((entry) => entry.type === 'refit' && debt.ids.includes(entry.removed));
  const said = action?.type === 'refit' ? action.count : undefined;
  return Math.min(said ?? debt.count, debt.count - debt.ended);
}

function closeDebt(
  context: DecideContext,
  job: JobState,
  command: Extract<VisitCommand, { type: 'closeDebt' }>,
  by: Person,
): Outcome {
  const debt = findDebt(context.plan, job, command.debt);
  if (!debt) return refuse({ code: 'unknownDebt', debt: command.debt });
  if (!isOwed(debt)) return refuse({ code: 'debtNotOpen', debt: debt.id });
  const left = debt.count - debt.ended;
  if (!wholeFromOne(command.count) || command.count > left)
    return refuse({ code: 'debtCount', debt: debt.id, count: command.count, left });
  const { end } = command;
  if (end !== debt.end) {
    // What was scrapped or given away must not turn up on the vehicle again on anybody's word but a lead's.
    const returns = (debt.end === 'scrap' || debt.end === 'keep') && (end === 'refit' || end === 'transfer');
    if (returns && by.role !== 'lead')
      return refuse({ code: 'fateContradicts', debt: debt.id, planned: debt.end, end });
    if (blank(command.note)) return refuse({ code: 'reasonMissing' });
  }
  const goesBack = end === 'refit' || end === 'transfer' || end === 'cleared';
  const needs = goesBack ? refitRefusal(debt, command.newPieces) : undefined;
  if (needs) return refuse(needs);
  return done({
    type: 'debtClosed',
    debts: debt.ids,
    count: command.count,
    end,
    ...(blank(command.note) ? {} : { note: command.note }),
    ...(command.newPieces ? { newPieces: true } : {}),
  });
}

/** Whether a typed figure is one a wrench can be set to. */
function canBePulled({ spec }: Figure): boolean {
  const band = acceptBand(spec);
  return band !== undefined && band.minNm > 0 && band.targetNm <= PLAUSIBLE_NM;
}

function giveFigure(
  context: DecideContext,
  job: JobState,
  command: Extract<VisitCommand, { type: 'giveFigure' }>,
): Outcome {
  const { target, source, note, figure } = command;
  const station = indexOf(context.plan).stations.get(target);
  const debt = station ? undefined : findDebt(context.plan, job, target);
  if (!station && !debt) return refuse({ code: 'unknownFigureTarget', target });
  const open = station ? station.spec.kind === 'missing' || job.visit.figures[target] !== undefined : true;
  if (!open) return refuse({ code: 'figureGivenAlready', target });
  // A number without its origin is no number: the page, the person or the other sheet is named.
  if (blank(note)) return refuse({ code: 'reasonMissing' });
  const ids = debt?.ids ?? [target];
  if (source === 'byFeel')
    return done(...ids.map((id) => ({ type: 'figureGiven' as const, target: id, source, note })));
  if (!figure || !canBePulled(figure)) return refuse({ code: 'figureUnreadable', printed: figure?.printed ?? '' });
  return done(...ids.map((id) => ({ type: 'figureGiven' as const, target: id, source, note, figure })));
}

function settleConflict(context: DecideContext, command: Extract<VisitCommand, { type: 'settleConflict' }>): Outcome {
  const conflict = context.plan.conflicts.find(({ id }) => id === command.conflict);
  if (!conflict) return refuse({ code: 'unknownConflict', conflict: command.conflict });
  if (!conflict.choices.includes(command.choice))
    return refuse({ code: 'choiceNotAllowed', conflict: conflict.id, choice: command.choice });
  if (blank(command.reason)) return refuse({ code: 'reasonMissing' });
  const { figure } = command;
  if (figure && (conflict.kind !== 'sameJoint' || !canBePulled(figure)))
    return refuse({ code: 'figureUnreadable', printed: figure.printed });
  const question = conflict.kind === 'overtaken' ? conflict.sides[1]?.ids[0] : undefined;
  return done({
    type: 'conflictSettled',
    conflict: conflict.id,
    reason: command.reason,
    settlement: {
      choice: command.choice,
      ...(figure ? { figure } : {}),
      ...(question === undefined ? {} : { question }),
    },
  });
}

/** Decides what concerns the visit as a whole. Whether the plan can still be made with it is asked afterwards. */
export function decideVisit(
  context: DecideContext,
  job: JobState,
  { id, by }: { id: string; by: Person },
  command: VisitCommand,
): Outcome {
  const { plan } = context;
  switch (command.type) {
    case 'answerPrerequisite': {
      const prerequisite = plan.prerequisites.find((entry) => entry.id === command.prerequisite);
      if (!prerequisite) return refuse({ code: 'unknownPrerequisite', prerequisite: command.prerequisite });
      const { min = -Infinity, max = Infinity } = prerequisite;
      const { value } = command;
      if (value !== undefined && !Number.isFinite(value)) return refuse({ code: 'valueInvalid', value });
      // A figure outside the limits cannot meet them, whatever was ticked.
      const met = command.met && (value === undefined || (value >= min && value <= max));
      if (command.met && !met)
        return refuse({ code: 'outsideLimits', value: value ?? 0, min: prerequisite.min, max: prerequisite.max });
      const needsValue = prerequisite.min !== undefined || prerequisite.max !== undefined;
      if (met && needsValue && value === undefined) return refuse({ code: 'valueInvalid', value: Number.NaN });
      return done({
        type: 'prerequisiteAnswered',
        prerequisite: prerequisite.id,
        met,
        ...(value === undefined ? {} : { value }),
        ...(blank(command.note) ? {} : { note: command.note }),
      });
    }
    case 'measure': {
      const baseline = plan.baselines.find((entry) => entry.id === command.baseline);
      if (!baseline?.places.includes(command.place))
        return refuse({ code: 'unknownBaseline', baseline: command.baseline, place: command.place });
      if (!Number.isFinite(command.value) || Math.abs(command.value) > 100_000)
        return refuse({ code: 'valueInvalid', value: command.value });
      const { type: _, ...measured } = command;
      return done({ type: 'measured', ...measured });
    }
    case 'makeChoice': {
      const choice = plan.choices.find((entry) => entry.id === command.choice);
      if (!choice?.options.some(({ value }) => value === command.option))
        return refuse({ code: 'choiceUnknown', choice: command.choice });
      if (blank(command.chosenBy)) return refuse({ code: 'nameMissing' });
      return done({ type: 'choiceMade', choice: choice.id, option: command.option, chosenBy: command.chosenBy });
    }
    case 'doStep':
      return doStep(context, job, command);
    case 'openDebt': {
      const debt = findDebt(plan, job, command.debt);
      if (!debt) return refuse({ code: 'unknownDebt', debt: command.debt });
      if (debt.opened) return refuse({ code: 'debtOpenAlready', debt: debt.id });
      const gate = debt.kind === 'removed' ? stripGate(context, job) : undefined;
      return gate ? refuse(gate) : done({ type: 'debtOpened', debts: debt.ids });
    }
    case 'addDebt': {
      const { type: _, ...added } = command;
      if (blank(command.name)) return refuse({ code: 'nameMissing' });
      if (!wholeFromOne(command.count)) return refuse({ code: 'quantityInvalid', quantity: command.count });
      return done({ type: 'debtAdded', debt: id, ...added });
    }
    case 'closeDebt':
      return closeDebt(context, job, command, by);
    case 'arrangeRefit': {
      const { steps } = indexOf(plan);
      const unknown = command.order.find((step) => !steps.has(step));
      if (unknown !== undefined) return refuse({ code: 'unknownStep', step: unknown });
      return done({ type: 'refitArranged', order: [...new Set(command.order)] });
    }
    case 'giveFigure':
      return giveFigure(context, job, command);
    case 'settleConflict':
      return settleConflict(context, command);
    case 'splitShared': {
      if (!plan.shared.some(({ key, by: told }) => key === command.key && told === 'name'))
        return refuse({ code: 'notShared', key: command.key });
      if (blank(command.reason)) return refuse({ code: 'reasonMissing' });
      return done({ type: 'sharedSplit', key: command.key, reason: command.reason });
    }
    case 'addKit': {
      const { kit, revision, prefix, answers } = command;
      if (plan.kits.some((entry) => entry.id === kit)) return refuse({ code: 'kitAlreadyIn', kit });
      return done({ type: 'kitAdded', prefix, kit, revision, answers });
    }
    case 'dropKit': {
      if (!plan.kits.some((entry) => entry.prefix === command.prefix))
        return refuse({ code: 'kitNotIn', prefix: command.prefix });
      if (plan.kits.length === 1) return refuse({ code: 'lastKit' });
      if (blank(command.reason)) return refuse({ code: 'reasonMissing' });
      return done({ type: 'kitDropped', prefix: command.prefix, reason: command.reason });
    }
    case 'overrideStep': {
      if (!indexOf(plan).steps.has(command.step)) return refuse({ code: 'unknownStep', step: command.step });
      if (!OVERRIDABLE_STEPS.has(command.refusal as RefusalCode))
        return refuse({ code: 'notOverridable', refusal: command.refusal });
      if (blank(command.reason)) return refuse({ code: 'reasonMissing' });
      const { refusal, step, reason } = command;
      return done({ type: 'stepOverrideGranted', refusal, step, reason });
    }
    default:
      return unreachable(command);
  }
}

/** Takes back this person's last step, where nothing was built on it. */
export function undoStep(context: DecideContext, job: JobState, stepId: string): Outcome {
  const { plan } = context;
  const step = indexOf(plan).steps.get(stepId);
  if (!step || job.visit.steps[stepId] === undefined) return refuse({ code: 'nothingToUndo' });
  const finished = stepsDone(plan, job);
  const later = plan.steps.find(
    (entry) => entry.after.includes(stepId) && job.visit.steps[entry.id] && finished.has(entry.id),
  );
  if (later) return refuse({ code: 'nothingToUndo' });
  const atMs = job.visit.steps[stepId].atMs;
  const debts = debtsOf(plan, job);
  const touched = step.actions.flatMap((action) => debtTouched(action) ?? []);
  const of = (opens: boolean) =>
    touched.flatMap((touch) =>
      touch.opens === opens ? (debts.find((debt) => debt.ids.includes(touch.id)) ?? []) : [],
    );
  const opened = of(true).filter((debt) => debt.opened?.atMs === atMs);
  if (opened.some((debt) => debt.ended > 0)) return refuse({ code: 'nothingToUndo' });
  const closed = of(false).filter((debt) => debt.ends.at(-1)?.atMs === atMs);
  return done({
    type: 'stepUndone',
    step: stepId,
    covers: step.covers.filter((id) => id !== stepId),
    reopened: closed.flatMap((debt) => debt.ids),
    closedAgain: opened.flatMap((debt) => debt.ids),
  });
}
