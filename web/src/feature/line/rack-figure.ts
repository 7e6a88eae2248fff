import type { AlignmentFigure } from '#contract/alignment.ts';
import type { Plan } from '#core/kit/plan.ts';
import { checkRead } from '#core/kit/step-action.ts';
import type { LineAct } from '#core/line/line.ts';

const FIGURE: Readonly<Record<string, AlignmentFigure>> = {
  camber: 'camberDeg',
  toe: 'toeDeg',
  caster: 'casterDeg',
};

/** The figure of a rack that an act reads, and where; nothing where a rack does not read it. */
export function rackFigure(plan: Plan, { action }: LineAct): { figure: AlignmentFigure; places: string[] } | undefined {
  const check = plan.checks.find(({ id }) => id === checkRead(action));
  const baseline =
    action.type === 'measure' || action.type === 'measureAgain'
      ? plan.baselines.find(({ id }) => id === action.baseline)
      : undefined;
  const figure = FIGURE[check?.quantity ?? baseline?.quantity ?? ''];
  const places = check?.places ?? baseline?.places;
  return figure && places && check?.travel === undefined ? { figure, places } : undefined;
}
