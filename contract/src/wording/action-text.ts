import type { KitDocument } from '#core/kit/kit-document.ts';
import type { StepAction } from '#core/kit/step-action.ts';
import { COMPARE_TEXT, HOLD_TEXT, THREAD_END_TEXT } from './en/line.ts';
import { ACTION_TEXT } from './en/terms.ts';
import { minutesText } from './minutes-text.ts';
import { inLanguage, say } from './say.ts';

/** What an action's field holds, as it is edited and told. */
export type ActionField = { field: string; label: string; optional?: true } & (
  | { kind: 'object'; list: ObjectList }
  /** Several of a list. */
  | { kind: 'objects'; list: ObjectList }
  | { kind: 'words' }
  | { kind: 'places' }
  /** From nothing up, or from `least`. */
  | { kind: 'number'; unit?: string; most: number; least?: number; whole?: true }
  | { kind: 'choice'; options: ReadonlyArray<readonly [value: string, text: string]> }
  | { kind: 'tick' }
);

/** Lists of a kit that actions name entries of. */
export type ObjectList =
  | 'removed'
  | 'disconnects'
  | 'items'
  | 'groups'
  | 'stations'
  | 'compounds'
  | 'baselines'
  | 'checks'
  | 'neighbours'
  | 'temporary'
  | 'irreversible'
  | 'choices';

const object = (field: string, list: ObjectList, optional?: true): ActionField => ({
  field,
  label: say('What'),
  kind: 'object',
  list,
  ...(optional ? { optional } : {}),
});
const REMOVED = object('removed', 'removed');
const DISCONNECT = object('disconnect', 'disconnects');
const GROUP = object('group', 'groups');
const words = (field: string, label: string): ActionField => ({ field, label, kind: 'words' });
const maybe = (field: string, label: string): ActionField => ({ field, label, kind: 'words', optional: true });
const number = (field: string, label: string, most: number, optional?: true): ActionField => ({
  field,
  label,
  kind: 'number',
  most,
  ...(optional ? { optional } : {}),
});
const PLACES: ActionField = inLanguage({ field: 'places', label: 'Places, with commas', kind: 'places' });
const MINUTES = number('minutes', 'Minutes', 20_160);
const options = (texts: Record<string, string>) => Object.entries(texts);

/** The fields of each action, in the order they are said. A new kind of action does not compile without them. */
export const ACTION_FIELDS: Record<StepAction['type'], readonly ActionField[]> = inLanguage({
  slacken: [
    REMOVED,
    {
      field: 'to',
      label: 'How far',
      kind: 'choice',
      options: [
        ['inPlace', 'in place'],
        ['threadEnd', 'to the thread’s end'],
      ],
    },
  ],
  remove: [REMOVED],
  refit: [REMOVED, { field: 'count', label: 'How many', kind: 'number', most: 1000, whole: true, optional: true }],
  swingAside: [REMOVED],
  swingBack: [REMOVED],
  support: [REMOVED, maybe('with', 'With')],
  compare: [
    REMOVED,
    { ...object('item', 'items'), label: 'With' },
    { field: 'points', label: say('Points: {keys}', { keys: Object.keys(COMPARE_TEXT).join(', ') }), kind: 'places' },
  ],
  moveOver: [REMOVED, maybe('facing', 'Way round'), maybe('seal', 'Its seal')],
  disconnect: [DISCONNECT],
  reconnect: [DISCONNECT],
  windBack: [DISCONNECT],
  loosen: [object('neighbour', 'neighbours')],
  retighten: [object('neighbour', 'neighbours')],
  putOn: [object('temporary', 'temporary')],
  refitForNow: [object('temporary', 'temporary')],
  clear: [object('temporary', 'temporary')],
  lift: [
    {
      field: 'end',
      label: 'Which end',
      kind: 'choice',
      options: [
        ['', 'all of it'],
        ['front', 'front'],
        ['rear', 'rear'],
      ],
    },
  ],
  lower: [],
  clean: [PLACES, maybe('with', 'With')],
  dry: [PLACES, maybe('with', 'With')],
  chase: [PLACES, words('thread', 'Thread')],
  soak: [PLACES, MINUTES, maybe('with', 'With')],
  coolDown: [
    words('what', 'What cools'),
    number('minutes', 'Minutes', 20_160, true),
    number('belowC', 'Below, °C', 1000, true),
  ],
  warmUp: [
    words('what', 'What warms'),
    number('minutes', 'Minutes', 20_160, true),
    number('aboveC', 'Above, °C', 1000, true),
  ],
  measure: [object('baseline', 'baselines')],
  check: [object('check', 'checks')],
  test: [object('check', 'checks')],
  drill: [
    number('diameterMm', 'mm', 200),
    maybe('size', 'As the drill is called'),
    object('station', 'stations', true),
    maybe('template', 'Template'),
    number('pilotMm', 'Pilot, mm', 200, true),
    number('edgeMm', 'To the edge at least, mm', 2000, true),
    maybe('treatWith', 'Bare metal treated with'),
  ],
  ream: [words('what', 'What'), number('diameterMm', 'mm', 200)],
  cut: [words('what', 'What'), object('irreversible', 'irreversible', true)],
  bend: [words('what', 'What'), object('irreversible', 'irreversible', true)],
  decide: [object('irreversible', 'irreversible')],
  choose: [object('choice', 'choices')],
  apply: [
    object('compound', 'compounds'),
    { ...object('group', 'groups', true), label: 'On' },
    { field: 'end', label: 'Which thread', kind: 'choice', options: [['', 'not said'], ...options(THREAD_END_TEXT)] },
    maybe('zone', 'How much and where'),
  ],
  leaveDry: [GROUP],
  fit: [object('item', 'items')],
  buildStack: [object('station', 'stations')],
  press: [
    object('item', 'items'),
    maybe('into', 'Into'),
    number('minMm', 'Depth at least, mm', 2000, true),
    number('maxMm', 'at most, mm', 2000, true),
    { field: 'measureFit', label: 'Measure bore and bush first', kind: 'tick' },
  ],
  preset: [
    words('what', 'What'),
    PLACES,
    number('lengthMm', 'Length, mm', 5000, true),
    object('baseline', 'baselines', true),
    number('pitchMm', 'Pitch, mm', 10),
    {
      field: 'movingEnds',
      label: 'Ends that move',
      kind: 'number',
      most: 2,
      whole: true,
    },
    { field: 'leftHand', label: 'One end left-hand', kind: 'tick' },
    number('inMeshMm', 'In mesh at least, mm', 300),
    number('longestMm', 'Never longer than, mm', 5000, true),
  ],
  shim: [
    words('what', 'What'),
    PLACES,
    { field: 'shims', label: 'Shims of the bag', kind: 'objects', list: 'items' },
    number('spacerMm', 'Spacer, mm', 200, true),
    number('spreadMm', 'Gaps apart at most, mm', 50, true),
    number('openMm', 'May stay open, mm', 10),
  ],
  align: [
    object('check', 'checks'),
    number('authorityDeg', 'A quarter turn moves it, °', 6, true),
    {
      field: 'lobeOut',
      label: 'Lobe outwards puts the top',
      kind: 'choice',
      options: [
        ['', 'not said'],
        ['topOut', 'out'],
        ['topIn', 'in'],
      ],
    },
    { field: 'startDeg', label: 'Lobe starts at, ° outwards', kind: 'number', least: -90, most: 90, optional: true },
  ],
  start: [GROUP],
  snug: [GROUP],
  torque: [GROUP],
  verify: [GROUP],
  hold: [
    GROUP,
    { field: 'by', label: 'By', kind: 'choice', options: options(HOLD_TEXT) },
    maybe('with', 'With'),
    maybe('say', 'What the helper is told'),
    maybe('otherwise', 'Otherwise'),
  ],
  grease: [PLACES, maybe('with', 'With')],
  bleed: [PLACES, maybe('with', 'With')],
  fill: [
    words('what', 'What'),
    maybe('with', 'With'),
    number('amount', 'How much', 1000, true),
    {
      field: 'unit',
      label: 'Unit',
      kind: 'choice',
      options: [
        ['', 'L'],
        ['mL', 'mL'],
        ['kg', 'kg'],
        ['g', 'g'],
      ],
    },
  ],
  wait: [MINUTES],
  followKit: [words('kit', 'Kit’s id'), maybe('part', 'Part of it')],
  do: [words('text', 'In words')],
});

/** The entries of a list, as a person calls them. */
export function listNames(kit: KitDocument, list: ObjectList): Array<{ id: string; name: string }> {
  switch (list) {
    case 'removed':
      return kit.removed.map(({ id, name, count }) => ({ id, name: count > 1 ? `${name} (${count})` : name }));
    case 'items':
      return kit.items.map(({ id, line, name }) => ({ id, name: `${line} ${name}` }));
    case 'groups':
      return kit.groups.map(({ id, title }) => ({ id, name: title }));
    case 'stations':
      return kit.stations.map(({ id, label, name }) => ({ id, name: `${label} ${name}` }));
    case 'checks':
    case 'irreversible':
    case 'choices':
      return kit[list].map(({ id, text }) => ({ id, name: text }));
    default:
      return kit[list].map(({ id, name }) => ({ id, name }));
  }
}

/** Whether a kit has what an action of a kind has to name. */
export const canBeAdded = (kit: KitDocument, type: StepAction['type']): boolean =>
  ACTION_FIELDS[type].every(
    (one) => one.optional || (one.kind !== 'object' && one.kind !== 'objects') || listNames(kit, one.list).length > 0,
  );

/** A choice one of whose options is to say nothing. */
const maySayNothing = (one: ActionField): boolean =>
  one.kind === 'choice' && one.options.some(([value]) => value === '');

/** Fields an action cannot do without: nothing is put in them for the one who writes the kit. */
export const neededFields = (type: StepAction['type']): ActionField[] =>
  ACTION_FIELDS[type].filter((one) => !one.optional && one.kind !== 'tick' && !maySayNothing(one));

/** An action with the values given; undefined while one it needs is empty. */
export function actionOf(type: StepAction['type'], values: Readonly<Record<string, unknown>>): StepAction | undefined {
  const empty = (value: unknown) => value === undefined || value === '' || (Array.isArray(value) && value.length === 0);
  if (neededFields(type).some(({ field }) => empty(values[field]))) return undefined;
  const given = Object.entries(values).filter(([, value]) => !empty(value));
  return { type, ...Object.fromEntries(given) } as unknown as StepAction;
}

/** What a field says; nothing where it says nothing beyond itself. */
function fieldText(kit: KitDocument, one: ActionField, value: unknown): string[] {
  switch (one.kind) {
    case 'object':
      return [listNames(kit, one.list).find(({ id }) => id === value)?.name ?? say('something this kit no longer has')];
    case 'objects':
      return [
        (value as string[])
          .map((id) => listNames(kit, one.list).find((entry) => entry.id === id)?.name ?? id)
          .join(', '),
      ];
    case 'number':
      if (one.field === 'minutes') return [minutesText(Number(value))];
      return [one.label.includes('mm') ? `${String(value)} mm` : `${one.label.toLowerCase()} ${String(value)}`];
    case 'places':
      return [(value as string[]).join(', ')];
    case 'choice':
      return [one.options.find(([option]) => option === value)?.[1] ?? String(value)];
    case 'words':
      return [String(value)];
    case 'tick':
      return value === true ? [one.label.toLowerCase()] : [];
  }
}

/** One action in words: `Remove: cover bolts (6)`. */
export function actionText(kit: KitDocument, action: StepAction): string {
  if (action.type === 'do') return action.text;
  const values = action as unknown as Record<string, unknown>;
  const said = ACTION_FIELDS[action.type].flatMap((one) => {
    const value = values[one.field];
    return value === undefined ? [] : fieldText(kit, one, value);
  });
  return said.length > 0 ? `${ACTION_TEXT[action.type]}: ${said.join(', ')}` : ACTION_TEXT[action.type];
}
