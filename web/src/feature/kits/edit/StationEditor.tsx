import { useState } from 'react';
import { type DriveSize, describeDrive } from '#core/fastener/drive.ts';
import type {
  ClampedMaterial,
  Item,
  JointTag,
  KitDocument,
  PrintedSpec,
  StackPiece,
  Station,
} from '#core/kit/kit-document.ts';
import type { PlanItem, PlanStation } from '#core/kit/plan.ts';
import { specFromPrinted } from '#core/kit/spec-from-printed.ts';
import { fromBase } from '#core/quantity/unit.ts';
import { acceptBand } from '#core/tightening/accept-band.ts';
import type { TighteningSpec } from '#core/tightening/tightening-spec.ts';
import { StackDrawing } from '../../../drawing/StackDrawing.tsx';
import { Button } from '../../../ui/Button.tsx';
import { CommitField, typedNumber } from '../../../ui/CommitField.tsx';
import { ConditionButton } from './ConditionEditor.tsx';
import { freshId, put, useEditor, useKit } from './editor-store.ts';
import { OptionalText } from './OptionalText.tsx';
import { SortableList } from './SortableList.tsx';

const LOOK = 'min-h-11 border-2 border-rule bg-sheet px-2 focus:border-ink';
const MATERIALS: readonly ClampedMaterial[] = ['steel', 'castIron', 'aluminium', 'magnesium', 'plastic', 'rubber'];
const TAGS: ReadonlyArray<readonly [JointTag, string]> = [
  ['safetyCritical', 'Safety hangs on it'],
  ['changesGeometry', 'Changes the geometry'],
  ['rubberBonded', 'Bonded bush'],
  ['frictionFace', 'Friction face'],
  ['benchFinal', 'Final on the bench'],
  ['wheel', 'Road wheel'],
];

/** The stacks: what stands in each hole from head to nut, its torque, drive and compound. */
export function StationEditor() {
  const kit = useKit();
  const change = useEditor((state) => state.change);
  const [chosen, setChosen] = useState<string>();
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
        specs: [{ spec: { kind: 'missing', why: 'notGiven' }, printed: 'not given' }],
        drive: { kind: 'hand' },
      });
      const target = draft.groups.find((entry) => entry.id === group?.id) ?? draft.groups[0];
      if (target) target.stations.push(id);
      else
        draft.groups.push({
          id: 'g1',
          title: 'Joint group 1',
          map: { title: 'Joint group 1', note: '', widthMm: 600, heightMm: 400, shapes: [] },
          stations: [id],
        });
      setChosen(id);
    });
  return (
    <div className="grid flex-1 lg:min-h-0 lg:grid-cols-[19rem_1fr]">
      <div className="border-r border-rule lg:min-h-0 lg:overflow-y-auto">
        <div className="p-3">
          <Button className="w-full" onClick={add}>
            Add a station
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
                        <span className="min-w-0 flex-1 truncate text-sm">{member.name}</span>
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
        <p className="p-6 text-ink-2">No station yet. Add one, or lay them out on the bolt map.</p>
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
    setSaid(`Given to the ${groupStations.length - 1} others of the group.`);
  };
  const spreader = (what: Parameters<typeof spread>[0]) =>
    groupStations.length > 1 && (
      <button type="button" className="min-h-11 px-2 text-sm underline" onClick={() => spread(what)}>
        Same for the whole group
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
            label="Label"
            value={station.label}
            onCommit={(typed) =>
              typed.trim() && typed.trim().length <= 6
                ? void edit((s) => put(s, 'label', typed.trim()))
                : 'One to six signs.'
            }
          />
          <CommitField
            label="Name"
            value={station.name}
            onCommit={(typed) => (typed.trim() ? void edit((s) => put(s, 'name', typed.trim())) : 'Give it a name.')}
          />
          <label className="text-sm text-ink-2">
            Side
            <select
              className={`w-full ${LOOK}`}
              value={station.side ?? ''}
              onChange={(event) =>
                edit((s) => (event.target.value ? put(s, 'side', event.target.value as 'left') : delete s.side))
              }
            >
              <option value="">none</option>
              <option>left</option>
              <option>right</option>
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
            <h2 className="plate text-2xl">Stack, head to nut</h2>
            {spreader('stack')}
          </div>
          <Stack station={station} items={kit.items} edit={edit} />
        </section>
        <section>
          <div className="flex items-baseline gap-3">
            <h2 className="plate text-2xl">Torque</h2>
            {spreader('specs')}
          </div>
          <Specs station={station} edit={edit} />
        </section>
        <section className="grid gap-3 sm:grid-cols-2">
          <div>
            <div className="flex items-baseline gap-3">
              <h2 className="plate text-2xl">Drive</h2>
              {spreader('drive')}
            </div>
            <Drive
              label="Turned with"
              drive={station.drive}
              onChange={(drive) => edit((s) => put(s, 'drive', drive))}
            />
            <label className="mt-2 block text-sm text-ink-2">
              Which end is turned
              <select
                className={`w-full ${LOOK}`}
                value={station.turned ?? ''}
                onChange={(event) =>
                  edit((s) => (event.target.value ? put(s, 'turned', event.target.value as 'head') : delete s.turned))
                }
              >
                <option value="">not said</option>
                <option value="head">head</option>
                <option value="nut">nut</option>
              </select>
            </label>
            {station.holding ? (
              <div className="mt-2">
                <Drive
                  label="Held with"
                  drive={station.holding.drive}
                  onChange={(drive) => edit((s) => s.holding && put(s.holding, 'drive', drive))}
                />
                <button
                  type="button"
                  className="min-h-11 text-sm underline"
                  onClick={() => edit((s) => delete s.holding)}
                >
                  Nothing is held
                </button>
              </div>
            ) : (
              <button
                type="button"
                className="min-h-11 text-sm underline"
                onClick={() => edit((s) => put(s, 'holding', { drive: { kind: 'hex', acrossFlatsMm: 16 } }))}
              >
                The other end is held
              </button>
            )}
          </div>
          <div>
            <div className="flex items-baseline gap-3">
              <h2 className="plate text-2xl">On the thread</h2>
              {spreader('compound')}
            </div>
            <label className="block text-sm text-ink-2">
              Compound
              <select
                className={`w-full ${LOOK}`}
                value={station.compound ?? ''}
                onChange={(event) =>
                  edit((s) => (event.target.value ? put(s, 'compound', event.target.value) : delete s.compound))
                }
              >
                <option value="">none</option>
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
          <h2 className="plate text-2xl">What joint it is</h2>
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
              <span className="block text-sm text-ink-2">Is there</span>
              <ConditionButton
                when={station.when}
                of={`Station ${station.label}`}
                onChange={(when) => edit((s) => (when ? put(s, 'when', when) : delete s.when))}
              />
            </div>
            <CommitField
              label="Note for the fitter"
              value={station.note ?? ''}
              onCommit={(typed) => void edit((s) => put(s, 'note', typed.trim() || undefined))}
            />
            <CommitField
              label="Other names, with commas"
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
                if (names.length > 20) return 'At most 20.';
                return void edit((s) => put(s, 'aliases', names.length > 0 ? names : undefined));
              }}
            />
            <OptionalText
              label="The vehicle’s own joint, as every kit names it"
              value={station.place}
              onChange={(place) => edit((s) => (place ? put(s, 'place', place) : delete s.place))}
            />
            <CommitField
              label="Drilled by the fitter, mm"
              value={station.drillMm === undefined ? '' : String(station.drillMm)}
              onCommit={(typed) => {
                if (typed.trim() === '') return void edit((s) => delete s.drillMm);
                const mm = typedNumber(typed);
                return mm > 0 && mm <= 200 ? void edit((s) => put(s, 'drillMm', mm)) : 'A number up to 200.';
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
              Take this station away
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

function Stack({
  station,
  items,
  edit,
}: {
  station: Station;
  items: readonly Item[];
  edit: (recipe: (station: Station) => void) => void;
}) {
  const ids = station.stack.map((piece, index) => `${index}:${piece.kind === 'hardware' ? piece.item : piece.name}`);
  const pieceEdit = (index: number, recipe: (piece: StackPiece) => void) =>
    edit((s) => {
      const piece = s.stack[index];
      if (piece) recipe(piece);
    });
  return (
    <div>
      <SortableList
        label="Stack"
        ids={ids}
        onOrder={(order) =>
          edit((s) =>
            put(
              s,
              'stack',
              order.map((id) => s.stack[Number(id.split(':')[0])] as StackPiece),
            ),
          )
        }
        render={(_, index, handle) => {
          const piece = station.stack[index];
          if (!piece) return null;
          return (
            <div className="flex flex-wrap items-end gap-2 border-b border-hair py-1">
              {handle}
              {piece.kind === 'hardware' ? (
                <>
                  <span className="min-w-40 flex-1 self-center font-bold">
                    {items.find((item) => item.id === piece.item)?.name ?? (
                      <span className="text-bad">{piece.item}, not on the packing list</span>
                    )}
                  </span>
                  <CommitField
                    label="Faces"
                    className="w-44"
                    value={piece.facing ?? ''}
                    onCommit={(typed) =>
                      void pieceEdit(
                        index,
                        (p) =>
                          p.kind === 'hardware' && (typed.trim() ? put(p, 'facing', typed.trim()) : delete p.facing),
                      )
                    }
                  />
                </>
              ) : (
                <>
                  <div className="min-w-32 flex-1">
                    <CommitField
                      label="Part"
                      value={piece.name}
                      onCommit={(typed) =>
                        typed.trim()
                          ? void pieceEdit(index, (p) => p.kind === 'clamped' && put(p, 'name', typed.trim()))
                          : 'Give it a name.'
                      }
                    />
                  </div>
                  <Millimetres
                    label="Thick, mm"
                    most={1000}
                    value={piece.thicknessMm}
                    onValue={(mm) =>
                      pieceEdit(index, (p) => p.kind === 'clamped' && mm !== undefined && put(p, 'thicknessMm', mm))
                    }
                    required
                  />
                  <Millimetres
                    label="Hole, mm"
                    most={500}
                    value={piece.holeMm}
                    onValue={(mm) =>
                      pieceEdit(
                        index,
                        (p) => p.kind === 'clamped' && (mm === undefined ? delete p.holeMm : put(p, 'holeMm', mm)),
                      )
                    }
                  />
                  <label className="text-sm text-ink-2">
                    Of
                    <select
                      className={`block ${LOOK}`}
                      value={piece.material ?? ''}
                      onChange={(event) =>
                        pieceEdit(
                          index,
                          (p) =>
                            p.kind === 'clamped' &&
                            (event.target.value
                              ? put(p, 'material', event.target.value as ClampedMaterial)
                              : delete p.material),
                        )
                      }
                    >
                      <option value="">not said</option>
                      {MATERIALS.map((material) => (
                        <option key={material} value={material}>
                          {material === 'castIron' ? 'cast iron' : material}
                        </option>
                      ))}
                    </select>
                  </label>
                  <div className="grid">
                    <label className="flex min-h-6 items-center gap-1 text-sm">
                      <input
                        type="checkbox"
                        className="size-5 accent-(--ink)"
                        checked={piece.slot ?? false}
                        onChange={(event) =>
                          pieceEdit(
                            index,
                            (p) =>
                              p.kind === 'clamped' && (event.target.checked ? put(p, 'slot', true) : delete p.slot),
                          )
                        }
                      />
                      slot
                    </label>
                    <label className="flex min-h-6 items-center gap-1 text-sm">
                      <input
                        type="checkbox"
                        className="size-5 accent-(--ink)"
                        checked={piece.tapped !== undefined}
                        onChange={(event) =>
                          pieceEdit(
                            index,
                            (p) =>
                              p.kind === 'clamped' &&
                              (event.target.checked ? put(p, 'tapped', { depthMm: p.thicknessMm }) : delete p.tapped),
                          )
                        }
                      />
                      tapped
                    </label>
                  </div>
                  {piece.tapped && (
                    <>
                      <Millimetres
                        label="Thread deep"
                        most={500}
                        value={piece.tapped.depthMm}
                        required
                        onValue={(mm) =>
                          pieceEdit(
                            index,
                            (p) => p.kind === 'clamped' && p.tapped && mm !== undefined && put(p.tapped, 'depthMm', mm),
                          )
                        }
                      />
                      <label className="flex min-h-11 items-center gap-1 text-sm">
                        <input
                          type="checkbox"
                          className="size-5 accent-(--ink)"
                          checked={piece.tapped.blind ?? false}
                          onChange={(event) =>
                            pieceEdit(
                              index,
                              (p) =>
                                p.kind === 'clamped' &&
                                p.tapped &&
                                (event.target.checked ? put(p.tapped, 'blind', true) : delete p.tapped.blind),
                            )
                          }
                        />
                        blind
                      </label>
                    </>
                  )}
                </>
              )}
              <button
                type="button"
                aria-label="Take this piece away"
                className="size-11 text-xl text-ink-2"
                disabled={station.stack.length === 1}
                onClick={() => edit((s) => s.stack.splice(index, 1))}
              >
                ×
              </button>
            </div>
          );
        }}
      />
      <div className="mt-2 flex flex-wrap gap-2">
        <select
          aria-label="Add a piece of the packing list"
          className={LOOK}
          value=""
          onChange={(event) =>
            event.target.value && edit((s) => s.stack.push({ kind: 'hardware', item: event.target.value }))
          }
        >
          <option value="">Add from the packing list</option>
          {items
            .filter((item) => item.kind !== 'compound')
            .map((item) => (
              <option key={item.id} value={item.id}>
                {item.line} {item.name}
              </option>
            ))}
        </select>
        <button
          type="button"
          className="min-h-11 px-2 underline"
          onClick={() => edit((s) => s.stack.push({ kind: 'clamped', name: 'Part', thicknessMm: 5 }))}
        >
          Add a clamped part
        </button>
      </div>
    </div>
  );
}

function Millimetres({
  label,
  value,
  most,
  required = false,
  onValue,
}: {
  label: string;
  value: number | undefined;
  most: number;
  required?: boolean;
  onValue: (mm: number | undefined) => void;
}) {
  return (
    <div className="w-20">
      <CommitField
        label={label}
        className="figures text-right"
        value={value === undefined ? '' : String(value)}
        onCommit={(typed) => {
          if (typed.trim() === '' && !required) return onValue(undefined) as undefined;
          // Inches are taken too: `1/4 in`, `0.25"`.
          const inch = /^(.*?)\s*(?:in|")$/i.exec(typed.trim());
          const [top, bottom] = (inch?.[1] ?? '').split('/');
          const mm = inch
            ? 25.4 * (bottom ? typedNumber(top ?? '') / typedNumber(bottom) : typedNumber(top ?? ''))
            : typedNumber(typed.replace(/\s*mm$/i, ''));
          if (!(mm > 0 && mm <= most)) return `Up to ${most} mm.`;
          return onValue(Math.round(mm * 1000) / 1000) as undefined;
        }}
      />
    </div>
  );
}

const KINDS: ReadonlyArray<readonly [PlainKind | 'printed', string]> = [
  ['printed', 'A torque, as printed'],
  ['contact', 'Until it stops'],
  ['snug', 'Snug only'],
  ['slot', 'Castle nut, to the next slot'],
  ['bearing', 'Wheel bearing'],
  ['missing', 'No figure given'],
];

type PlainKind = 'contact' | 'snug' | 'slot' | 'bearing' | 'missing';

const kindOf = (spec: TighteningSpec): PlainKind | 'printed' =>
  spec.kind === 'contact' ||
  spec.kind === 'snug' ||
  spec.kind === 'slot' ||
  spec.kind === 'bearing' ||
  spec.kind === 'missing'
    ? spec.kind
    : 'printed';

const PLAIN: Record<PlainKind, PrintedSpec> = {
  contact: { spec: { kind: 'contact', stop: 'the flanges touch' }, printed: 'until the flanges touch' },
  snug: { spec: { kind: 'snug' }, printed: 'snug' },
  slot: {
    spec: { kind: 'slot', startNm: 47, ceilingNm: 61, slots: 6 },
    printed: '47 N·m, on to the next slot, never over 61',
  },
  bearing: {
    spec: { kind: 'bearing', seatNm: 68, backOffDeg: 90, finalMinNm: 2, finalMaxNm: 4 },
    printed: '68 N·m turning, back off 90°, 2-4 N·m',
  },
  missing: { spec: { kind: 'missing', why: 'notGiven' }, printed: 'not given' },
};

function Specs({ station, edit }: { station: Station; edit: (recipe: (station: Station) => void) => void }) {
  const specEdit = (index: number, recipe: (spec: PrintedSpec) => void) =>
    edit((s) => {
      const spec = s.specs[index];
      if (spec) recipe(spec);
    });
  return (
    <div>
      <ul>
        {station.specs.map((printed, index) => {
          const kind = kindOf(printed.spec);
          const band = acceptBand(printed.spec);
          return (
            // biome-ignore lint/suspicious/noArrayIndexKey: the first that holds applies, so the place is what it is
            <li key={index} className="flex flex-wrap items-end gap-2 border-b border-hair py-2">
              <label className="text-sm text-ink-2">
                Kind
                <select
                  className={`block ${LOOK}`}
                  value={kind}
                  onChange={(event) => {
                    const to = event.target.value as PlainKind | 'printed';
                    specEdit(index, (spec) =>
                      Object.assign(
                        spec,
                        to === 'printed'
                          ? { spec: { kind: 'torque', targetNm: 20 }, printed: '20 N·m' }
                          : structuredClone(PLAIN[to]),
                      ),
                    );
                  }}
                >
                  {KINDS.map(([name, text]) => (
                    <option key={name} value={name}>
                      {text}
                    </option>
                  ))}
                </select>
              </label>
              <div className="min-w-56 flex-1">
                <CommitField
                  label="As the sheet prints it"
                  className="figures text-lg"
                  value={printed.printed}
                  onCommit={(typed) => {
                    if (typed.trim() === '') return 'Type what the sheet prints.';
                    if (kind !== 'printed') return void specEdit(index, (spec) => put(spec, 'printed', typed.trim()));
                    const read = specFromPrinted(typed);
                    if (!read.ok)
                      return read.error.code === 'noTorque'
                        ? 'No torque with a unit in it: 46 lbf·ft, 80-100 in-lb, 74 ft-lb plus 90°.'
                        : `${read.error.torqueNm.toFixed(0)} N·m is no torque of this trade.`;
                    return void specEdit(index, (spec) =>
                      Object.assign(spec, { spec: read.value, printed: typed.trim() }),
                    );
                  }}
                />
              </div>
              {printed.spec.kind === 'missing' && (
                <select
                  aria-label="Why there is none"
                  className={LOOK}
                  value={printed.spec.why}
                  onChange={(event) =>
                    specEdit(index, (spec) =>
                      put(spec, 'spec', { kind: 'missing', why: event.target.value as 'notGiven' }),
                    )
                  }
                >
                  <option value="notGiven">not given</option>
                  <option value="byFeel">by feel</option>
                  <option value="otherSheet">on another sheet</option>
                </select>
              )}
              {printed.spec.kind === 'contact' && (
                <CommitField
                  label="Until"
                  value={printed.spec.stop}
                  onCommit={(typed) =>
                    typed.trim()
                      ? void specEdit(index, (spec) => put(spec, 'spec', { kind: 'contact', stop: typed.trim() }))
                      : 'Say what stops it.'
                  }
                />
              )}
              {(printed.spec.kind === 'slot' || printed.spec.kind === 'bearing') && (
                <SpecFigures
                  spec={printed.spec}
                  onSpec={(spec) => specEdit(index, (entry) => put(entry, 'spec', spec))}
                />
              )}
              {band && (
                <span className="figures self-center text-sm text-ink-2">
                  {band.targetNm.toFixed(1)} N·m, {fromBase(band.targetNm, 'lbf·ft').toFixed(1)} lbf·ft, accepted{' '}
                  {band.minNm.toFixed(1)}–{Number.isFinite(band.maxNm) ? band.maxNm.toFixed(1) : '…'}
                </span>
              )}
              <ConditionButton
                when={printed.when}
                of={`${printed.printed} at station ${station.label}`}
                onChange={(when) => specEdit(index, (spec) => (when ? put(spec, 'when', when) : delete spec.when))}
              />
              {station.specs.length > 1 && (
                <button
                  type="button"
                  aria-label={`Take ${printed.printed} away`}
                  className="size-11 text-xl text-ink-2"
                  onClick={() => edit((s) => s.specs.splice(index, 1))}
                >
                  ×
                </button>
              )}
            </li>
          );
        })}
      </ul>
      <button
        type="button"
        className="mt-1 min-h-11 px-2 underline"
        onClick={() => edit((s) => s.specs.push({ spec: { kind: 'torque', targetNm: 20 }, printed: '20 N·m' }))}
      >
        Another value for other vehicles
      </button>
    </div>
  );
}

const FIGURE_TEXT: Record<string, string> = {
  startNm: 'Start, N·m',
  ceilingNm: 'Never over, N·m',
  slots: 'Slots',
  seatNm: 'Seat, N·m',
  backOffDeg: 'Back off, °',
  finalMinNm: 'Final from, N·m',
  finalMaxNm: 'to, N·m',
};

function SpecFigures<S extends Extract<TighteningSpec, { kind: 'slot' | 'bearing' }>>({
  spec,
  onSpec,
}: {
  spec: S;
  onSpec: (spec: S) => void;
}) {
  return (
    <>
      {Object.entries(spec)
        .filter(([key]) => key !== 'kind')
        .map(([key, value]) => (
          <div key={key} className="w-28">
            <CommitField
              label={FIGURE_TEXT[key] ?? key}
              className="figures text-right"
              value={String(value)}
              onCommit={(typed) => {
                const figure = typedNumber(typed);
                if (!(figure > 0 && figure <= 1500)) return 'Above 0, up to 1500.';
                if (key === 'slots' && !(Number.isInteger(figure) && figure >= 3 && figure <= 12)) return '3 to 12.';
                return void onSpec({ ...spec, [key]: figure });
              }}
            />
          </div>
        ))}
    </>
  );
}

/** The tool that turns or holds. */
function Drive({ label, drive, onChange }: { label: string; drive: DriveSize; onChange: (drive: DriveSize) => void }) {
  const size =
    drive.kind === 'hand'
      ? ''
      : drive.kind === 'sixLobe'
        ? drive.size
        : drive.kind === 'hex' && drive.inch
          ? String(Number((drive.acrossFlatsMm / 25.4).toFixed(4)))
          : String(drive.acrossFlatsMm);
  const kind = drive.kind === 'hex' && drive.inch ? 'hexInch' : drive.kind;
  const make = (to: string, typed: string): DriveSize | undefined => {
    if (to === 'hand') return { kind: 'hand' };
    if (to === 'sixLobe')
      return /^[TE]\d{1,3}$/.test(typed.trim()) ? { kind: 'sixLobe', size: typed.trim() } : undefined;
    const [top, bottom] = typed.split('/');
    const value = bottom ? typedNumber(top ?? '') / typedNumber(bottom) : typedNumber(typed);
    if (!(value > 0 && value <= 120)) return undefined;
    if (to === 'hexInch') return { kind: 'hex', acrossFlatsMm: value * 25.4, inch: true };
    return { kind: to as 'hex' | 'hexKey' | 'twelvePoint', acrossFlatsMm: value };
  };
  return (
    <div className="flex items-end gap-2">
      <label className="text-sm text-ink-2">
        {label}
        <select
          className={`block ${LOOK}`}
          value={kind}
          onChange={(event) =>
            onChange(
              make(event.target.value, size) ??
                (event.target.value === 'sixLobe'
                  ? { kind: 'sixLobe', size: 'T40' }
                  : event.target.value === 'hexInch'
                    ? { kind: 'hex', acrossFlatsMm: 15.875, inch: true }
                    : { kind: event.target.value as 'hex', acrossFlatsMm: 13 }),
            )
          }
        >
          <option value="hex">socket, mm</option>
          <option value="hexInch">socket, inch</option>
          <option value="hexKey">hex key, mm</option>
          <option value="twelvePoint">12-point, mm</option>
          <option value="sixLobe">six-lobe</option>
          <option value="hand">by hand</option>
        </select>
      </label>
      {drive.kind !== 'hand' && (
        <div className="w-24">
          <CommitField
            label="Size"
            className="figures"
            value={size}
            onCommit={(typed) => {
              const made = make(kind, typed);
              if (!made) return kind === 'sixLobe' ? 'T40, E14' : 'A size.';
              return void onChange(made);
            }}
          />
        </div>
      )}
    </div>
  );
}

/** Compounds of the kit, with the times of their own sheets. */
function Compounds({ kit }: { kit: KitDocument }) {
  const change = useEditor((state) => state.change);
  return (
    <details className="mt-2">
      <summary className="min-h-11 cursor-pointer py-2 text-sm underline">
        Compounds of this kit ({kit.compounds.length})
      </summary>
      <ul>
        {kit.compounds.map((compound, index) => (
          <li key={compound.id} className="grid gap-2 border-b border-hair py-2">
            <CommitField
              label="Name"
              value={compound.name}
              onCommit={(typed) =>
                typed.trim()
                  ? void change((draft) => put(draft.compounds[index] as { name: string }, 'name', typed.trim()))
                  : 'Give it a name.'
              }
            />
            <div className="grid grid-cols-3 gap-2">
              {(
                [
                  ['workingWindowMin', 'Works for, min', 600],
                  ['fixtureMin', 'Fixture, min', 2880],
                  ['fullCureH', 'Full cure, h', 336],
                ] as const
              ).map(([field, text, most]) => (
                <CommitField
                  key={field}
                  label={text}
                  className="figures text-right"
                  value={compound[field] === undefined ? '' : String(compound[field])}
                  onCommit={(typed) => {
                    const figure = typed.trim() === '' ? undefined : typedNumber(typed);
                    if (figure !== undefined && !(figure > 0 && figure <= most)) return `Up to ${most}.`;
                    return void change((draft) => {
                      const target = draft.compounds[index];
                      if (target && figure === undefined) delete target[field];
                      else if (target) target[field] = figure;
                    });
                  }}
                />
              ))}
            </div>
          </li>
        ))}
      </ul>
      <select
        aria-label="Add a compound"
        className={`mt-2 ${LOOK}`}
        value=""
        onChange={(event) => {
          const [kind, name] = event.target.value.split('|') as [KitDocument['compounds'][number]['kind'], string];
          if (name)
            change((draft) => {
              draft.compounds.push({ id: freshId(draft.compounds, kind), name, kind });
            });
        }}
      >
        <option value="">Add a compound</option>
        <option value="threadlockerMedium|Threadlocker, medium strength">Threadlocker, medium</option>
        <option value="threadlockerHigh|Threadlocker, high strength">Threadlocker, high strength</option>
        <option value="antiSeize|Anti-seize">Anti-seize</option>
        <option value="grease|Grease">Grease</option>
        <option value="sealant|Sealant">Sealant</option>
        <option value="retaining|Retaining compound">Retaining compound</option>
      </select>
    </details>
  );
}
