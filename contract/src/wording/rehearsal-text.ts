import type { CloseBlock } from '#core/job/close-block.ts';
import { debtsOf } from '#core/job/debt.ts';
import { appendEvents, type JobLog, openLog } from '#core/job/job-log.ts';
import { keysOf } from '#core/job/keys.ts';
import { askedBy } from '#core/kit/asked.ts';
import type { Answers } from '#core/kit/condition.ts';
import type { KitDocument } from '#core/kit/kit-document.ts';
import { indexOf } from '#core/kit/plan.ts';
import { lineOf } from '#core/line/line.ts';
import type { Move } from '#core/rehearse/careful-fitter.ts';
import { type DeadEnd, type Rehearsal, rehearse } from '#core/rehearse/rehearsal.ts';
import type { RehearsalVerdict } from '#core/rehearse/rehearse-all.ts';
import { answersText } from './finding-text.ts';
import { lookTargetText } from './look-text.ts';
import { refusalText } from './refusal-text.ts';
import { stageText } from './stage-text.ts';
import { planActionText, stepTitle } from './step-text.ts';

/** Where a dry run stands still, and why. */
export interface DeadEndText {
  /** The step or station it happens at. */
  at: string;
  why: string;
}

/** A dead end as a kit's maker reads it, with the combinations that run into it. */
export interface DeadEndTold extends DeadEndText {
  /** The first combination, to play it. */
  answers: Answers;
  /** How many run into it. */
  combinations: number;
}

/** What keeps the job open, named. */
function blockText({ plan, state }: JobLog, block: CloseBlock): string {
  const { items, stations, groups } = indexOf(plan);
  switch (block.code) {
    case 'linesUncounted':
      return `not counted: ${block.items.map((id) => items.get(id)?.line ?? id).join(', ')}`;
    case 'stationsOpen':
      return `${groups.get(block.group)?.title ?? block.group}: stations ${block.stations.map((id) => stations.get(id)?.label ?? id).join(', ')} are open`;
    case 'piecesUnaccounted':
      return `${items.get(block.item)?.name ?? block.item}: the pieces do not add up`;
    case 'countsDisagree':
      return `two counts differ: ${block.items.map((id) => items.get(id)?.line ?? id).join(', ')}`;
    case 'serialsMissing':
      return `no number read off ${block.items.map((id) => items.get(id)?.name ?? id).join(', ')}`;
    case 'keysOut':
      return `not handed over: ${keysOf(plan, state)
        .filter(({ id }) => block.keys.includes(id))
        .map(({ name }) => name)
        .join(', ')}`;
    case 'debtsOpen':
      return `not back where it must be: ${debtsOf(plan, state)
        .filter(({ id }) => block.debts.includes(id))
        .map(({ name }) => name)
        .join(', ')}`;
    case 'stepsOpen':
      return `steps open: ${block.steps
        .flatMap((id) => lineOf(plan).stepById.get(id) ?? [])
        .map(({ step }) => stepTitle(plan, step))
        .join('; ')}`;
    case 'secondLookDue':
      return `second looks due: ${block.targets.map((target) => lookTargetText(plan, target)).join('; ')}`;
    case 'clocksRunning':
      return 'a clock still runs and nobody is told of it';
    case 'conflictsUnsettled':
      return 'two figures are at odds';
    case 'problemOpen':
      return 'a check that was missed is not cleared';
    case 'toolsOut':
      return 'a tool is lent';
  }
}

const NO_PLAN: Record<string, (kit: KitDocument, id: string) => DeadEndText> = {
  specMissing: (kit, id) => {
    const station = kit.stations.find((entry) => entry.id === id);
    return {
      at: station ? `Station ${station.label}, ${station.name}` : id,
      why: 'None of its figures is for this vehicle.',
    };
  },
  answerOutOfRange: (kit, id) => ({
    at: askedBy(kit).find((question) => question.id === id)?.text ?? id,
    why: 'The answer is outside what the question allows.',
  }),
};

/** A dead end in words. */
export function deadEndText(kit: KitDocument, deadEnd: DeadEnd, log?: JobLog): DeadEndText {
  if (deadEnd.code === 'noPlan') {
    const { error } = deadEnd;
    const id = error.code === 'specMissing' ? error.station : error.code === 'answerOutOfRange' ? error.question : '';
    return (
      NO_PLAN[error.code]?.(kit, id) ?? {
        at: 'The plan',
        why: 'A question stays open that no answer settles.',
      }
    );
  }
  if (!log) return { at: 'The line', why: 'It cannot go on.' };
  const { plan } = log;
  if (deadEnd.code === 'doesNotClose')
    return {
      at: 'Closing the job',
      why: `The line is done, and the job cannot be closed: ${deadEnd.blocks.map((block) => blockText(log, block)).join('; ')}.`,
    };
  const line = lineOf(plan);
  const act = deadEnd.act === undefined ? undefined : line.actById.get(deadEnd.act);
  const step = act && line.stepById.get(act.step);
  const station =
    deadEnd.code === 'refused' && deadEnd.station ? indexOf(plan).stations.get(deadEnd.station) : undefined;
  const at = [
    step && stepTitle(plan, step.step).replace(/[.;]$/, ''),
    station ? `station ${station.label}` : act && step?.step.made === undefined && planActionText(plan, act.action),
  ]
    .filter(Boolean)
    .join(', ');
  if (deadEnd.code === 'circle') return { at, why: 'The same things come again and again.' };
  const refusal = deadEnd.code === 'refused' ? deadEnd.refusal : deadEnd.waits;
  if (!refusal) return { at, why: 'Nothing leads to it.' };
  const { title, why } = refusalText(refusal, plan);
  return { at, why: `${title}. ${why}` };
}

/** The job at the end of a dry run; undefined where there was none. */
export function rehearsedLog({ setup, events }: Rehearsal): JobLog | undefined {
  const opened = openLog(setup);
  return opened.ok ? appendEvents(opened.value, events) : undefined;
}

/** Every dead end of a verdict in words; each is played once more, to say it by its names. */
export const deadEndsTold = (kit: KitDocument, { deadEnds }: RehearsalVerdict): DeadEndTold[] =>
  deadEnds.map(({ deadEnd, answers }) => {
    const [first = {}] = answers;
    return {
      ...deadEndText(kit, deadEnd, rehearsedLog(rehearse(kit, first))),
      answers: first,
      combinations: answers.length,
    };
  });

/** A dead end as a fault of the kit: `Step 4 …, with shield: yes`. */
export const deadEndFault = (kit: KitDocument, { at, why, answers, combinations }: DeadEndTold) => ({
  path: 'steps',
  message: [
    `Dead end at ${at}: ${why}`,
    Object.keys(answers).length > 0 && `With ${answersText(kit, answers)}`,
    combinations > 1 && `and ${combinations - 1} more combinations`,
  ]
    .filter(Boolean)
    .join(' '),
});

/** What a move of the dry run is: `Station 3: pull to 54.9 N·m`. */
export function moveText({ plan }: JobLog, { command, act }: Move): string {
  const { stations, items, compounds } = indexOf(plan);
  const at = (id: string) => `Station ${stations.get(id)?.label ?? id}`;
  switch (command.type) {
    case 'countLine': {
      const item = items.get(command.item);
      return `Count: ${command.found} × ${item ? `${item.line} ${item.name}` : command.item}`;
    }
    case 'startByHand':
      return `${at(command.station)}: start by hand`;
    case 'applyCompound': {
      const compound = compounds.get(stations.get(command.station)?.compound ?? '');
      return `${at(command.station)}: ${compound?.name ?? 'compound'} on a clean thread`;
    }
    case 'snug':
      return `${at(command.station)}: snug`;
    case 'doStage': {
      const spec = stations.get(command.station)?.spec;
      const stage = spec?.kind === 'procedure' ? spec.stages[command.stage] : undefined;
      return `${at(command.station)}: ${stage ? stageText(stage) : 'stage'}`;
    }
    case 'pull':
      return `${at(command.station)}: pull to ${command.torqueNm} N·m${command.angleDeg ? `, ${command.angleDeg}°` : ''}`;
    case 'seeMark':
      return `${at(command.station)}: look at the mark`;
    case 'confirmStop':
      return `${at(command.station)}: to its stop`;
    case 'loosen':
      return `${at(command.station)}: loosen`;
    case 'giveFigure':
      return `${stations.has(command.target) ? at(command.target) : 'Refit'}: look its figure up in the vehicle maker’s manual`;
    case 'settleBasis':
      return `${at(command.station)}: somebody settles its figure, made for another thread`;
    case 'nameCompound':
      return `A lead names the product: ${command.product}`;
    case 'setLoadState':
      return command.state === 'tyreTouches' ? 'Let the tyre touch the ground' : 'Bring the vehicle to ride height';
    case 'noteBought':
      return 'Buy what the line needs';
    case 'declareSpare': {
      const item = items.get(command.item);
      return `Left over: ${command.quantity} × ${item ? `${item.line} ${item.name}` : command.item}`;
    }
    case 'close':
      return 'Sign and close';
    default: {
      const found = act === undefined ? undefined : lineOf(plan).actById.get(act);
      return found ? planActionText(plan, found.action) : command.type;
    }
  }
}
