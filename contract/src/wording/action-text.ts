import type { KitDocument } from '#core/kit/kit-document.ts';
import type { StepAction } from '#core/kit/step-action.ts';
import { COMPARE_TEXT, HOLD_TEXT, THREAD_END_TEXT } from './en/line.ts';
import { ACTION_TEXT } from './en/terms.ts';
import { minutesText } from './minutes-text.ts';
import { midSentence, say } from './say.ts';

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
const PLACES: ActionField = { field: 'places', label: say('Places, with commas'), kind: 'places' };
const MINUTES = number('minutes', say('Minutes'), 20_160);
const options = (texts: Record<string, string>) => Object.entries(texts);

/** The fields of each action, in the order they are said. A new kind of action does not compile without them. */
export const ACTION_FIELDS: Record<StepAction['type'], readonly ActionField[]> = {
  slacken: [
    REMOVED,
    {
      field: 'to',
      label: say('How far'),
      kind: 'choice',
      options: [
        ['inPlace', say('in place')],
        ['threadEnd', say('to the thread’s end')],
      ],
    },
  ],
  remove: [REMOVED],
  refit: [REMOVED, { field: 'count', label: say('How many'), kind: 'number', most: 1000, whole: true, optional: true }],
  swingAside: [REMOVED],
  swingBack: [REMOVED],
  support: [REMOVED, maybe('with', say('With'))],
  compare: [
    REMOVED,
    { ...object('item', 'items'), label: say('With') },
    { field: 'points', label: say('Points: {keys}', { keys: Object.keys(COMPARE_TEXT).join(', ') }), kind: 'places' },
  ],
  moveOver: [REMOVED, maybe('facing', say('Way round')), maybe('seal', say('Its seal'))],
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
      label: say('Which end'),
      kind: 'choice',
      options: [
        ['', say('all of it')],
        ['front', 'front'],
        ['rear', 'rear'],
      ],
    },
  ],
  lower: [],
  clean: [PLACES, maybe('with', say('With'))],
  dry: [PLACES, maybe('with', say('With'))],
  chase: [PLACES, words('thread', say('Thread'))],
  soak: [PLACES, MINUTES, maybe('with', say('With'))],
  coolDown: [
    words('what', say('What cools')),
    number('minutes', say('Minutes'), 20_160, true),
    number('belowC', say('Below, °C'), 1000, true),
  ],
  warmUp: [
    words('what', say('What warms')),
    number('minutes', say('Minutes'), 20_160, true),
    number('aboveC', say('Above, °C'), 1000, true),
  ],
  measure: [object('baseline', 'baselines')],
  check: [object('check', 'checks')],
  test: [object('check', 'checks')],
  drill: [
    number('diameterMm', 'mm', 200),
    maybe('size', say('As the drill is called')),
    object('station', 'stations', true),
    maybe('template', say('Template')),
    number('pilotMm', say('Pilot, mm'), 200, true),
    number('edgeMm', say('To the edge at least, mm'), 2000, true),
    maybe('treatWith', say('Bare metal treated with')),
  ],
  ream: [words('what', say('What')), number('diameterMm', 'mm', 200)],
  cut: [words('what', say('What')), object('irreversible', 'irreversible', true)],
  bend: [words('what', say('What')), object('irreversible', 'irreversible', true)],
  decide: [object('irreversible', 'irreversible')],
  choose: [object('choice', 'choices')],
  apply: [
    object('compound', 'compounds'),
    { ...object('group', 'groups', true), label: say('On') },
    {
      field: 'end',
      label: say('Which thread'),
      kind: 'choice',
      options: [['', say('not said')], ...options(THREAD_END_TEXT)],
    },
    maybe('zone', say('How much and where')),
  ],
  leaveDry: [GROUP],
  fit: [object('item', 'items')],
  buildStack: [object('station', 'stations')],
  press: [
    object('item', 'items'),
    maybe('into', say('Into')),
    number('minMm', say('Depth at least, mm'), 2000, true),
    number('maxMm', say('at most, mm'), 2000, true),
    { field: 'measureFit', label: say('Measure bore and bush first'), kind: 'tick' },
  ],
  preset: [
    words('what', say('What')),
    PLACES,
    number('lengthMm', say('Length, mm'), 5000, true),
    object('baseline', 'baselines', true),
    number('pitchMm', say('Pitch, mm'), 10),
    {
      field: 'movingEnds',
      label: say('Ends that move'),
      kind: 'number',
      most: 2,
      whole: true,
    },
    { field: 'leftHand', label: say('One end left-hand'), kind: 'tick' },
    number('inMeshMm', say('In mesh at least, mm'), 300),
    number('longestMm', say('Never longer than, mm'), 5000, true),
  ],
  shim: [
    words('what', say('What')),
    PLACES,
    { field: 'shims', label: say('Shims of the bag'), kind: 'objects', list: 'items' },
    number('spacerMm', say('Spacer, mm'), 200, true),
    number('spreadMm', say('Gaps apart at most, mm'), 50, true),
    number('openMm', say('May stay open, mm'), 10),
  ],
  align: [
    object('check', 'checks'),
    number('authorityDeg', say('A quarter turn moves it, °'), 6, true),
    {
      field: 'lobeOut',
      label: say('Lobe outwards puts the top'),
      kind: 'choice',
      options: [
        ['', say('not said')],
        ['topOut', 'out'],
        ['topIn', 'in'],
      ],
    },
    {
      field: 'startDeg',
      label: say('Lobe starts at, ° outwards'),
      kind: 'number',
      least: -90,
      most: 90,
      optional: true,
    },
  ],
  start: [GROUP],
  snug: [GROUP],
  torque: [GROUP],
  verify: [GROUP],
  hold: [
    GROUP,
    { field: 'by', label: say('By'), kind: 'choice', options: options(HOLD_TEXT) },
    maybe('with', say('With')),
    maybe('say', say('What the helper is told')),
    maybe('otherwise', say('Otherwise')),
  ],
  grease: [PLACES, maybe('with', say('With'))],
  bleed: [PLACES, maybe('with', say('With'))],
  fill: [
    words('what', say('What')),
    maybe('with', say('With')),
    number('amount', say('How much'), 1000, true),
    {
      field: 'unit',
      label: say('Unit'),
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
  followKit: [words('kit', say('Kit’s id')), maybe('part', say('Part of it'))],
  do: [words('text', say('In words'))],
};

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
      return [one.label.includes('mm') ? `${String(value)} mm` : `${midSentence(one.label)} ${String(value)}`];
    case 'places':
      return [(value as string[]).join(', ')];
    case 'choice':
      return [one.options.find(([option]) => option === value)?.[1] ?? String(value)];
    case 'words':
      return [String(value)];
    case 'tick':
      return value === true ? [midSentence(one.label)] : [];
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
