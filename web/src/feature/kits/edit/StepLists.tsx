import type { ReactNode } from 'react';
import { PHASE_TEXT } from '#contract/wording/en/terms.ts';
import { midSentence, say } from '#contract/wording/say.ts';
import type { Aftercare } from '#core/kit/kit-document.ts';
import type { Check, KitTool, Neighbour, Prerequisite, Temporary } from '#core/kit/kit-preparation.ts';
import type { Disconnect, RemovedThing } from '#core/kit/kit-step.ts';
import { NOT_NAMED } from '#core/kit/not-named.ts';
import { PHASES } from '#core/kit/phase.ts';
import { specFromPrinted } from '#core/kit/spec-from-printed.ts';
import { CommitField } from '../../../ui/CommitField.tsx';
import { tell } from '../../../ui/tell.ts';
import { useEditor, useKit } from './editor-store.ts';
import { LoadsFields } from './LoadsFields.tsx';
import { LOOK } from './look.ts';
import { BaselineFields, CheckFields } from './MeasuredFields.tsx';
import { OptionalText } from './OptionalText.tsx';
import { FieldGrid, type RowField, RowList } from './RowList.tsx';

const asIs = (words: readonly string[]) => words.map((word) => [word, word] as const);

const NAME = { field: 'name', label: say('What'), kind: 'words', missing: say('Name it.') } as const;
const NAMED = [{ ...NAME, hideLabel: true, missing: say('Say it.') }] as const;
const TOOL: ReadonlyArray<RowField<KitTool>> = [
  { field: 'note', label: say('Note'), kind: 'words', optional: true },
  { field: 'use', label: say('How it is used'), kind: 'words', optional: true },
  { field: 'misuse', label: say('What misuse does'), kind: 'words', optional: true },
];
const SAID = [{ field: 'text', label: say('What'), kind: 'words', hideLabel: true }] as const;

const REMOVED: ReadonlyArray<RowField<RemovedThing>> = [
  NAME,
  {
    field: 'count',
    label: say('Count'),
    kind: 'number',
    least: 1,
    most: 1000,
    whole: true,
    refused: say('1 to 1000'),
    width: 'w-16',
  },
  {
    field: 'fate',
    label: say('What becomes'),
    kind: 'choice',
    hideLabel: true,
    width: '',
    options: [
      ['refit', say('goes back')],
      ['transfer', say('goes to the new part')],
      ['keep', say('kept for the owner')],
      ['scrap', 'scrapped'],
    ],
  },
];
/** What a removed thing needs to go back right. */
const GOES_BACK: ReadonlyArray<RowField<RemovedThing>> = [
  {
    field: 'kind',
    label: say('What it is'),
    kind: 'choice',
    options: [['', say('not said')], ...asIs(['bolt', 'nut', 'clip', 'part'])],
  },
  { field: 'side', label: say('Side'), kind: 'choice', options: [['', 'none'], ...asIs(['left', 'right'])] },
  { field: 'place', label: say('The vehicle’s name for its place'), kind: 'words', optional: true },
  { field: 'thread', label: say('Thread'), kind: 'words', optional: true },
  { field: 'note', label: say('Where it sat'), kind: 'words', optional: true },
  { field: 'movesTo', label: say('Moves to'), kind: 'words', optional: true },
];
const ONCE: ReadonlyArray<RowField<RemovedThing>> = [
  { field: 'singleUse', label: say('Used once only'), kind: 'tick' },
  { field: 'reuseUnknown', label: say('Ask whether it is used again'), kind: 'tick' },
  {
    field: 'heldBy',
    label: say('Held by'),
    kind: 'choice',
    options: [
      ['', say('its fasteners')],
      ['taper', say('a taper')],
      ['pressFit', say('a press fit')],
      ['lockerMedium', say('medium locker')],
      ['lockerHigh', say('high-strength locker')],
    ],
  },
  { field: 'support', label: say('What holds it up before it is off'), kind: 'words', optional: true },
  { field: 'hangs', label: say('What it must not hang on'), kind: 'words', optional: true },
];
/** Limits of what is measured, each place by itself. */
const limits = <Entry extends { min?: number; max?: number; unit?: string; places?: string[] }>(
  units: readonly string[],
) =>
  [
    { field: 'unit', label: say('Unit'), kind: 'choice', options: [['', 'none'], ...asIs(units)] },
    {
      field: 'min',
      label: say('At least'),
      kind: 'number',
      least: -1e5,
      most: 1e5,
      optional: true,
      refused: say('A number.'),
    },
    {
      field: 'max',
      label: say('At most'),
      kind: 'number',
      least: -1e5,
      most: 1e5,
      optional: true,
      refused: say('A number.'),
    },
    { field: 'places', label: say('Each of, with commas'), kind: 'places' },
  ] as unknown as ReadonlyArray<RowField<Entry>>;
const PREREQUISITE: ReadonlyArray<RowField<Prerequisite>> = [
  {
    field: 'kind',
    label: say('About'),
    kind: 'choice',
    options: asIs(['bore', 'tyre', 'companionPart', 'fluid', 'alignmentSlot', 'cooled', 'machining', 'other']),
  },
  ...limits<Prerequisite>(['mm', 'in', '°C', 'L']),
  {
    field: 'daysBefore',
    label: say('Days to put it right'),
    kind: 'number',
    least: 0,
    most: 90,
    whole: true,
    optional: true,
    refused: say('0 to 90'),
  },
];
const CHECK: ReadonlyArray<RowField<Check>> = limits<Check>(['mm', 'in', '°', 'N·m', 'kPa', 'V', '°C', 'km']);
const HOW_MANY: RowField<{ count?: number }> = {
  field: 'count',
  label: say('How many'),
  kind: 'number',
  least: 1,
  most: 1000,
  whole: true,
  optional: true,
  refused: say('1 to 1000'),
};
const NEIGHBOURS: ReadonlyArray<RowField<Neighbour>> = [
  ...(NAMED as unknown as ReadonlyArray<RowField<Neighbour>>),
  HOW_MANY,
];
const OPENED: ReadonlyArray<RowField<Disconnect>> = [
  HOW_MANY,
  { field: 'side', label: say('Side'), kind: 'choice', options: [['', 'none'], ...asIs(['left', 'right'])] },
  {
    field: 'turns',
    label: say('Turns it is screwed in'),
    kind: 'number',
    least: 0.25,
    most: 40,
    optional: true,
    refused: say('Up to 40.'),
  },
  { field: 'tag', label: say('Could be swapped: tag it'), kind: 'tick' },
  { field: 'retires', label: say('Stays open for good'), kind: 'tick' },
];

const DISCONNECTS: ReadonlyArray<RowField<Disconnect>> = [
  NAME,
  {
    field: 'kind',
    label: say('Kind'),
    kind: 'choice',
    hideLabel: true,
    width: '',
    options: asIs(['connector', 'hose', 'cable', 'sensor', 'clip', 'line', 'cover', 'plug', 'other']),
  },
];

const due = (
  field: 'afterKm' | 'afterDays' | 'afterHours' | 'afterHeatCycles',
  label: string,
): RowField<Aftercare> => ({
  field,
  label,
  kind: 'number',
  least: Number.MIN_VALUE,
  most: 1e6,
  optional: true,
  refused: say('Above 0.'),
  width: 'w-20',
});
const AFTERCARE: ReadonlyArray<RowField<Aftercare>> = [
  { ...SAID[0], width: 'w-full' },
  {
    field: 'about',
    label: say('About'),
    kind: 'choice',
    hideLabel: true,
    width: '',
    options: asIs(['joints', 'wheels', 'alignment', 'grease', 'other']),
  },
  due('afterKm', 'km'),
  due('afterDays', 'days'),
  due('afterHours', 'hours'),
  due('afterHeatCycles', say('heat cycles')),
  { field: 'event', label: say('Or when'), kind: 'words', optional: true },
  { field: 'repeats', label: say('Again each time'), kind: 'tick' },
];

const nameOf = ({ name }: { name: string }) => name;
const textOf = ({ text }: { text: string }) => text;

/** What the steps speak of: things off and open, put on, measured, checked, cautioned; and the sheet's own tools. */
export function StepLists() {
  const kit = useKit();
  return (
    <>
      <RowList<'removed'>
        list="removed"
        title={say('Comes off the vehicle')}
        fields={REMOVED}
        nameOf={nameOf}
        plain={() => ({ name: NOT_NAMED.removed, count: 1, fate: 'refit' })}
        below={(thing, edit) => (
          <details className="w-full">
            <summary className="min-h-9 cursor-pointer text-sm text-ink-2">{say('How it goes back')}</summary>
            <FieldGrid entry={thing} name={thing.name} fields={[...GOES_BACK, ...ONCE]} edit={edit}>
              <RefitTorque thing={thing} edit={edit} />
            </FieldGrid>
          </details>
        )}
      />
      <RowList<'disconnects'>
        list="disconnects"
        title={say('Opened and closed again')}
        fields={DISCONNECTS}
        nameOf={nameOf}
        plain={() => ({ name: NOT_NAMED.disconnects, kind: 'connector' })}
        below={(entry, edit) => (
          <More name={entry.name}>
            <FieldGrid entry={entry} name={entry.name} fields={OPENED} edit={edit} />
          </More>
        )}
      />
      <RowList<'neighbours'>
        list="neighbours"
        title={say('Loosened for access')}
        fields={NEIGHBOURS}
        nameOf={nameOf}
        plain={() => ({ name: NOT_NAMED.neighbours })}
      />
      <RowList<'temporary'>
        list="temporary"
        title={say('Put on for the work')}
        fields={NAMED}
        nameOf={nameOf}
        plain={() => ({ name: NOT_NAMED.temporary, goneBefore: { close: true } })}
        below={(entry, edit) => <GoneBefore entry={entry} edit={edit} />}
      />
      <RowList<'baselines'>
        list="baselines"
        title={say('Measured before')}
        fields={NAMED}
        nameOf={nameOf}
        plain={() => ({
          name: NOT_NAMED.baselines,
          quantity: 'rideHeight',
          places: [say('front left'), say('front right'), say('rear left'), say('rear right')],
        })}
        below={(entry, edit) => (
          <More name={entry.name}>
            <BaselineFields entry={entry} name={entry.name} edit={edit} />
          </More>
        )}
      />
      <RowList<'checks'>
        list="checks"
        title={say('Checks')}
        fields={SAID}
        nameOf={textOf}
        plain={() => ({ text: NOT_NAMED.checks })}
        below={(entry, edit) => (
          <More name={entry.text}>
            <CheckFields kit={kit} entry={entry} name={entry.text} limits={CHECK} edit={edit} />
          </More>
        )}
      />
      <RowList<'irreversible'>
        list="irreversible"
        title={say('Cannot be taken back')}
        fields={SAID}
        nameOf={textOf}
        plain={() => ({ text: NOT_NAMED.irreversible })}
      />
      <RowList<'prerequisites'>
        list="prerequisites"
        title={say('Before anything comes off')}
        fields={SAID}
        nameOf={textOf}
        plain={() => ({ text: NOT_NAMED.prerequisites, kind: 'cooled' })}
        below={(entry, edit) => (
          <More name={entry.text}>
            <FieldGrid entry={entry} name={entry.text} fields={PREREQUISITE} edit={edit} />
          </More>
        )}
      />
      <RowList<'cautions'>
        list="cautions"
        title={say('Cautions')}
        fields={SAID}
        nameOf={textOf}
        plain={() => ({ text: NOT_NAMED.cautions })}
      />
      <RowList<'aftercare'>
        list="aftercare"
        title={say('Aftercare')}
        fields={AFTERCARE}
        nameOf={textOf}
        plain={() => ({ text: NOT_NAMED.aftercare, about: 'joints' })}
      />
      <RowList<'tools'>
        list="tools"
        title={say('Tools on the sheet')}
        fields={NAMED}
        nameOf={nameOf}
        plain={() => ({ name: NOT_NAMED.tools, special: true })}
        below={(entry, edit) => (
          <More name={entry.name}>
            <FieldGrid entry={entry} name={entry.name} fields={TOOL} edit={edit} />
          </More>
        )}
      />
      <Adds />
      <LoadsFields />
    </>
  );
}

/** What of an entry is not needed every time. */
const More = ({ name, children }: { name: string; children: ReactNode }) => (
  <details className="w-full">
    <summary className="min-h-9 cursor-pointer text-sm text-ink-2">
      {tell('More{name}', { name: <span className="sr-only"> {tell('of {name}', { name })}</span> })}
    </summary>
    {children}
  </details>
);

/** Up to where a temporary thing may stay on: a joint group's torque, a stretch of the line, or the close. */
function GoneBefore({ entry, edit }: { entry: Temporary; edit: (recipe: (entry: Temporary) => void) => void }) {
  const kit = useKit();
  const { goneBefore } = entry;
  const value =
    'group' in goneBefore
      ? `group ${goneBefore.group}`
      : 'phase' in goneBefore
        ? say('phase {phase}', { phase: goneBefore.phase })
        : 'step' in goneBefore
          ? say('step {step}', { step: goneBefore.step })
          : 'close';
  return (
    <label className="grid gap-1 text-sm text-ink-2">
      {say('Gone before')}
      <select
        className={LOOK}
        value={value}
        onChange={(event) => {
          const [kind = '', id = ''] = event.target.value.split(' ');
          const phase = PHASES.find((one) => one === id);
          edit((target) => {
            target.goneBefore =
              kind === 'group' ? { group: id } : kind === 'step' ? { step: id } : phase ? { phase } : { close: true };
          });
        }}
      >
        <option value="close">{say('the job is closed')}</option>
        {kit.groups.map(({ id, title }) => (
          <option key={id} value={`group ${id}`}>
            {tell('the torque of {title}', { title })}
          </option>
        ))}
        {PHASES.slice(2).map((phase) => (
          <option key={phase} value={`phase ${phase}`}>
            {tell('{phaseText} begins', { phaseText: midSentence(PHASE_TEXT[phase]) })}
          </option>
        ))}
        {kit.steps.map(({ id, text, number }) => (
          <option key={id} value={`step ${id}`}>
            {tell('step {number}  {text}', { number: number ?? '', text: text.slice(0, 40) })}
          </option>
        ))}
      </select>
    </label>
  );
}

/** The torque a removed thing goes back with, read as it is typed. */
function RefitTorque({ thing, edit }: { thing: RemovedThing; edit: (recipe: (thing: RemovedThing) => void) => void }) {
  return (
    <CommitField
      label={say('Torque it goes back with')}
      value={thing.specs?.[0]?.printed ?? ''}
      onCommit={(typed) => {
        const read = typed.trim() === '' ? undefined : specFromPrinted(typed);
        if (read && !read.ok) return say('Give it with its unit: 46 lbf·ft.');
        return void edit((entry) => {
          if (read) entry.specs = [{ spec: read.value, printed: typed.trim() }];
          else delete entry.specs;
        });
      }}
    />
  );
}

/** Words the vehicle carries once the kit is on: other kits ask for them. */
function Adds() {
  const kit = useKit();
  const change = useEditor((state) => state.change);
  return (
    <OptionalText
      label={say('Puts on the vehicle, words with commas')}
      value={kit.adds?.join(', ')}
      onChange={(text) =>
        change((draft) => {
          const words = (text ?? '')
            .split(',')
            .map((word) => word.trim())
            .filter(Boolean);
          if (words.length > 0) draft.adds = words;
          else delete draft.adds;
        })
      }
    />
  );
}
