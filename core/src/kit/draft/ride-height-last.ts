import type { Step } from '../kit-step.ts';
import type { StepAction } from '../step-action.ts';
import { clip, type Drafting } from './drafting.ts';
import { rearrangeSteps, type SaidOfStep } from './rearrange-steps.ts';

/**
 * What is tightened at ride height waits until the vehicle stands on its wheels again: a sheet written in the order of
 * the parts often says it while the vehicle still hangs. A rubber bush is twisted by as much as it is clamped away from
 * where it works. Common practice, no source.
 */
export function rideHeightLast(drafting: Drafting): void {
  const { kit, freshId } = drafting;
  const groups = new Map(kit.groups.map((group) => [group.id, group]));
  const waiting: Array<{ group: string; title: string; at: number; said: string }> = [];
  let lifted = false;
  kit.steps.forEach((step, at) => {
    const stays: StepAction[] = [];
    for (const action of step.actions) {
      if (action.type === 'lift') lifted = true;
      if (action.type === 'lower') lifted = false;
      const group = action.type === 'torque' ? groups.get(action.group) : undefined;
      if (group?.atRideHeight && (lifted || step.needs?.includes('lift')))
        waiting.push({ group: group.id, title: group.title, at, said: step.text });
      else stays.push(action);
    }
    if (stays.length === step.actions.length) return;
    step.actions = stays.length > 0 ? stays : [{ type: 'do', text: clip(step.text, 500) }];
    step.phase = 'loose';
  });
  if (waiting.length === 0) return;
  rearrangeSteps(drafting, (steps) => {
    const said: SaidOfStep[] = [];
    const before = [...steps];
    const does = (step: Step | undefined, ...types: StepAction['type'][]): boolean =>
      step?.actions.some(({ type }) => types.includes(type)) ?? false;
    const lowers = before.flatMap((step, at) => (does(step, 'lower') ? [at] : []));
    const loweredAfter = (at: number): number | undefined => lowers.find((one) => one >= at);
    // Where no step lowers the vehicle it is lowered when all else is done.
    const end = Math.max(
      before.findLastIndex((step) => does(step, 'refit', 'torque', 'snug')),
      ...waiting.map(({ at }) => (loweredAfter(at) === undefined ? at : -1)),
    );
    /** What comes behind each step, by its index, in the order of the sheet. */
    const behind = new Map<number, Step[]>();
    for (const { group, title, at, said: text } of waiting) {
      const lowered = loweredAfter(at);
      const there = behind.get(lowered ?? end) ?? [];
      const step: Step = {
        id: freshId('step ride height'),
        text: clip(`On its wheels: ${text}`, 2000),
        phase: 'torque',
        actions: [
          ...(lowered === undefined && there.length === 0 ? [{ type: 'lower' as const }] : []),
          { type: 'torque', group },
        ],
        needs: ['rideHeight'],
      };
      behind.set(lowered ?? end, [...there, step]);
      said.push({ step, code: 'rideHeightLast', about: title });
    }
    steps.splice(0, steps.length, ...before.flatMap((step, at) => [step, ...(behind.get(at) ?? [])]));
    return said;
  });
}
