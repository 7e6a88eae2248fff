import type { HouseRules } from './house-rules.ts';
import type { Check } from './kit-preparation.ts';
import type { Disconnect } from './kit-step.ts';
import type { Applies, Plan, PlanAction, PlanStep } from './plan.ts';

/** What is tried out before a vehicle goes back, in the order it is tried: standing first, on the road last. */
export const FUNCTION_TESTS = [
  'leak',
  'brakes',
  'steering',
  'valve',
  'lamps',
  'warnings',
  'assistance',
  'road',
  'distance',
] as const;
export type FunctionTest = (typeof FUNCTION_TESTS)[number];

/** What is asked. Common practice, no source; what the vehicle maker's manual asks comes first. */
const TEXT: Readonly<Record<FunctionTest, string>> = {
  leak: 'No leak where a hose or line was opened, filled, bled and at working pressure',
  brakes: 'Brakes: pedal firm and stays up, parking brake holds, every wheel free when let go',
  steering: 'Steering lock to lock: nothing touches, hoses and leads neither pulled nor pinched',
  valve: 'Valve or compressor worked by its own switch, both ways',
  lamps: 'Every lamp worked on or unplugged lights, at its right place',
  warnings: 'Ignition on, then running: no warning lamp stays lit that was not lit before',
  assistance: 'Cameras and sensors: calibrated or booked as the vehicle maker’s manual asks; none fitted is as good',
  road: 'Road test: no noise, runs straight, brakes even, steering comes back',
  distance: 'Road test, distance driven',
};

/** What a drive that showed nothing is told with. */
const NOTHING_TOLD = 'nothing heard, nothing felt';
/** Shortest drive that shows a knock or a pull, km; common practice, no source. */
const SHORTEST_DRIVE_KM = 1;

/** What a name says is touched; common practice, no source. A clip or a guard of a brake line opens no brake. */
const NOT_ITSELF = /\b(?:clips?|brackets?|shields?|guards?|covers?|tabs?)\b/i;
const BRAKES =
  /\bcalipers?\b|\bbrake (?:discs?|rotors?|drums?|hoses?|lines?|pipes?|pads?|shoes?|cylinders?|boosters?|cables?|fluid)\b|\bmaster cylinder\b|\b(?:hand|parking) ?brake\b/i;
const FLUID =
  /\bbanjo\b|\bbleed\w*|\b(?:fuel|coolant|brake|clutch|oil|hydraulic|refrigerant) (?:lines?|hoses?|pipes?)\b/i;
/** Open to the air anyway. */
const AIR_ONLY = /\b(?:vents?|breathers?|drains? tube)\b/i;
const STEERING =
  /\bsteering\b|\bball joints?\b|\b(?:tie|track) rods?\b|\bdrag link\b|\bknuckles?\b|\bstruts?\b|\b(?:upper|lower|control) arms?\b/i;
const REAR = /\brear\b/i;
const VALVE = /\b(?:exhaust|bypass|solenoid|cut-?out|air|control) valves?\b|\bvalve block\b|\bcompressor\b/i;
const LAMPS =
  /\b(?:head|tail|fog|brake|side|work|marker)?(?:lamps?|lights?)\b|\bindicators?\b|\b(?:trailer|towing) (?:socket|wiring|lead|plug)\b/i;
const ASSISTANCE =
  /\bradar\b|\bcameras?\b|\bparking (?:sensors?|aid|assist)\b|\bblind[- ]spot\b|\blane\b|\bride[- ]height sensors?\b|\bwindscreen\b/i;
const RUNNING_GEAR =
  /\bwheels?\b|\bdampers?\b|\bshocks?\b|\bsprings?\b|\bbush(?:es|ings?)?\b|\banti-roll\b|\btrack bar\b|\baxles?\b|\bhubs?\b|\bexhaust\b|\bmuffler\b|\bprop ?shaft\b|\bdrive ?shafts?\b|\btransmission\b|\bdifferential\b|\bmounts?\b/i;
const ELECTRIC: ReadonlySet<Disconnect['kind']> = new Set(['connector', 'sensor', 'cable', 'plug']);
const CARRIES: ReadonlySet<Disconnect['kind']> = new Set(['hose', 'line']);

/** What of a sheet is the same test already. */
const SAID: Readonly<Record<FunctionTest, RegExp>> = {
  leak: /\bleak/i,
  brakes: /\bpedal\b|\bbrakes? (?:even|hold|test)|test the brakes/i,
  steering: /lock[- ]to[- ]lock|\bfull lock\b/i,
  valve: /\bvalve\b.{0,40}\b(?:opens?|closes?|works?|operat)|\bcompressor\b.{0,30}\bruns?\b/i,
  lamps:
    /\b(?:lamps?|lights?)\b.{0,30}\b(?:work|light|function|tested|check)|\b(?:check|test)\b.{0,30}\b(?:lamps?|lights?)\b/i,
  warnings: /\bwarning (?:lamps?|lights?)\b|\bfault codes?\b/i,
  assistance: /\bcalibrat/i,
  road: /\b(?:road|test)[- ](?:test|drive|run)|\bdrive\b.{0,20}\b(?:test|and listen)/i,
  // Whoever asks for a drive in its own words may ask for its length too.
  distance: /\b(?:road|test)[- ](?:test|drive|run)\b.{0,40}\b\d+ ?(?:km|miles?|minutes?)\b/i,
};

const idOf = (prefix: string, test: FunctionTest): string => `${prefix}house.test-${test}`;

/** How one of these stands on the line. What is driven waits until the vehicle may be driven; the rest may be looked at before. */
export const tryOut = ({ id }: Pick<Check, 'id'>): Extract<PlanAction, { check: string }> => ({
  type: id.endsWith(idOf('', 'road')) || id.endsWith(idOf('', 'distance')) ? 'test' : 'check',
  check: id,
});

/** `Check for leaks after 1000 km`: tells the owner of later, and tests nothing now. */
const LATER = /\b(?:after|every) (?:the first )?\d[\d.,]* ?(?:km|miles?|mi|days?|weeks?|months?)\b/i;

/** Parts of a kit's plan that tell what it touches. */
export type Touched = Pick<Plan, 'groups' | 'disconnects' | 'removed' | 'neighbours' | 'checks'> & {
  items: ReadonlyArray<{ name: string; kind: string }>;
  steps: ReadonlyArray<Pick<PlanStep, 'id' | 'text' | 'actions' | 'needs'>>;
  adds: readonly string[];
};

/** Why each test is asked: the name of what is touched; empty where the way it is worked on says so. */
function asked({ groups, disconnects, removed, neighbours, items, steps, adds }: Touched): Map<FunctionTest, string[]> {
  const things = [...disconnects, ...removed, ...neighbours].map(({ id, name }) => ({ id, name }));
  const worked = [...things, ...groups.map(({ id, title }) => ({ id, name: title }))];
  const plugs = new Set(disconnects.map(({ id }) => id));
  const brought = items.filter(({ kind }) => kind === 'part').map(({ name }) => ({ id: '', name }));
  const found = new Map<FunctionTest, string[]>();
  const ask = (test: FunctionTest, by: ReadonlyArray<{ id: string }>) => {
    if (by.length > 0) found.set(test, [...(found.get(test) ?? []), ...by.map(({ id }) => id)]);
  };
  const named = <T extends { name: string }>(list: readonly T[], words: RegExp) =>
    list.filter(({ name }) => words.test(name));
  const itself = <T extends { name: string }>(list: readonly T[]) => list.filter(({ name }) => !NOT_ITSELF.test(name));

  ask(
    'leak',
    disconnects.filter(({ kind, name }) => CARRIES.has(kind) && !AIR_ONLY.test(name)),
  );
  ask('leak', named(itself(worked), FLUID));
  ask('brakes', named(itself(worked), BRAKES));
  ask(
    'steering',
    named(worked, STEERING).filter(({ name }) => !REAR.test(name)),
  );
  ask('valve', named([...worked, ...brought], VALVE));
  ask('lamps', named([...worked, ...brought], LAMPS));
  ask(
    'warnings',
    disconnects.filter(({ kind }) => ELECTRIC.has(kind)),
  );
  ask('assistance', named([...worked, ...brought], ASSISTANCE));
  const raised = adds.some((what) => /suspension|lift|air springs/i.test(what));
  if (raised) ask('assistance', [{ id: '' }]);
  // A plug or a vent hose on an axle does not make it run otherwise.
  ask(
    'road',
    named(worked, RUNNING_GEAR).filter(({ id }) => !plugs.has(id)),
  );
  ask(
    'road',
    [...(found.get('brakes') ?? []), ...(found.get('steering') ?? [])].map((id) => ({ id })),
  );
  if (raised || steps.some(({ needs }) => needs.includes('wheelsOff'))) ask('road', [{ id: '' }]);
  ask(
    'distance',
    (found.get('road') ?? []).map((id) => ({ id })),
  );
  return found;
}

/** The step that last closed one of these: where a test that fails leads back to. */
function closedIn(steps: Touched['steps'], ids: ReadonlySet<string>): string | undefined {
  return steps.findLast(({ actions }) =>
    actions.some(
      (action) =>
        (action.type === 'reconnect' && ids.has(action.disconnect)) ||
        (action.type === 'refit' && ids.has(action.removed)) ||
        (action.type === 'retighten' && ids.has(action.neighbour)),
    ),
  )?.id;
}

/**
 * What is tried out because of what a kit touches, beside what its sheet asks for itself.
 *
 * @param rule - `asKit`: the sheet's own tests alone
 * @param touched - of one kit that applies, its steps with their own ids
 * @returns tests in the order they are tried; none for a visit that only tightens again
 */
export function functionTests(
  rule: HouseRules['functionTests'],
  touched: Touched,
  { kit, prefix }: { kit: string; prefix: string },
): Array<Applies<Check>> {
  const { groups, checks, steps } = touched;
  if (rule === 'asKit' || (groups.length > 0 && groups.every(({ recheck }) => recheck))) return [];
  const said = [...checks, ...steps].map(({ text }) => text).filter((text) => !LATER.test(text));
  const why = asked(touched);
  return FUNCTION_TESTS.flatMap((test) => {
    const by = why.get(test);
    if (!by || said.some((text) => SAID[test].test(text))) return [];
    const failsTo = test === 'road' || test === 'distance' ? undefined : closedIn(steps, new Set(by));
    return [
      {
        id: idOf(prefix, test),
        text: TEXT[test],
        ...(test === 'road' ? { remarks: NOTHING_TOLD } : {}),
        ...(test === 'distance' ? { unit: 'km' as const, min: SHORTEST_DRIVE_KM } : {}),
        ...(failsTo === undefined ? {} : { failsTo }),
        kit,
        because: [],
      },
    ];
  });
}
