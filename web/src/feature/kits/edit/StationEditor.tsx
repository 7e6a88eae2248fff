import { useState } from 'react';
import { say } from '#contract/wording/say.ts';
import { describeDrive } from '#core/fastener/drive.ts';
import type { JointTag, KitDocument, Station } from '#core/kit/kit-document.ts';
import type { PlanItem, PlanStation } from '#core/kit/plan.ts';
import { StackDrawing } from '../../../drawing/StackDrawing.tsx';
import { Button } from '../../../ui/Button.tsx';
import { CommitField, typedNumber } from '../../../ui/CommitField.tsx';
import { ConditionButton } from './ConditionEditor.tsx';
import { Drive } from './DriveField.tsx';
import { freshId, put, useEditor, useKit } from './editor-store.ts';
import { useAskedEntry } from './finding-place.ts';
import { Compounds } from './KitCompounds.tsx';
import { LOOK } from './look.ts';
import { OptionalText } from './OptionalText.tsx';
import { Specs } from './SpecList.tsx';
import { Stack } from './StackList.tsx';

const TAGS: ReadonlyArray<readonly [JointTag, string]> = [
  ['safetyCritical', say('Safety hangs on it')],
  ['changesGeometry', say('Changes the geometry')],
  ['rubberBonded', say('Bonded bush')],
  ['frictionFace', say('Friction face')],
  ['benchFinal', say('Final on the bench')],
  ['wheel', say('Road wheel')],
];

/** The stacks: what stands in each hole from head to nut, its torque, drive and compound. */
export function StationEditor() {
  const kit = useKit();
  const change = useEditor((state) => state.change);
  const asked = useAskedEntry();
  const [chosen, setChosen] = useState(() => (asked?.list === 'stations' ? kit.stations[asked.index]?.id : undefined));
  const station = kit.stations.find((entry) => entry.id === chosen) ?? kit.stations[0];
  const group = kit.groups.find((entry) => station && entry.stations.includes(station.id));
  const add = () =>
    change((draft) => {
      const id = freshId(draft.stations, `s${draft.stations.length + 1}`);
      const label = String(draft.stations.length + 1);
      draft.stations.push({
        id,
        label,
        name: `Hole ${label}`,
        xMm: 40 + ((draft.stations.length * 60) % 480),
        yMm: 60,
        stack: [{ kind: 'clamped', name: 'Part', thicknessMm: 5 }],
        specs: [{ spec: { kind: 'missing', why: 'notGiven' }, printed: say('not given') }],
        drive: { kind: 'hand' },
      });
      const target = draft.groups.find((entry) => entry.id === group?.id) ?? draft.groups[0];
      if (target) target.stations.push(id);
      else
        draft.groups.push({
          id: 'g1',
          title: say('Joint group 1'),
          map: { title: say('Joint group 1'), note: '', widthMm: 600, heightMm: 400, shapes: [] },
          stations: [id],
        });
      setChosen(id);
    });
  return (
    <div className="grid flex-1 lg:min-h-0 lg:grid-cols-[19rem_1fr]">
      <div className="border-r border-rule lg:min-h-0 lg:overflow-y-auto">
        <div className="p-3">
          <Button className="w-full" onClick={add}>
            {say('Add a station')}
          </Button>
        </div>
        {kit.groups.map((entry) => (
          <section key={entry.id} className="border-t border-rule">
            <h2 className="plate px-3 pt-2 text-lg text-ink-2">{entry.title}</h2>
            <ul>
              {entry.stations.map((id) => {
                const member = kit.stations.find((other) => other.id === id);
                return (
                  member && (
                    <li key={id}>
                      <button
                        type="button"
                        aria-current={member === station}
                        className={`flex min-h-12 w-full items-center gap-3 px-3 text-left ${member === station ? 'bg-sheet font-bold outline-2 -outline-offset-2 outline-ink' : ''}`}
                        onClick={() => setChosen(id)}
                      >
                        <span className="figures w-8 shrink-0">{member.label}</span>
                        <span className="min-w-0 flex-1 wrap-anywhere text-sm">{member.name}</span>
                        <span className="figures shrink-0 text-xs text-ink-2">
                          {member.specs[0]?.printed.slice(0, 14)}
                        </span>
                      </button>
                    </li>
                  )
                );
              })}
            </ul>
          </section>
        ))}
      </div>
      {station ? (
        <StationForm key={station.id} station={station} kit={kit} groupStations={group?.stations ?? []} />
      ) : (
        <p className="p-6 text-ink-2">{say('No station yet. Add one, or lay them out on the bolt map.')}</p>
      )}
    </div>
  );
}

function StationForm({
  station,
  kit,
  groupStations,
}: {
  station: Station;
  kit: KitDocument;
  groupStations: readonly string[];
}) {
  const change = useEditor((state) => state.change);
  const [said, setSaid] = useState<string>();
  const edit = (recipe: (station: Station) => void) =>
    change((draft) => {
      const target = draft.stations.find((entry) => entry.id === station.id);
      if (target) recipe(target);
    });
  /** Same joint, other holes: what is set here goes to the whole group. */
  const spread = (what: 'stack' | 'specs' | 'drive' | 'compound') => {
    change((draft) => {
      for (const other of draft.stations) {
        if (!groupStations.includes(other.id) || other.id === station.id) continue;
        if (what === 'compound' && station.compound === undefined) delete other.compound;
        else Object.assign(other, { [what]: structuredClone(station[what]) });
      }
    });
    setSaid(say('Given to the {count} others of the group.', { count: groupStations.length - 1 }));
  };
  const spreader = (what: Parameters<typeof spread>[0]) =>
    groupStations.length > 1 && (
      <button type="button" className="min-h-11 px-2 text-sm underline" onClick={() => spread(what)}>
        {say('Same for the whole group')}
      </button>
    );
  const items = new Map(kit.items.map((item) => [item.id, item as PlanItem]));
  const drawn = {
    ...station,
    groupId: '',
    spec: { kind: 'snug' },
    printed: '',
    specBecause: [],
    passIndexes: [],
  } as unknown as PlanStation;
  return (
    <div className="grid content-start gap-x-6 gap-y-5 p-4 lg:min-h-0 lg:overflow-y-auto xl:grid-cols-[1fr_17rem]">
      <div className="grid content-start gap-5">
        <div className="grid gap-3 sm:grid-cols-[6rem_1fr_8rem]">
          <CommitField
            label={say('Label')}
            value={station.label}
            onCommit={(typed) =>
              typed.trim() && typed.trim().length <= 6
                ? void edit((s) => put(s, 'label', typed.trim()))
                : say('One to six signs.')
            }
          />
          <CommitField
            label={say('Name')}
            value={station.name}
            onCommit={(typed) =>
              typed.trim() ? void edit((s) => put(s, 'name', typed.trim())) : say('Give it a name.')
            }
          />
          <label className="text-sm text-ink-2">
            {say('Side')}
            <select
              className={`w-full ${LOOK}`}
              value={station.side ?? ''}
              onChange={(event) =>
                edit((s) => (event.target.value ? put(s, 'side', event.target.value as 'left') : delete s.side))
              }
            >
              <option value="">{say('none')}</option>
              <option value="left">{say('to the left')}</option>
              <option value="right">{say('to the right')}</option>
            </select>
          </label>
        </div>
        {said && (
          <p role="status" className="text-sm text-ink-2">
            {said}
          </p>
        )}
        <section>
          <div className="flex items-baseline gap-3">
            <h2 className="plate text-2xl">{say('Stack, head to nut')}</h2>
            {spreader('stack')}
          </div>
          <Stack station={station} items={kit.items} edit={edit} />
        </section>
        <section>
          <div className="flex items-baseline gap-3">
            <h2 className="plate text-2xl">{say('Torque')}</h2>
            {spreader('specs')}
          </div>
          <Specs station={station} edit={edit} />
        </section>
        <section className="grid gap-3 sm:grid-cols-2">
          <div>
            <div className="flex items-baseline gap-3">
              <h2 className="plate text-2xl">{say('Drive')}</h2>
              {spreader('drive')}
            </div>
            <Drive
              label={say('Turned with')}
              drive={station.drive}
              onChange={(drive) => edit((s) => put(s, 'drive', drive))}
            />
            <label className="mt-2 block text-sm text-ink-2">
              {say('Which end is turned')}
              <select
                className={`w-full ${LOOK}`}
                value={station.turned ?? ''}
                onChange={(event) =>
                  edit((s) => (event.target.value ? put(s, 'turned', event.target.value as 'head') : delete s.turned))
                }
              >
                <option value="">{say('not said')}</option>
                <option value="head">{say('head')}</option>
                <option value="nut">{say('nut')}</option>
              </select>
            </label>
            {station.holding ? (
              <div className="mt-2">
                <Drive
                  label={say('Held with')}
                  drive={station.holding.drive}
                  onChange={(drive) => edit((s) => s.holding && put(s.holding, 'drive', drive))}
                />
                <button
                  type="button"
                  className="min-h-11 text-sm underline"
                  onClick={() => edit((s) => delete s.holding)}
                >
                  {say('Nothing is held')}
                </button>
              </div>
            ) : (
              <button
                type="button"
                className="min-h-11 text-sm underline"
                onClick={() => edit((s) => put(s, 'holding', { drive: { kind: 'hex', acrossFlatsMm: 16 } }))}
              >
                {say('The other end is held')}
              </button>
            )}
          </div>
          <div>
            <div className="flex items-baseline gap-3">
              <h2 className="plate text-2xl">{say('On the thread')}</h2>
              {spreader('compound')}
            </div>
            <label className="block text-sm text-ink-2">
              {say('Compound')}
              <select
                className={`w-full ${LOOK}`}
                value={station.compound ?? ''}
                onChange={(event) =>
                  edit((s) => (event.target.value ? put(s, 'compound', event.target.value) : delete s.compound))
                }
              >
                <option value="">{say('none')}</option>
                {kit.compounds.map((compound) => (
                  <option key={compound.id} value={compound.id}>
                    {compound.name}
                  </option>
                ))}
              </select>
            </label>
            <Compounds kit={kit} />
          </div>
        </section>
        <section>
          <h2 className="plate text-2xl">{say('What joint it is')}</h2>
          <div className="flex flex-wrap gap-x-5">
            {TAGS.map(([tag, text]) => (
              <label key={tag} className="flex min-h-11 items-center gap-2">
                <input
                  type="checkbox"
                  className="size-5 accent-(--ink)"
                  checked={station.tags?.includes(tag) ?? false}
                  onChange={(event) =>
                    edit((s) => {
                      const rest = (s.tags ?? []).filter((entry) => entry !== tag);
                      const tags = event.target.checked ? [...rest, tag] : rest;
                      if (tags.length > 0) s.tags = tags;
                      else delete s.tags;
                    })
                  }
                />
                {text}
              </label>
            ))}
          </div>
          <div className="mt-2 flex flex-wrap items-end gap-3">
            <div>
              <span className="block text-sm text-ink-2">{say('Is there')}</span>
              <ConditionButton
                when={station.when}
                of={`Station ${station.label}`}
                onChange={(when) => edit((s) => (when ? put(s, 'when', when) : delete s.when))}
              />
            </div>
            <CommitField
              label={say('Note for the fitter')}
              value={station.note ?? ''}
              onCommit={(typed) => void edit((s) => put(s, 'note', typed.trim() || undefined))}
            />
            <CommitField
              label={say('Other names, with commas')}
              value={(station.aliases ?? []).join(', ')}
              onCommit={(typed) => {
                const names = [
                  ...new Set(
                    typed
                      .split(',')
                      .map((name) => name.trim())
                      .filter(Boolean),
                  ),
                ];
                if (names.length > 20) return say('At most 20.');
                return void edit((s) => put(s, 'aliases', names.length > 0 ? names : undefined));
              }}
            />
            <OptionalText
              label={say('The vehicle’s own joint, as every kit names it')}
              value={station.place}
              onChange={(place) => edit((s) => (place ? put(s, 'place', place) : delete s.place))}
            />
            <CommitField
              label={say('Only in the last rounds, how many')}
              value={station.rounds === undefined ? '' : String(station.rounds)}
              onCommit={(typed) => {
                if (typed.trim() === '') return void edit((s) => delete s.rounds);
                const rounds = typedNumber(typed);
                return Number.isInteger(rounds) && rounds >= 1 && rounds <= 5
                  ? void edit((s) => put(s, 'rounds', rounds))
                  : say('1 to 5, or nothing for all.');
              }}
            />
            <CommitField
              label={say('Drilled by the fitter, mm')}
              value={station.drillMm === undefined ? '' : String(station.drillMm)}
              onCommit={(typed) => {
                if (typed.trim() === '') return void edit((s) => delete s.drillMm);
                const mm = typedNumber(typed);
                return mm > 0 && mm <= 200 ? void edit((s) => put(s, 'drillMm', mm)) : say('A number up to 200.');
              }}
            />
            <Button
              tone="bad"
              onClick={() =>
                change((draft) => {
                  draft.stations = draft.stations.filter((entry) => entry.id !== station.id);
                  for (const group of draft.groups) {
                    group.stations = group.stations.filter((id) => id !== station.id);
                    for (const order of ['startOrder', 'snugOrder', 'torqueOrder'] as const) {
                      const rule = group[order];
                      if (rule && 'list' in rule) rule.list = rule.list.filter((id) => id !== station.id);
                    }
                  }
                })
              }
            >
              {say('Take this station away')}
            </Button>
          </div>
        </section>
      </div>
      <div className="order-first xl:order-none">
        <div className="border-2 border-ink bg-sheet p-3 xl:sticky xl:top-0">
          <div className="h-60">
            <StackDrawing
              station={drawn}
              items={items}
              compound={kit.compounds.find((entry) => entry.id === station.compound)}
            />
          </div>
          <p className="mt-2 text-center text-sm">{describeDrive(station.drive)}</p>
        </div>
      </div>
    </div>
  );
}
