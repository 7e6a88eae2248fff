import { QUANTITY_UNIT } from '#core/kit/baseline-unit.ts';
import type { Plan } from '#core/kit/plan.ts';
import { limitsOf } from '#core/line/judge-check.ts';
import type { Vehicle } from '#core/vehicle/vehicle.ts';
import { vehicleSheet, vehicleWith } from '#core/vehicle/vehicle-sheet.ts';
import { angleText } from './lobe-text.ts';
import { alignmentText } from './raised-text.ts';
import { say, thousands } from './say.ts';

const kg = (value: number): string => `${thousands(value)} kg`;
const moved = (from: number | undefined, to: number | undefined): string | undefined =>
  from === undefined || to === undefined || Math.round(from) === Math.round(to)
    ? undefined
    : say('{kg} to {kg2}', { kg: kg(from), kg2: kg(to) });
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
      after?.min === undefined ? undefined : say('at least {min}', { min: after.min }),
      after?.max === undefined ? undefined : say('at most {max}', { max: after.max }),
    ].filter((bound) => bound !== undefined);
    const parts = [
      change &&
        say('{withSign} to {withSign2} {unit}', {
          withSign: withSign(change.min),
          withSign2: withSign(change.max),
          unit,
        }),
      bounds.length > 0 ? say('afterwards {bounds} {unit}', { bounds: bounds.join(', '), unit }) : undefined,
      sides === undefined ? undefined : say('left and right within {sides} {unit}', { sides, unit }),
    ].filter((part) => part !== undefined);
    return parts.length > 0 ? [`${name}: ${parts.join('; ')}.`] : [];
  });
  const set = plan.steps.flatMap(({ actions }) =>
    actions.flatMap((action): string[] => {
      const check = action.type === 'align' ? plan.checks.find(({ id }) => id === action.check) : undefined;
      if (action.type !== 'align' || !check) return [];
      const { min, max } = limitsOf(check);
      const aim =
        min !== undefined && max !== undefined
          ? say(', between {angleText} and {angleText2}', { angleText: angleText(min), angleText2: angleText(max) })
          : '';
      const by =
        action.authorityDeg === undefined
          ? ''
          : say('; an eccentric moves it {authorityDeg}° each way', { authorityDeg: action.authorityDeg });
      return [say('{text}: set here{aim}{by}.', { text: check.text, aim, by })];
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
      : [
          say('{title} weighs {kg} {which} than what it replaces.', {
            title,
            kg: kg(Math.abs(loads.massKg)),
            which: loads.massKg < 0 ? 'less' : 'more',
          }),
        ],
  );
  const changes: Array<[string, string | undefined]> = [
    [say('Payload'), moved(before.payloadKg, after.payloadKg)],
    [say('Front axle, empty'), moved(before.axles?.frontKg, after.axles?.frontKg)],
    [say('Rear axle, empty'), moved(before.axles?.rearKg, after.axles?.rearKg)],
  ];
  const told = changes.flatMap(([name, text]) => (text ? [`${name}: ${text}.`] : []));
  const { trailerKg, trailerLimitedBy, tongueKg, tongueLimitedBy } = after.hitch;
  const hitch = weighing.some(({ loads }) => loads?.hitch)
    ? [
        ...(trailerKg === undefined
          ? []
          : [say('Trailer then at most {kg}, by the {trailerLimitedBy}.', { kg: kg(trailerKg), trailerLimitedBy })]),
        ...(tongueKg === undefined
          ? []
          : [say('On the ball at most {kg}, by the {tongueLimitedBy}.', { kg: kg(tongueKg), tongueLimitedBy })]),
      ]
    : [];
  return [...masses, ...told, ...hitch, say('Plate ratings do not rise.')];
}
