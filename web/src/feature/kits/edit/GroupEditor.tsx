import { useEffect, useMemo, useState } from 'react';
import { PATTERN_TEXT } from '#contract/wording/en/terms.ts';
import { say } from '#contract/wording/say.ts';
import type { JointGroup, KitDocument, OrderRule, Station } from '#core/kit/kit-document.ts';
import { mapBox } from '#core/kit/map-box.ts';
import { acceptBand } from '#core/tightening/kinds.ts';
import { loadImbalance } from '#core/tightening/load-imbalance.ts';
import { passPlan } from '#core/tightening/pass-plan.ts';
import { mostEvenPattern, type Pattern, tighteningOrder } from '#core/tightening/pattern.ts';
import { readStages } from '#core/tightening/printed-stages.ts';
import { MapShapes } from '../../../drawing/BoltMap.tsx';
import { StationGlyph } from '../../../drawing/StationGlyph.tsx';
import { Button } from '../../../ui/Button.tsx';
import { CommitField } from '../../../ui/CommitField.tsx';
import { tell } from '../../../ui/tell.ts';
import { ConditionButton } from './ConditionEditor.tsx';
import { put, useEditor, useKit } from './editor-store.ts';
import { useAskedEntry } from './finding-place.ts';
import { LOOK } from './look.ts';
import { OrderCandidate } from './OrderCandidate.tsx';
import { RideHeightFields } from './RideHeightFields.tsx';
import { SpotPicker } from './SpotPicker.tsx';

const PATTERNS: readonly Pattern[] = ['asListed', 'star', 'cross', 'middleOut', 'outsideIn', 'rowZigZag', 'circular'];
type OrderName = 'startOrder' | 'snugOrder' | 'torqueOrder';
const ORDERS: ReadonlyArray<readonly [OrderName, string]> = [
  ['startOrder', say('Start by hand')],
  ['snugOrder', say('Snug')],
  ['torqueOrder', say('Torque')],
];
/** Stages of a group that another may hold back. */
const HOLDS = ['start', 'snug', 'torque'] as const;

/** One station of the played order, ms. */
const BEAT_MS = 550;

const byRule = (rule: OrderRule | undefined, stations: readonly Station[], fallback: Pattern): Station[] =>
  rule && 'list' in rule
    ? rule.list.flatMap((id) => stations.find((station) => station.id === id) ?? [])
    : tighteningOrder(stations, rule?.pattern ?? fallback, (station) => station);

/** The final torque of a group whose joints all have the same one, N·m. */
function oneTarget(kit: KitDocument, group: JointGroup): number | undefined {
  const targets = kit.stations
    .filter(({ id }) => group.stations.includes(id))
    .flatMap(({ specs }) => specs.map(({ spec }) => acceptBand(spec)?.targetNm));
  const [first] = targets;
  return targets.every((target) => target === first) ? first : undefined;
}

/** Groups: what is tightened together, in which three orders, in how many rounds. */
export function GroupEditor() {
  const kit = useKit();
  const asked = useAskedEntry();
  const [chosen, setChosen] = useState(() => (asked?.list === 'groups' ? kit.groups[asked.index]?.id : undefined));
  const group = kit.groups.find((entry) => entry.id === chosen) ?? kit.groups[0];
  if (!group) return <p className="p-6 text-ink-2">{say('No group yet. Add one on the bolt map.')}</p>;
  return (
    <div className="grid flex-1 grid-cols-[minmax(0,1fr)] lg:min-h-0 lg:grid-cols-[17rem_1fr]">
      <ul className="border-r border-rule lg:min-h-0 lg:overflow-y-auto">
        {kit.groups.map((entry) => (
          <li key={entry.id}>
            <button
              type="button"
              aria-current={entry === group}
              className={`flex min-h-14 w-full items-center gap-3 border-b border-hair px-3 text-left ${entry === group ? 'bg-sheet font-bold outline-2 -outline-offset-2 outline-ink' : ''}`}
              onClick={() => setChosen(entry.id)}
            >
              <span className="min-w-0 flex-1 wrap-anywhere">{entry.title}</span>
              <span className="figures text-sm text-ink-2">{entry.stations.length}</span>
            </button>
          </li>
        ))}
      </ul>
      <GroupForm key={group.id} kit={kit} group={group} />
    </div>
  );
}

function GroupForm({ kit, group }: { kit: KitDocument; group: JointGroup }) {
  const change = useEditor((state) => state.change);
  const [order, setOrder] = useState<OrderName>('torqueOrder');
  const [clicking, setClicking] = useState<string[]>();
  const [beat, setBeat] = useState<number>();
  const edit = (recipe: (group: JointGroup) => void) =>
    change((draft) => {
      const target = draft.groups.find((entry) => entry.id === group.id);
      if (target) recipe(target);
    });
  const stations = useMemo(
    () => group.stations.flatMap((id) => kit.stations.find((station) => station.id === id) ?? []),
    [group.stations, kit.stations],
  );
  const even = useMemo(() => mostEvenPattern(stations, (station) => station), [stations]);
  const candidates = useMemo(
    () =>
      PATTERNS.map((pattern) => ({
        pattern,
        imbalance: loadImbalance(tighteningOrder(stations, pattern, (station) => station)),
      })),
    [stations],
  );
  const rule = group[order];
  const shown = byRule(rule, stations, order === 'torqueOrder' ? even : 'asListed');
  const place = new Map((clicking ?? shown.map((station) => station.id)).map((id, index) => [id, index]));
  const passes = passPlan(stations.length, group);
  const box = mapBox(group.map, stations);
  const glyph = Math.max(0.25, Math.min(3, Math.max(box.widthMm / 640, box.heightMm / 300)));
  useEffect(() => {
    if (beat === undefined) return;
    if (beat >= shown.length) {
      setBeat(undefined);
      return;
    }
    const timer = setTimeout(() => setBeat(beat + 1), BEAT_MS);
    return () => clearTimeout(timer);
  }, [beat, shown.length]);
  const click = (id: string) => {
    if (!clicking || clicking.includes(id)) return;
    const next = [...clicking, id];
    if (next.length === stations.length) {
      edit((g) => put(g, order, { list: next }));
      setClicking(undefined);
    } else setClicking(next);
  };
  return (
    <div className="grid grid-cols-[minmax(0,1fr)] content-start gap-x-6 gap-y-5 p-4 lg:min-h-0 lg:overflow-y-auto xl:grid-cols-[1fr_24rem]">
      <div className="grid min-w-0 grid-cols-[minmax(0,1fr)] content-start gap-3">
        <div className="flex border-2 border-ink">
          {ORDERS.map(([name, text]) => (
            <button
              key={name}
              type="button"
              aria-pressed={order === name}
              className={`plate min-h-12 flex-1 text-xl ${order === name ? 'bg-plate text-on-plate' : ''}`}
              onClick={() => {
                setOrder(name);
                setClicking(undefined);
                setBeat(undefined);
              }}
            >
              {text}
            </button>
          ))}
        </div>
        <div className="grid-paper min-w-0 border border-rule">
          <div className="overflow-x-auto">
            {/* biome-ignore lint/a11y/useSemanticElements: a fieldset cannot stand inside a drawing */}
            <svg
              role="group"
              aria-label={say('Order of {title}', { title: group.title })}
              className="h-80 w-full min-w-130"
              viewBox={`${box.left - 30} ${box.top - 30} ${box.widthMm + 60} ${box.heightMm + 60}`}
              preserveAspectRatio="xMidYMid meet"
            >
              <MapShapes shapes={group.map.shapes} />
              {!clicking && (
                <polyline
                  points={shown
                    .slice(0, beat === undefined ? undefined : beat + 1)
                    .map((station) => `${station.xMm},${station.yMm}`)
                    .join(' ')}
                  fill="none"
                  stroke="var(--ink)"
                  strokeWidth={2}
                  strokeDasharray="2 6"
                  strokeLinecap="round"
                />
              )}
              {stations.map((station) => {
                const at = place.get(station.id);
                const played = beat !== undefined && at !== undefined && at <= beat;
                return (
                  // biome-ignore lint/a11y/noStaticElementInteractions: a button while the order is clicked, a picture else
                  <g
                    key={station.id}
                    role={clicking ? 'button' : 'img'}
                    tabIndex={clicking ? 0 : -1}
                    aria-label={say('Station {label}{which}', {
                      label: station.label,
                      which: at === undefined ? '' : say(', number {at}', { at: at + 1 }),
                    })}
                    className={clicking ? 'cursor-pointer' : ''}
                    transform={`translate(${station.xMm} ${station.yMm}) scale(${glyph})`}
                    onClick={() => click(station.id)}
                    onKeyDown={(event) => event.key === 'Enter' && click(station.id)}
                  >
                    <StationGlyph
                      mark={played ? 'atTorque' : 'snug'}
                      label={station.label}
                      next={beat !== undefined && at === beat}
                    />
                    {at !== undefined && (
                      <g transform="translate(24 -24)">
                        <circle r={12} fill="var(--ink)" />
                        <text
                          textAnchor="middle"
                          dominantBaseline="central"
                          fontSize={14}
                          fontWeight={700}
                          className="figures"
                          style={{ fill: 'var(--sheet)' }}
                        >
                          {at + 1}
                        </text>
                      </g>
                    )}
                  </g>
                );
              })}
            </svg>
          </div>
        </div>
        <div className="flex flex-wrap gap-2">
          <Button
            onClick={() => setBeat(0)}
            disabled={stations.length === 0 || beat !== undefined || clicking !== undefined}
          >
            {say('Watch it')}
          </Button>
          {clicking ? (
            <Button onClick={() => setClicking(undefined)}>{say('Leave the clicking')}</Button>
          ) : (
            <Button onClick={() => setClicking([])} disabled={stations.length < 2}>
              {say('Click the printed order')}
            </Button>
          )}
          {rule && (
            <Button
              onClick={() =>
                edit((g) => {
                  delete g[order];
                })
              }
            >
              {tell('Back to {which}', { which: order === 'torqueOrder' ? say('the most even') : say('as listed') })}
            </Button>
          )}
        </div>
        {clicking && (
          <p className="font-bold">
            {tell('Press the stations in the order the sheet prints: {count} of {count2}.', {
              count: clicking.length,
              count2: stations.length,
            })}
          </p>
        )}
        <div className="overflow-x-auto">
          <table className="w-full max-w-xl text-left">
            <thead>
              <tr className="border-b-2 border-ink">
                <th className="plate py-1 text-lg">{say('Order')}</th>
                <th className="plate py-1 text-right text-lg">{say('Strays')}</th>
                <th className="plate py-1 pl-4 text-lg">{say('Load off centre, 0 is even')}</th>
                <th>
                  <span className="sr-only">{say('Choose')}</span>
                </th>
              </tr>
            </thead>
            <tbody>
              {rule && 'list' in rule && (
                <OrderCandidate
                  text={say('Printed, as clicked')}
                  imbalance={loadImbalance(shown)}
                  current
                  onChoose={() => undefined}
                />
              )}
              {candidates.map(({ pattern, imbalance }) => (
                <OrderCandidate
                  key={pattern}
                  text={PATTERN_TEXT[pattern]}
                  imbalance={imbalance}
                  current={
                    rule
                      ? 'pattern' in rule && rule.pattern === pattern
                      : pattern === (order === 'torqueOrder' ? even : 'asListed')
                  }
                  assumed={!rule}
                  onChoose={() => edit((g) => put(g, order, { pattern }))}
                />
              ))}
            </tbody>
          </table>
        </div>
      </div>
      <div className="grid min-w-0 grid-cols-[minmax(0,1fr)] content-start gap-4">
        <CommitField
          label={say('Title')}
          value={group.title}
          onCommit={(typed) =>
            typed.trim() ? void edit((g) => put(g, 'title', typed.trim())) : say('Give it a title.')
          }
        />
        <div className="grid grid-cols-2 gap-2">
          <CommitField
            label={say('Map’s title')}
            value={group.map.title}
            onCommit={(typed) =>
              typed.trim() ? void edit((g) => put(g.map, 'title', typed.trim())) : say('Give it a title.')
            }
          />
          <CommitField
            label={say('Seen from')}
            value={group.map.note}
            onCommit={(typed) => void edit((g) => put(g.map, 'note', typed.trim().slice(0, 200)))}
          />
        </div>
        <div>
          <CommitField
            label={say('Stages, as shares or torques')}
            className="figures"
            value={(group.stages ?? []).map((stage) => `${Math.round(stage * 100)} %`).join(', ')}
            placeholder={say('the shop’s own')}
            onCommit={(typed) => {
              if (typed.trim() === '') return void edit((g) => delete g.stages);
              const stages = readStages(typed, oneTarget(kit, group));
              if (!stages)
                return say(
                  'Rising to the full torque, in shares or in torques: 50 %, 100 % or 20 N·m, 54 N·m; twice full where the sheet says so: 50 %, 100 %, 100 %',
                );
              return void edit((g) => put(g, 'stages', stages));
            }}
          />
          <p className="mt-1 text-sm text-ink-2">
            {passes
              .map((pass) =>
                pass.kind === 'verify'
                  ? 'verify'
                  : say('to {fraction} %', { fraction: Math.round(pass.fraction * 100) }),
              )
              .join(', then ')}
          </p>
        </div>
        <label className="text-sm text-ink-2">
          {say('Verify pass')}
          <select
            className={`w-full ${LOOK}`}
            value={group.verify === undefined ? '' : group.verify ? 'yes' : 'no'}
            onChange={(event) =>
              edit((g) =>
                event.target.value === '' ? delete g.verify : put(g, 'verify', event.target.value === 'yes'),
              )
            }
          >
            <option value="">{say('the shop’s own habit')}</option>
            <option value="yes">{say('yes')}</option>
            <option value="no">{say('no')}</option>
          </select>
        </label>
        <label className="flex min-h-11 items-center gap-2">
          <input
            type="checkbox"
            className="size-5 accent-(--ink)"
            checked={group.verifyBy === 'another'}
            onChange={(event) =>
              edit((g) => (event.target.checked ? put(g, 'verifyBy', 'another') : delete g.verifyBy))
            }
          />
          {say('The second look by somebody else')}
        </label>
        <CommitField
          label={say('Second look at these stations alone, by number with commas')}
          value={(group.verifyOnly ?? [])
            .map((id) => kit.stations.find((station) => station.id === id)?.label ?? id)
            .join(', ')}
          onCommit={(typed) => {
            const labels = typed
              .split(',')
              .map((label) => label.trim())
              .filter(Boolean);
            const ids = labels.map(
              (label) => kit.stations.find((one) => one.label === label && group.stations.includes(one.id))?.id,
            );
            const unknown = labels.find((_, at) => ids[at] === undefined);
            if (unknown !== undefined) return say('No station {unknown} in this group.', { unknown });
            return void edit((g) => (ids.length > 0 ? put(g, 'verifyOnly', ids as string[]) : delete g.verifyOnly));
          }}
        />
        <label className="flex min-h-11 items-center gap-2">
          <input
            type="checkbox"
            className="size-5 accent-(--ink)"
            checked={group.atRideHeight ?? false}
            onChange={(event) =>
              edit((g) => (event.target.checked ? put(g, 'atRideHeight', true) : delete g.atRideHeight))
            }
          />
          {say('Torqued only at ride height')}
        </label>
        <RideHeightFields
          height={group.rideHeight}
          onHeight={(height) => edit((g) => (height ? put(g, 'rideHeight', height) : delete g.rideHeight))}
        />
        <SpotPicker spot={group.spot} onPick={(spot) => edit((g) => (spot ? put(g, 'spot', spot) : delete g.spot))} />
        {kit.groups.length > 1 && (
          <fieldset>
            <legend className="text-sm text-ink-2">{say('Which other groups come first')}</legend>
            {kit.groups
              .filter((other) => other.id !== group.id)
              .map((other) => (
                <label key={other.id} className="flex min-h-11 items-center gap-2">
                  <select
                    className="min-h-11 border-2 border-rule bg-sheet px-2"
                    aria-label={other.title}
                    value={group.after?.find((entry) => entry.group === other.id)?.holds ?? ''}
                    onChange={(event) =>
                      edit((g) => {
                        const holds = HOLDS.find((one) => one === event.target.value);
                        const rest = (g.after ?? []).filter((entry) => entry.group !== other.id);
                        const after = holds ? [...rest, { group: other.id, holds }] : rest;
                        if (after.length > 0) g.after = after;
                        else delete g.after;
                      })
                    }
                  >
                    <option value="">{say('does not wait for')}</option>
                    <option value="start">{say('is started after')}</option>
                    <option value="snug">{say('is snugged after')}</option>
                    <option value="torque">{say('is torqued after')}</option>
                  </select>
                  {other.title}
                </label>
              ))}
            {kit.groups
              .filter((other) => other.id !== group.id)
              .map((other) => (
                <label key={other.id} className="flex min-h-11 items-center gap-2">
                  <input
                    type="checkbox"
                    className="size-5 accent-(--ink)"
                    checked={group.looseWith?.includes(other.id) ?? false}
                    onChange={(event) =>
                      edit((g) => {
                        const rest = (g.looseWith ?? []).filter((id) => id !== other.id);
                        const together = event.target.checked ? [...rest, other.id] : rest;
                        if (together.length > 0) g.looseWith = together;
                        else delete g.looseWith;
                      })
                    }
                  />
                  {tell('Stays loose until {title} is all started', { title: other.title })}
                </label>
              ))}
          </fieldset>
        )}
        <div>
          <span className="block text-sm text-ink-2">{say('Is there')}</span>
          <ConditionButton
            when={group.when}
            of={group.title}
            onChange={(when) => edit((g) => (when ? put(g, 'when', when) : delete g.when))}
          />
        </div>
        <Button
          tone="bad"
          onClick={() =>
            change((draft) => {
              draft.groups = draft.groups.filter((entry) => entry.id !== group.id);
              draft.stations = draft.stations.filter((station) => !group.stations.includes(station.id));
              for (const other of draft.groups) {
                const after = other.after?.filter((entry) => entry.group !== group.id);
                if (after && after.length > 0) other.after = after;
                else delete other.after;
                const together = other.looseWith?.filter((id) => id !== group.id);
                if (together && together.length > 0) other.looseWith = together;
                else delete other.looseWith;
              }
            })
          }
        >
          {say('Take the group away')}
          {stations.length > 0 &&
            say(', {which} too', {
              which:
                stations.length === 1 ? say('its station') : say('its {count} stations', { count: stations.length }),
            })}
        </Button>
      </div>
    </div>
  );
}
