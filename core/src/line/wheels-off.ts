import type { Plan } from '../kit/plan.ts';

/** `front wheels`, not `wheel nuts` or `wheel arch liner`. */
const WHEELS = /\bwheels?$/i;

/** Whether the work takes wheels off: its steps say so, or wheels are among what comes off. */
export const takesWheelsOff = (plan: Pick<Plan, 'steps' | 'removed'>): boolean =>
  plan.steps.some(({ needs }) => needs.includes('wheelsOff')) ||
  plan.removed.some(({ name }) => WHEELS.test(name.trim()));
