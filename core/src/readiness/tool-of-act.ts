import type { Baseline } from '../kit/kit-preparation.ts';
import type { Plan, PlanAction, PlanStation } from '../kit/plan.ts';
import { printedTorqueUnit } from '../quantity/parse-printed.ts';
import { acceptBand, asksOf } from '../tightening/kinds.ts';

/** A tool that an act or a kind of joint asks for, with what a sheet may call it. */
export interface ActTool {
  name: string;
  /** Words of a sheet's own list that mean it. */
  called: RegExp;
  for: string;
}

/** What measures each quantity where the sheet names no instrument. Common practice, no source. */
const INSTRUMENT: Record<Baseline['quantity'], [name: string, called: RegExp]> = {
  rideHeight: ['steel rule', /rule|tape measure/i],
  length: ['steel rule', /rule|tape measure/i],
  gap: ['feeler gauges', /feeler/i],
  play: ['dial gauge', /dial/i],
  camber: ['inclinometer', /inclinometer|camber/i],
  caster: ['inclinometer', /inclinometer|caster/i],
  toe: ['toe gauge', /toe/i],
};

/** Below this a wrench's handle is longer than the job: it is turned with a torque screwdriver. Chosen by us. */
const SCREWDRIVER_NM = 6;

const escaped = (text: string): RegExp => new RegExp(text.replaceAll(/[.*+?^${}()|[\]\\]/g, '\\$&'), 'i');
const named = (name: string, what: string): ActTool => ({ name, called: escaped(name), for: what });

/** The tools of one act; common practice, no source. */
export function toolsOfAct(plan: Plan, action: PlanAction, step: string): ActTool[] {
  switch (action.type) {
    case 'chase':
      return [{ name: `thread chaser ${action.thread}`, called: /chaser|tap\b/i, for: step }];
    case 'press':
      return [
        { name: 'press', called: /press/i, for: step },
        ...(action.measureFit
          ? [{ name: 'bore gauge and micrometer', called: /bore gauge|micrometer/i, for: step }]
          : []),
      ];
    case 'ream':
      return [{ name: `reamer ${action.diameterMm} mm`, called: /reamer/i, for: step }];
    case 'cut':
      return [{ name: 'saw', called: /saw|cutter|grinder/i, for: step }];
    case 'bleed':
      return [{ name: 'bleeder hose and bottle', called: /bleed/i, for: step }];
    case 'grease':
      return [{ name: 'grease gun', called: /grease gun/i, for: step }];
    case 'coolDown':
      return action.belowC === undefined ? [] : [{ name: 'thermometer', called: /thermometer/i, for: step }];
    case 'warmUp':
      return [
        { name: 'heat gun', called: /heat gun|heater/i, for: step },
        ...(action.aboveC === undefined ? [] : [{ name: 'thermometer', called: /thermometer/i, for: step }]),
      ];
    case 'drill':
      return [
        ...(action.pilotMm === undefined ? [] : [named(`${action.pilotMm} mm drill`, step)]),
        ...(action.template === undefined ? [] : [named(action.template, step)]),
      ];
    case 'preset':
      return [{ name: 'steel rule', called: /rule|tape measure/i, for: step }];
    case 'measure': {
      const baseline = plan.baselines.find(({ id }) => id === action.baseline);
      if (!baseline) return [];
      if (baseline.instrument !== undefined) return [named(baseline.instrument, step)];
      const [name, called] = INSTRUMENT[baseline.quantity];
      return [{ name, called, for: step }];
    }
    case 'check':
    case 'align':
    case 'test': {
      const check = plan.checks.find(({ id }) => id === action.check);
      return check?.instrument === undefined ? [] : [named(check.instrument, step)];
    }
    case 'support':
      return action.with === undefined ? [] : [named(action.with, step)];
    case 'hold':
      return action.with === undefined ? [] : [named(action.with, step)];
    case 'remove': {
      const thing = plan.removed.find(({ id }) => id === action.removed);
      if (thing?.heldBy === 'taper')
        return [{ name: 'ball joint press', called: /joint press|puller|separator/i, for: step }];
      if (thing?.heldBy === 'pressFit') return [{ name: 'puller', called: /puller|press/i, for: step }];
      return thing && /\b(coil spring|spring strut)/i.test(thing.name)
        ? [{ name: 'spring compressor', called: /compressor/i, for: step }]
        : [];
    }
    default:
      return [];
  }
}

/** What a joint's own kind asks for beside a wrench. */
export function toolsOfJoint(station: PlanStation): ActTool[] {
  const { spec, printed, name } = station;
  const found: ActTool[] = [];
  if (asksOf(spec).includes('angle')) found.push({ name: 'angle gauge', called: /angle/i, for: name });
  const targetNm = acceptBand(spec)?.targetNm;
  if (printedTorqueUnit(printed) === 'lbf·in')
    found.push({ name: INCH_POUND, called: /inch.?pound|in.?lb/i, for: name });
  else if (targetNm !== undefined && targetNm < SCREWDRIVER_NM)
    found.push({ name: SCREWDRIVER, called: /torque screwdriver/i, for: name });
  return found;
}

export const INCH_POUND = 'inch-pound torque wrench';
export const SCREWDRIVER = 'torque screwdriver';
/** Tools that are wrenches of the crib, and are looked for among them. */
export const IS_WRENCH: ReadonlySet<string> = new Set([INCH_POUND, SCREWDRIVER]);
