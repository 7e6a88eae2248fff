import type { HouseRules } from './house-rules.ts';
import type { Caution } from './kit-document.ts';
import type { Disconnect } from './kit-step.ts';
import type { Applies, Plan, PlanAction } from './plan.ts';

/** What makes a shop take the battery off before a plug is pulled. */
export const BATTERY_OFF_FOR = ['restraint', 'damper', 'watched', 'plug'] as const;
export type BatteryOffFor = (typeof BATTERY_OFF_FOR)[number];

/** By how it is called: common practice, no source. A kit whose sheet says more has its own step for it. */
const RESTRAINT = /air ?bag|\bsrs\b|restraint|belt (?:pre)?tensioner|seat (?:occupancy|side) (?:sensor|plug)/i;
const DAMPER = /\b(?:dampers?|shocks?|shock absorbers?|struts?|air springs?)\b/i;
const CONTROLLED = /\b(?:adaptive|controlled|electronic|active|valve|solenoid)\b/i;
/** Behind which a control unit looks, and keeps a fault where it is pulled live. */
const WATCHED =
  /\b(?:watched|monitored)\b|\b(?:radar|camera|blind[- ]spot|lane assist|parking (?:sensor|aid|assist)|ride[- ]height sensor|level(?:l?ing)? sensor|headlamp level)/i;
const ELECTRIC: ReadonlySet<Disconnect['kind']> = new Set(['connector', 'sensor', 'cable', 'plug']);
/** That the kit takes it off itself; a battery tray, or a cable kept clear of it, says nothing of the kind. */
const TAKES_OFF =
  /\b(?:disconnect|isolate|unclip|unhook|undo|take off|remove|pull)\w*\b[^.;]{0,30}\bbatter(?:y|ies)\b(?! (?:tray|box|cover|hold|clamp bracket))|\bbatter(?:y|ies)\b(?! (?:tray|box|cover))[^.;]{0,24}\b(?:off|disconnected|isolated)\b/i;
const IS_BATTERY = /\bbatter(?:y|ies)\b(?! (?:tray|box|cover|hold|bracket))/i;

/** Why the battery comes off before this is opened; undefined where nothing asks for it. */
export function batteryOffFor(name: string, kind?: Disconnect['kind']): BatteryOffFor | undefined {
  if (RESTRAINT.test(name)) return 'restraint';
  const electric = kind !== undefined && ELECTRIC.has(kind);
  if (!electric) return undefined;
  if (DAMPER.test(name) || (CONTROLLED.test(name) && /ride|suspension/i.test(name))) return 'damper';
  return WATCHED.test(name) ? 'watched' : 'plug';
}

/** What of a kit the shop takes the battery off for, by id; none where its kit already does, or the shop leaves it to the kit. */
export function opensLive(
  rule: HouseRules['batteryOff'],
  { disconnects, removed, texts }: Pick<Plan, 'disconnects' | 'removed'> & { texts: readonly string[] },
): string[] {
  if (rule === 'asKit') return [];
  const off = [...disconnects, ...removed].some(({ name }) => IS_BATTERY.test(name));
  if (off || texts.some((text) => TAKES_OFF.test(text))) return [];
  const asked = (reason: BatteryOffFor | undefined): boolean =>
    reason !== undefined && (reason !== 'plug' || rule === 'anyPlug');
  return [
    ...disconnects.filter(({ name, kind }) => asked(batteryOffFor(name, kind))),
    ...removed.filter(({ name }) => asked(batteryOffFor(name))),
  ].map(({ id }) => id);
}

/** The battery, as a plug of its own that is opened before and closed after them. */
export const batteryOf = (kit: string, prefix: string): Applies<Disconnect> => ({
  id: `${prefix}house.battery`,
  name: 'battery, negative lead',
  kind: 'cable',
  kit,
  because: [],
});

/** What is to be minded with it. */
export const batteryCaution = (battery: Applies<Disconnect>, kit: string): Applies<Caution> => ({
  id: `${battery.id}.caution`,
  text: 'Battery off before a restraint, a controlled damper or a watched plug is opened: wait as long as the vehicle maker’s manual says, and power nothing up while one is open.',
  safetyCritical: true,
  kit,
  because: [],
});

/** Whether an action opens or closes one of these. */
export const touches =
  (ids: ReadonlySet<string>, ...types: Array<PlanAction['type']>) =>
  (action: PlanAction): boolean =>
    types.includes(action.type) &&
    (('disconnect' in action && ids.has(action.disconnect)) || ('removed' in action && ids.has(action.removed)));
