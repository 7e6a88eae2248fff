import { QUANTITY_UNIT } from '#core/kit/baseline-unit.ts';
import type { Plan } from '#core/kit/plan.ts';
import { limitsOf } from '#core/line/judge-check.ts';
import type { Vehicle } from '#core/vehicle/vehicle.ts';
import { vehicleSheet, vehicleWith } from '#core/vehicle/vehicle-sheet.ts';
import { angleText } from './lobe-text.ts';
import { alignmentText } from './raised-text.ts';

const kg = (value: number): string => `${Math.round(value).toLocaleString('en-GB')} kg`;
const moved = (from: number | undefined, to: number | undefined): string | undefined =>
  from === undefined || to === undefined || Math.round(from) === Math.round(to)
    ? undefined
    : `${kg(from)} to ${kg(to)}`;
const withSign = (value: number): string => `${value > 0 ? '+' : ''}${value}`;

/**
 * What the kits of a visit do to the vehicle, said before a spanner is lifted: heights and angles by their own claims,
 * what is set by whom, what it weighs and may carry afterwards.
 *
 * @param vehicle - as it came in; without it loads are left out
 */
export function effectsText(plan: Plan, vehicle?: Pick<Vehicle, 'ratings' | 'dimensions' | 'fitted'>): string[] {
  const claims = plan.baselines.flatMap(({ name, quantity, change, after, sides }): string[] => {
    const unit = QUANTITY_UNIT[quantity];
    const bounds = [
      after?.min === undefined ? undefined : `at least ${after.min}`,
      after?.max === undefined ? undefined : `at most ${after.max}`,
    ].filter((bound) => bound !== undefined);
    const parts = [
      change && `${withSign(change.min)} to ${withSign(change.max)} ${unit}`,
      bounds.length > 0 ? `afterwards ${bounds.join(', ')} ${unit}` : undefined,
      sides === undefined ? undefined : `left and right within ${sides} ${unit}`,
    ].filter((part) => part !== undefined);
    return parts.length > 0 ? [`${name}: ${parts.join('; ')}.`] : [];
  });
  const set = plan.steps.flatMap(({ actions }) =>
    actions.flatMap((action): string[] => {
      const check = action.type === 'align' ? plan.checks.find(({ id }) => id === action.check) : undefined;
      if (action.type !== 'align' || !check) return [];
      const { min, max } = limitsOf(check);
      const aim = min !== undefined && max !== undefined ? `, between ${angleText(min)} and ${angleText(max)}` : '';
      const by = action.authorityDeg === undefined ? '' : `; an eccentric moves it ${action.authorityDeg}° each way`;
      return [`${check.text}: set here${aim}${by}.`];
    }),
  );
  const alignment = alignmentText(plan);
  return [...claims, ...set, ...(alignment ? [alignment] : []), ...(vehicle ? loadsText(plan, vehicle) : [])];
}

/** What the vehicle's own sheet says before and after. */
function loadsText(plan: Plan, vehicle: Pick<Vehicle, 'ratings' | 'dimensions' | 'fitted'>): string[] {
  const weighing = plan.kits.filter(({ loads }) => loads);
  if (weighing.length === 0) return [];
  const [before, after] = [vehicleSheet(vehicle), vehicleSheet(vehicleWith(vehicle, weighing))];
  const masses = weighing.flatMap(({ title, loads }) =>
    loads?.massKg === undefined
      ? []
      : [`${title} weighs ${kg(Math.abs(loads.massKg))} ${loads.massKg < 0 ? 'less' : 'more'} than what it replaces.`],
  );
  const changes: Array<[string, string | undefined]> = [
    ['Payload', moved(before.payloadKg, after.payloadKg)],
    ['Front axle, empty', moved(before.axles?.frontKg, after.axles?.frontKg)],
    ['Rear axle, empty', moved(before.axles?.rearKg, after.axles?.rearKg)],
  ];
  const told = changes.flatMap(([name, text]) => (text ? [`${name}: ${text}.`] : []));
  const { trailerKg, trailerLimitedBy, tongueKg, tongueLimitedBy } = after.hitch;
  const hitch = weighing.some(({ loads }) => loads?.hitch)
    ? [
        ...(trailerKg === undefined ? [] : [`Trailer then at most ${kg(trailerKg)}, by the ${trailerLimitedBy}.`]),
        ...(tongueKg === undefined ? [] : [`On the ball at most ${kg(tongueKg)}, by the ${tongueLimitedBy}.`]),
      ]
    : [];
  return [...masses, ...told, ...hitch, 'Plate ratings do not rise.'];
}
