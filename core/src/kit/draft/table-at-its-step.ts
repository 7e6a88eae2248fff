import type { Step } from '../kit-step.ts';
import type { StepAction } from '../step-action.ts';
import { CLOSES, type Drafting } from './drafting.ts';
import { rearrangeSteps } from './rearrange-steps.ts';

/** `Tighten by the table, chassis first`, `Tighten: plate, winch, bracket`: where a table's figures are pulled. */
const TIGHTENS = /\b(?:tighten|torque|pull)\b/i;
const BY_THE_TABLE =
  /\b(?:table|chart|list|matrix|data|above|below|figures?|values?|(?:the|given|stated|specified|prescribed|following|required) torques?)\b|:\s*\p{L}/iu;
/** `four M12 from the front, finger tight`: the bolts of that size are started. */
const BY_HAND = /\b(?:by hand|finger[- ]tight|hand[- ]tight|finger tight|loosely|loose)\b/i;
const OF_JOINTS = new Set<StepAction['type']>(['start', 'snug', 'torque', 'apply', 'verify']);
/** `M12 (10.9)   120 Nm`: a size and its figure. */
const ROW_OF_SIZE = /^(?:M\d|\d{1,2}\/\d)[^;]{0,40}$/;
/** Fewer steps behind a table are no sheet that works by it. */
const FEW = 3;

/** A step of the sheet's own count; `a: M12   120 Nm` of a table is none beside steps from 1 to 6. */
const isCounted = ({ number }: Step): boolean => number !== undefined && /^\d/.test(number);
const isRow = ({ number, text, actions }: Step): boolean =>
  (number === undefined || (/^[a-z]$/i.test(number) && ROW_OF_SIZE.test(text))) &&
  actions.some(({ type }) => type === 'torque') &&
  actions.every(({ type }) => OF_JOINTS.has(type));

/**
 * A table of figures that stands before the steps, or behind them, is no work of its own: nothing is pulled before the
 * vehicle is raised, nor after all is put back. Its joints go to the step that says to tighten by it, else right before
 * what closes the sheet; each is started where a step has its size started by hand.
 */
export function tableAtItsStep(drafting: Drafting): void {
  const { kit } = drafting;
  const first = kit.steps.findIndex(isCounted);
  const last = kit.steps.findLastIndex(isCounted);
  const work = kit.steps.slice(Math.max(0, first), last + 1);
  const [before, behind] = [kit.steps.slice(0, Math.max(0, first)), kit.steps.slice(last + 1)];
  const rows = [...before, ...behind].filter(isRow);
  if (first < 0 || rows.length === 0 || work.length < FEW) return;
  if (work.some(({ actions }) => actions.some(({ type }) => type === 'torque'))) return;
  const target = work.find(({ text }) => TIGHTENS.test(text) && BY_THE_TABLE.test(text));
  const closes = work.findIndex(({ actions }) => actions.some(({ type }) => CLOSES.has(type)));
  const at = target ? work.indexOf(target) : closes < 0 ? work.length : closes;
  startedByHand(kit, rows, work.slice(0, at));
  // Behind the table everything was taken for what comes after the last figure.
  for (const step of work.slice(0, at))
    if (step.phase === 'refit' && !step.actions.some(({ type }) => CLOSES.has(type))) step.phase = 'loose';
  if (target) {
    const own = target.actions.filter(({ type }) => type !== 'do');
    target.actions = [...own, ...rows.flatMap(({ actions }) => actions)];
    target.phase = 'torque';
  }
  const isOther = (step: Step): boolean => !rows.includes(step);
  const laid = [
    ...before.filter(isOther),
    ...work.slice(0, at),
    ...(target ? [] : rows),
    ...work.slice(at),
    ...behind.filter(isOther),
  ];
  rearrangeSteps(
    drafting,
    (steps) => {
      steps.splice(0, steps.length, ...laid);
      return [];
    },
    new Map(target ? rows.map((row) => [row, target]) : []),
  );
}

/** Starts each group in the step that has bolts of its size started; else it is started where it is tightened. */
function startedByHand(kit: Drafting['kit'], rows: readonly Step[], earlier: readonly Step[]): void {
  for (const row of rows)
    for (const action of row.actions) {
      if (action.type !== 'torque') continue;
      const { group } = action;
      const size = sizeOf(kit, group);
      const place =
        size && earlier.find(({ text }) => BY_HAND.test(text) && new RegExp(`\\b${size}\\b`, 'i').test(text));
      if (!place) continue;
      row.actions = row.actions.filter((other) => other.type !== 'start' || other.group !== group);
      place.actions = [...place.actions.filter(({ type }) => type !== 'do'), { type: 'start', group }];
    }
}

/** What a sheet calls the size of a group's bolts: `M12`, `3/8`. */
function sizeOf({ groups, stations, items }: Drafting['kit'], group: string): string | undefined {
  const [id] = groups.find((entry) => entry.id === group)?.stations ?? [];
  const stack = stations.find((station) => station.id === id)?.stack ?? [];
  const thread = stack
    .flatMap((piece) => (piece.kind === 'hardware' ? (items.find((item) => item.id === piece.item)?.thread ?? []) : []))
    .at(0);
  return thread && (/^M\d+/i.exec(thread)?.[0] ?? /^\d+\/\d+/.exec(thread)?.[0]);
}
