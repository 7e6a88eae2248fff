import { checkRead } from '../../kit/step-action.ts';
import type { Answers } from '../../line/ask.ts';
import { type LineAct, lineOf } from '../../line/line.ts';
import type { Ask } from './act.ts';
import type { ProblemCleared } from './clear-problem.ts';
import type { ProblemRaised } from './raise-problem.ts';

/** A check found otherwise than these acts had set: they are to be done again. */
export interface ActsReopened {
  type: 'actsReopened';
  acts: string[];
  /** The act of the check. */
  check: string;
}

/** What was said of the vehicle or wanted of it is so still when a part is set anew. */
const SAID_ONCE: ReadonlySet<string> = new Set(['find', 'choose', 'decide', 'prerequisite', 'measure']);
/** As long as a finding may be. */
const LONGEST_FINDING = 480;

/** What was said at each key, as it stands in a finding. */
const readOut = (answers: Answers, keys: readonly string[]): string =>
  keys.map((key) => `${key.replace(/^(?:at |value$)/, '')} ${String(answers[key] ?? '')}`.trim()).join(', ');

/**
 * What a check that is not met opens: a finding, which is cleared when it is met, and the step that put it so, to be done
 * again. A miss that only stands on the record opens nothing.
 */
export function afterCheck(
  { plan, job, commandId }: Ask,
  lineAct: LineAct,
  answers: Answers,
  notMet: readonly string[],
): Array<ProblemRaised | ProblemCleared | ActsReopened> {
  const { action } = lineAct;
  const check = plan.checks.find(({ id }) => id === checkRead(action));
  // A wheel on the way to its aim is no finding.
  if (!check || check.miss === 'deviation' || action.type === 'align') return [];
  const open = Object.entries(job.problems).find(([, { act: of, cleared }]) => of === lineAct.id && !cleared);
  if (notMet.length === 0) {
    const how = readOut(
      answers,
      Object.keys(answers).filter((key) => typeof answers[key] === 'number'),
    );
    return open ? [{ type: 'problemCleared', problem: open[0], how: how === '' ? 'met' : how }] : [];
  }
  const back = check.failsTo === undefined ? undefined : lineOf(plan).stepById.get(check.failsTo);
  const acts = (back?.acts ?? []).flatMap(({ id, action: done }) =>
    job.visit.acts[id]?.tries.length && !SAID_ONCE.has(done.type) ? [id] : [],
  );
  return [
    ...(open
      ? []
      : [
          {
            type: 'problemRaised' as const,
            problem: commandId,
            text: `${check.text}: ${readOut(answers, notMet)}`.slice(0, LONGEST_FINDING),
            act: lineAct.id,
          },
        ]),
    ...(acts.length > 0 ? [{ type: 'actsReopened' as const, acts, check: lineAct.id }] : []),
  ];
}
