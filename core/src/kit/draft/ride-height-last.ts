import type { Step } from '../kit-step.ts';
import type { StepAction } from '../step-action.ts';
import { clip, type Drafting } from './drafting.ts';

/**
 * What is tightened at ride height waits until the vehicle stands on its wheels again: a sheet written in the order of
 * the parts often says it while the vehicle still hangs. A rubber bush is twisted by as much as it is clamped away from
 * where it works. Common practice, no source.
 */
export function rideHeightLast({ kit, assume, assumed, placed, freshId }: Drafting): void {
  const waiting: Array<{ group: string; title: string; at: number; said: string }> = [];
  let lifted = false;
  kit.steps.forEach((step, at) => {
    const stays: StepAction[] = [];
    for (const action of step.actions) {
      if (action.type === 'lift') lifted = true;
      if (action.type === 'lower') lifted = false;
      const group = action.type === 'torque' ? kit.groups.find(({ id }) => id === action.group) : undefined;
      if (group?.atRideHeight && (lifted || step.needs?.includes('lift')))
        waiting.push({ group: group.id, title: group.title, at, said: step.text });
      else stays.push(action);
    }
    if (stays.length === step.actions.length) return;
    step.actions = stays.length > 0 ? stays : [{ type: 'do', text: clip(step.text, 500) }];
    step.phase = 'loose';
  });
  for (const { group, title, at, said } of waiting) {
    const does =
      (...types: StepAction['type'][]) =>
      (step: Step, index: number) =>
        index >= at && step.actions.some(({ type }) => types.includes(type));
    const lowered = kit.steps.findIndex(does('lower'));
    const place = (lowered >= 0 ? lowered : Math.max(at, kit.steps.findLastIndex(does('refit', 'torque', 'snug')))) + 1;
    kit.steps.splice(place, 0, {
      id: freshId('step ride height'),
      text: clip(`On its wheels: ${said}`, 2000),
      phase: 'torque',
      actions: [...(lowered >= 0 ? [] : [{ type: 'lower' as const }]), { type: 'torque', group }],
      needs: ['rideHeight'],
    });
    for (const [fact, path] of placed) placed.set(fact, behind(path, place));
    for (const entry of assumed) entry.path = behind(entry.path, place);
    assume(`steps[${place}]`, 'rideHeightLast', title);
  }
}

/** A path into the steps after one was put in at a place. */
const behind = (path: string, place: number): string =>
  path.replace(/^steps\[(\d+)\]/, (whole, at) => (Number(at) >= place ? `steps[${Number(at) + 1}]` : whole));
