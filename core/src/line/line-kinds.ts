import type { PlanAction } from '../kit/plan.ts';
import type { Answers, Ask } from './ask.ts';
import { align, preset, shim } from './kind/adjusting.ts';
import { choose, find } from './kind/choosing.ts';
import { bend, cut, decide, drill, ream } from './kind/cutting.ts';
import { bleed, fill, grease } from './kind/filling.ts';
import { buildStack, fit, press } from './kind/fitting.ts';
import { followKit, inWords, undoWords } from './kind/in-words.ts';
import { apply, hold, leaveDry, snug, start, torque, verify } from './kind/joints.ts';
import { check, measure, measureAgain, prerequisite, test } from './kind/looking.ts';
import {
  clear,
  disconnect,
  loosen,
  putOn,
  reconnect,
  refitForNow,
  retighten,
  windBack,
} from './kind/open-and-close.ts';
import { chase, clean, coolDown, dry, soak, wait, warmUp } from './kind/preparing.ts';
import { lift, lower } from './kind/standing.ts';
import { compare, moveOver, refit, remove, settle, slacken, support, swingAside, swingBack } from './kind/take-off.ts';
import { type ActionOf, type At, type LineKind, words } from './line-kind.ts';

/** Every kind of act that stands on the floor, each by its definition. */
export const LINE_KINDS: { [T in PlanAction['type']]: LineKind<ActionOf<T>> } = {
  slacken,
  remove,
  refit,
  swingAside,
  swingBack,
  support,
  compare,
  moveOver,
  disconnect,
  reconnect,
  windBack,
  loosen,
  retighten,
  putOn,
  refitForNow,
  clear,
  lift,
  lower,
  clean,
  dry,
  chase,
  soak,
  coolDown,
  warmUp,
  measure,
  measureAgain,
  check,
  test,
  prerequisite,
  drill,
  ream,
  cut,
  bend,
  decide,
  choose,
  find,
  apply,
  leaveDry,
  fit,
  buildStack,
  press,
  preset,
  shim,
  align,
  start,
  snug,
  torque,
  verify,
  hold,
  grease,
  bleed,
  fill,
  wait,
  followKit,
  do: inWords,
  undo: undoWords,
  settle,
};

/** The definition of an action's kind, taken as one of any kind: which goes with which is what the table holds. */
export const lineKind = (action: PlanAction): LineKind<PlanAction> =>
  LINE_KINDS[action.type] as unknown as LineKind<PlanAction>;

/** Which way it was done, where the sheet names a right and a wrong one. */
function methodAsks(action: PlanAction, answers: Answers): Ask[] {
  const { methods = [] } = action;
  if (methods.length === 0) return [];
  const options = methods.map(({ name, right, why }) => ({
    value: name,
    label: name,
    is: right ? ('right' as const) : ('wrong' as const),
    why,
  }));
  const wrong = options.some(({ value, is }) => value === answers.method && is === 'wrong');
  return [
    { kind: 'oneOf', key: 'method', about: 'method', options },
    ...(wrong ? [words('methodReason', 'methodReason')] : []),
  ];
}

/**
 * All that is asked before an act is done: who helps, which way, and what its kind asks.
 *
 * @param first - whether it is the first act of its step that is done: who helps is asked once
 * @param answers - so far; an answer may open another question
 */
export function asksOfAct(at: At, first: boolean, answers: Answers): Ask[] {
  const own = lineKind(at.action).asks?.(at, answers) ?? [];
  const helped = own.some(({ key }) => key === 'helper');
  return [
    ...(first && !helped && (at.step.people ?? 1) > 1 ? [words('helper', 'helper', String(at.step.people))] : []),
    ...methodAsks(at.action, answers),
    ...own,
  ];
}
