import type { Step } from '../kit-step.ts';
import type { StepAction } from '../step-action.ts';
import type { Packing } from './draft-packing.ts';
import { CLOSES, type Drafting } from './drafting.ts';
import { partWords, tellingWords, U_BOLTS } from './joint-words.ts';
import { rearrangeSteps } from './rearrange-steps.ts';

/** `Tighten by the table, chassis first`, `Tighten: plate, winch, bracket`: where a table's figures are pulled. */
const TIGHTENS = /\b(?:tighten|torque|pull)\b/i;
const BY_THE_TABLE =
  /\b(?:table|chart|list|matrix|data|above|below|figures?|values?|(?:the|given|stated|specified|prescribed|following|required) torques?|fully tighten (?:all|everything|in)|tighten (?:all|everything)(?: (?:bolts|nuts|fasteners|fixings))? in)\b|:\s*\p{L}/iu;
/** What only takes off, makes ready or looks: no joint is pulled there. */
const NO_PULL =
  /^\W*(?:undo|remove|unbolt|disconnect|loosen|take|mark|detach|unclip|unplug|drain|support|raise|lift|jack|check|note|measure|clean|drill|cut)\b|^[^.;]*\b(?:off|out of)\b(?![^.;]*\b(?:fit|on|in)\b)/i;
/** `four M12 from the front, finger tight`: the bolts of that size are started. */
const BY_HAND = /\b(?:by hand|finger[- ]tight|hand[- ]tight|finger tight|loosely|loose)\b/i;
const OF_JOINTS = new Set<StepAction['type']>(['start', 'snug', 'torque', 'apply', 'verify']);
/** `M12 (10.9)   120 Nm`: a size and its figure. */
const ROW_OF_SIZE = /^(?:M\d|\d{1,2}\/\d)[^;]{0,40}$/;
/** Fewer steps behind a table are no sheet that works by it. */
const FEW = 3;

/** A step of the sheet's own count; `a: M12   120 Nm` of a table is none beside steps from 1 to 6. */
const isNumbered = ({ number }: Step): boolean => number !== undefined && /^\d/.test(number);
/** `a. Remove the bumper skin`, where the sheet counts its steps by letters. */
const isLettered = ({ number, text }: Step): boolean =>
  number !== undefined && /^[a-z]$/i.test(number) && !ROW_OF_SIZE.test(text);
const isRow = ({ number, text, actions }: Step): boolean =>
  (number === undefined || (/^[a-z]$/i.test(number) && ROW_OF_SIZE.test(text))) &&
  actions.some(({ type }) => type === 'torque') &&
  actions.every(({ type }) => OF_JOINTS.has(type));

/**
 * A table of figures that stands before the steps, or behind them, is no work of its own: nothing is pulled before the
 * vehicle is raised, nor after all is put back. Its joints go to the step that says to tighten by it, else right before
 * what closes the sheet; each is started where a step has its size started by hand.
 */
export function tableAtItsStep(drafting: Drafting, { labelled }: Pick<Packing, 'labelled'>): void {
  const { kit } = drafting;
  const isCounted = kit.steps.some(isNumbered) ? isNumbered : isLettered;
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
  // Each row where its joint is put together, as far as a step names it; the others where the sheet says to tighten.
  const own = new Map(rows.map((row) => [row, stepOf(kit, labelled, row, work, target && at)]));
  const rest = rows.filter((row) => own.get(row) === undefined);
  startedByHand(kit, rest, work.slice(0, at));
  // Behind the table everything was taken for what comes after the last figure.
  for (const step of work.slice(0, at))
    if (step.phase === 'refit' && !step.actions.some(({ type }) => CLOSES.has(type))) step.phase = 'loose';
  const pulledAt = (step: Step, pulled: readonly Step[]) => {
    const does = TIGHTENS.test(step.text) ? step.actions.filter(({ type }) => type !== 'do') : step.actions;
    step.actions = [...does, ...pulled.flatMap(({ actions }) => actions)];
    step.phase = 'torque';
  };
  if (target && rest.length > 0) pulledAt(target, rest);
  for (const step of work) {
    const pulled = rows.filter((row) => own.get(row) === step);
    if (pulled.length > 0) pulledAt(step, pulled);
  }
  const isOther = (step: Step): boolean => !rows.includes(step);
  const laid = [
    ...before.filter(isOther),
    ...work.slice(0, at),
    ...(target ? [] : rest),
    ...work.slice(at),
    ...behind.filter(isOther),
  ];
  const into = rows.flatMap((row): Array<[Step, Step]> => {
    const step = own.get(row) ?? target;
    return step ? [[row, step]] : [];
  });
  rearrangeSteps(
    drafting,
    (steps) => {
      steps.splice(0, steps.length, ...laid);
      return [];
    },
    new Map(into),
  );
}

/**
 * The step a row of the table belongs to: the last that calls its pieces by their lines, else the one that shares most of
 * its words. Where the sheet says when to tighten, only what is put together after that has a step of its own.
 */
function stepOf(
  kit: Drafting['kit'],
  labelled: Packing['labelled'],
  row: Step,
  work: readonly Step[],
  target: number | undefined,
): Step | undefined {
  const groups = row.actions.flatMap((action) => (action.type === 'torque' ? [action.group] : []));
  const items = new Set(groups.flatMap((group) => itemsOf(kit, group)));
  const lines = [...labelled].filter(([, { id }]) => items.has(id)).map(([label]) => label);
  const calls = work.findLastIndex(({ text }) => lines.some((line) => text.toLowerCase().includes(`(${line})`)));
  if (target !== undefined) return calls > target ? work[calls] : undefined;
  const titles = kit.groups.filter(({ id }) => groups.includes(id)).map(({ title }) => title);
  const wanted = new Set(titles.flatMap(namesIn));
  const scored = work.flatMap((step) => {
    const { text, actions } = step;
    if (NO_PULL.test(text) || actions.some(({ type }) => type === 'remove' || type === 'disconnect')) return [];
    const words = new Set(namesIn(text));
    const shared = [...wanted].filter((word) => words.has(word)).length;
    return shared === 0 ? [] : [{ step, score: shared + (TIGHTENS.test(text) ? TIGHTENS_WEIGHS : 0) }];
  });
  const best = Math.max(0, ...scored.map(({ score }) => score));
  return scored.findLast(({ score }) => score === best)?.step ?? work[calls];
}
/** What a joint is known by in a step: its words, its part, and the form of its bolts. */
const namesIn = (text: string): string[] => [
  ...tellingWords(text),
  ...partWords(text),
  ...(U_BOLTS.test(text) ? ['u-bolt'] : []),
];
/** A step that tightens is a joint's before one that only names as much of it. */
const TIGHTENS_WEIGHS = 0.5;

/** The pieces of a group's stations. */
const itemsOf = ({ groups, stations }: Drafting['kit'], group: string): string[] => {
  const [id] = groups.find((entry) => entry.id === group)?.stations ?? [];
  return (stations.find((station) => station.id === id)?.stack ?? []).flatMap((piece) =>
    piece.kind === 'hardware' ? [piece.item] : [],
  );
};

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
function sizeOf(kit: Drafting['kit'], group: string): string | undefined {
  const [thread] = itemsOf(kit, group).flatMap((id) => kit.items.find((item) => item.id === id)?.thread ?? []);
  return thread && (/^M\d+/i.exec(thread)?.[0] ?? /^\d+\/\d+/.exec(thread)?.[0]);
}
