import type { Refusal } from '#core/job/refusal.ts';
import type { Role } from '#core/job/role.ts';
import { indexOf, type Plan } from '#core/kit/plan.ts';
import { lineOf } from '#core/line/line.ts';
import { showTorqueIn } from '#core/quantity/display.ts';
import type { TorqueUnit } from '#core/quantity/unit.ts';
import { tradeWhyText } from './ask-text.ts';
import { careName } from './care-text.ts';
import { REFUSALS, type RefusalWords } from './en/refusals.ts';
import { BENDABLE_TEXT } from './en/rules.ts';
import { ROLE_TEXT } from './en/terms.ts';
import { LOOK_WAY_TEXT } from './look-text.ts';
import { midSentence, say } from './say.ts';
import { shopClock } from './shop-time.ts';
import { planActionText, stepTitle } from './step-text.ts';
import { substituteText } from './substitute-text.ts';

/** Names of all facts that refusals carry, and what each may be. */
type Facts = Refusal extends infer One ? (One extends { code: string } ? Exclude<keyof One, 'code'> : never) : never;
type FactOf<Name> = Refusal extends infer One
  ? One extends { [Key in Name & string]?: infer Fact }
    ? Fact
    : never
  : never;
type Shown = string | number | undefined;

/** Longest list of names that is still read; the rest is counted. */
const MOST = 6;
const listed = (names: readonly string[], between: string): string | undefined => {
  if (names.length === 0) return undefined;
  const more = names.length - MOST;
  return more > 0
    ? say('{names} and {more} more', { names: names.slice(0, MOST).join(between), more })
    : names.join(between);
};
/** How each fact is written: ids by the names the plan gives them, torques in the unit in hand. */
function writers(plan: Plan, unit: TorqueUnit): { [Name in Facts]: (fact: NonNullable<FactOf<Name>>) => Shown } {
  const { stations, items, groups, steps } = indexOf(plan);
  const label = (id: string) => stations.get(id)?.label ?? id;
  const station = (id: string) => say('Station {label}', { label: label(id) });
  const item = (id: string) => {
    const found = items.get(id);
    return found ? `${found.line} ${found.name}` : id;
  };
  const group = (id: string) => groups.get(id)?.title ?? id;
  const step = (id: string) => {
    const found = steps.get(id);
    return found ? stepTitle(plan, found) : id;
  };
  const act = (id: string) => {
    const found = lineOf(plan).actById.get(id);
    return found ? planActionText(plan, found.action) : id;
  };
  const named = (list: ReadonlyArray<{ id: string; text?: string; name?: string }>) => (id: string) => {
    const found = list.find((entry) => entry.id === id);
    return found?.text ?? found?.name ?? id;
  };
  const debt = named([...plan.removed, ...plan.disconnects, ...plan.neighbours, ...plan.temporary]);
  const torque = (nm: number) => `${showTorqueIn(nm, unit).number} ${unit}`;
  const asIs = (fact: string | number) => fact;
  const clock = (atMs: number) => shopClock(atMs, plan.rules);
  const degrees = (deg: number) => Math.round(deg);
  return {
    role: (role) => ROLE_TEXT[role as Role] ?? role,
    command: asIs,
    faults: (faults) =>
      listed(
        faults.map(({ path, message }) => (path ? `${path}: ${message}` : message)),
        '; ',
      ),
    person: asIs,
    name: asIs,
    entered: asIs,
    angleDeg: asIs,
    limitDeg: asIs,
    threadMm: asIs,
    fromMm: asIs,
    at: asIs,
    station,
    item,
    wrench: asIs,
    wanted: asIs,
    source: asIs,
    unit: asIs,
    expired: () => undefined,
    wrenchId: asIs,
    pull: asIs,
    bottle: asIs,
    bottles: (names) => listed(names, '; '),
    lastDay: asIs,
    basis: asIs,
    factor: (share) => Math.round(share * 100) / 100,
    stage: asIs,
    minDeg: degrees,
    maxDeg: degrees,
    turnedDeg: degrees,
    leftDeg: degrees,
    whose: ({ station: other, printed }) =>
      other === undefined
        ? say('this joint on another vehicle, {printed}', { printed })
        : `${station(other)}, ${stations.get(other)?.name ?? ''}, ${printed}`,
    problem: asIs,
    question: asIs,
    stations: (ids) => ids.length,
    things: (names) => listed(names, '; '),
    questions: (texts) => listed(texts, '; '),
    reason: asIs,
    answer: (answer) => (Array.isArray(answer) ? answer.join(', ') : String(answer)),
    read: asIs,
    is: asIs,
    stamps: (stamps) => listed(stamps, ', '),
    serial: asIs,
    piece: asIs,
    pieces: asIs,
    apart: asIs,
    tray: asIs,
    order: asIs,
    differences: (differences) => listed(differences.map(substituteText), '; '),
    found: asIs,
    damaged: asIs,
    quantity: asIs,
    inUse: asIs,
    items: (ids) => listed(ids.map(item), ', '),
    available: asIs,
    compound: asIs,
    group,
    waiting: (ids) => listed(ids.map(label), ', '),
    waitsFor: (ids) => listed(ids.map(group), ', '),
    next: station,
    verdict: asIs,
    targetNm: torque,
    minNm: torque,
    maxNm: torque,
    torqueNm: torque,
    maximumNm: torque,
    limitNm: torque,
    dueOn: asIs,
    pulls: asIs,
    atMs: clock,
    because: asIs,
    closedAtMs: clock,
    state: asIs,
    readAs: asIs,
    meant: asIs,
    prerequisite: asIs,
    prerequisites: (ids) => listed(ids.map(named(plan.prerequisites)), '; '),
    baseline: asIs,
    baselines: (ids) => listed(ids.map(named(plan.baselines)), '; '),
    place: asIs,
    step,
    steps: (ids) => listed(ids.map(step), '; '),
    debt,
    conflict: (id) => plan.conflicts.find((entry) => entry.id === id)?.place ?? id,
    target: asIs,
    choice: asIs,
    choices: (ids) => listed(ids.map(named(plan.choices)), '; '),
    value: asIs,
    act,
    acts: (ids) => listed(ids.map(act), '; '),
    asks: (keys) =>
      listed(
        keys.map((key) => key.replace(/^at /, '')),
        ', ',
      ),
    min: asIs,
    max: asIs,
    expected: asIs,
    why: asIs,
    trade: tradeWhyText,
    rung: asIs,
    nextRung: asIs,
    insideMm: asIs,
    outsideMm: asIs,
    thicknessMm: asIs,
    boltMm: asIs,
    hardnessHv: asIs,
    neededHv: asIs,
    engagedMm: asIs,
    neededMm: asIs,
    side: asIs,
    endsAtMs: clock,
    check: named(plan.checks),
    tempC: asIs,
    debts: (ids) => listed(ids.map(debt), ', '),
    end: asIs,
    count: asIs,
    left: asIs,
    planned: asIs,
    printed: (text) => text || undefined,
    key: asIs,
    kit: asIs,
    prefix: asIs,
    refusal: asIs,
    rule: (rule) => midSentence(BENDABLE_TEXT[rule].title),
    bender: asIs,
    says: asIs,
    leftMin: asIs,
    way: (way) => LOOK_WAY_TEXT[way],
    care: (key) => careName(plan, key),
    blocks: (blocks) => blocks.length,
  };
}

/** Facts a refusal may leave out. */
const LEFT_OUT = {
  min: undefined,
  max: undefined,
  maxNm: undefined,
  whose: undefined,
  expected: undefined,
  why: undefined,
  trade: undefined,
  nextRung: undefined,
};

/** Puts a refusal into words, naming stations and lines as the plan does, torques in `unit`. */
export function refusalText(refusal: Refusal, plan: Plan, unit: TorqueUnit = 'N·m'): RefusalWords {
  const { code, ...facts } = refusal;
  const write = writers(plan, unit) as Record<string, (fact: unknown) => Shown>;
  const values: Record<string, Shown> = { ...LEFT_OUT };
  for (const [name, fact] of Object.entries(facts)) values[name] = fact === undefined ? undefined : write[name]?.(fact);
  const { title, why, lift } = REFUSALS[code];
  return {
    title: say(title, values),
    why: say(why, values),
    lift: say(lift, values),
  };
}
