import { lazy, Suspense } from 'react';
import { say } from '#contract/wording/say.ts';
import { planActionText } from '#contract/wording/step-text.ts';
import { clockOfAct } from '#core/job/line-clocks.ts';
import { lastTry } from '#core/job/line-progress.ts';
import { indexOf, type PlanItem } from '#core/kit/plan.ts';
import { checkRead } from '#core/kit/step-action.ts';
import type { Answers, Ask } from '#core/line/ask.ts';
import { evenUp } from '#core/line/even-up.ts';
import { checkKey, limitsOf } from '#core/line/judge-check.ts';
import type { LineAct } from '#core/line/line.ts';
import { lineKind } from '#core/line/line-kinds.ts';
import { written } from '#core/quantity/display.ts';
import { HardwareDrawing } from '../../drawing/HardwareDrawing.tsx';
import { StackDrawing } from '../../drawing/StackDrawing.tsx';
import { VehicleOutline } from '../../drawing/VehicleOutline.tsx';
import { useSettings } from '../../shop/settings.ts';
import { tell } from '../../ui/tell.ts';
import { AdjusterPicture } from './picture/AdjusterPicture.tsx';
import { EccentricPicture } from './picture/EccentricPicture.tsx';
import { EvenUpPicture } from './picture/EvenUpPicture.tsx';
import { HolePicture } from './picture/HolePicture.tsx';
import { Limits } from './picture/Limits.tsx';
import { PartPlate } from './picture/PartPlate.tsx';
import type { LineInHand } from './use-line.ts';

/** What a picture is drawn from: a job on the floor, or one that is only played. */
export type LineSeen = Pick<LineInHand, 'plan' | 'state' | 'index' | 'line' | 'progress' | 'nowMs'>;

interface PictureProps {
  line: LineSeen;
  act: LineAct;
  /** The question that is asked now. */
  ask?: Ask;
  answers: Answers;
}

/** What the step needs to be seen, drawn from its own data. */
export function ActPicture(props: PictureProps) {
  switch (lineKind(props.act.action).picture) {
    case 'outline':
      return <Outline {...props} />;
    case 'part':
      return <Part {...props} />;
    case 'stack':
      return <Stack {...props} />;
    case 'rule':
      return <Readings {...props} />;
    case 'clock':
      return <Clock {...props} />;
    case 'adjuster':
      return props.act.action.type === 'preset' ? <AdjusterPicture action={props.act.action} asks={props.ask} /> : null;
    case 'eccentric':
      return <EccentricPicture {...props} />;
    case 'hole':
      return <HolePicture action={props.act.action} />;
    case 'map':
    case 'list':
      return <Places {...props} />;
  }
}

const Frame = ({ children, title }: { children: React.ReactNode; title?: string }) => (
  <div className="flex flex-1 flex-col items-center justify-center gap-3 p-5">
    {title && <p className="plate self-start text-2xl">{title}</p>}
    {children}
  </div>
);

/** Where a place's name says it is; undefined for a name that says nothing of the vehicle's sides. */
function spotOf(place: string): { along: number; across: number } | undefined {
  const across = /\bleft\b/i.test(place) ? -0.92 : /\bright\b/i.test(place) ? 0.92 : undefined;
  const along = /\bfront\b/i.test(place) ? 0.2 : /\brear\b/i.test(place) ? 0.8 : undefined;
  if (across === undefined && along === undefined) return undefined;
  return { along: along ?? 0.5, across: across ?? 0 };
}

function Outline({ act, line, ask, answers }: PictureProps) {
  const { action } = act;
  const end = action.type === 'lift' || action.type === 'lower' ? (action.end ?? 'whole') : undefined;
  const baseline =
    action.type === 'measure' || action.type === 'measureAgain'
      ? line.plan.baselines.find(({ id }) => id === action.baseline)
      : undefined;
  const dots = (baseline?.places ?? []).flatMap((place) => {
    const spot = spotOf(place);
    const value = answers[`at ${place}`];
    return spot
      ? [
          {
            key: place,
            spot,
            done: value !== undefined,
            label: `${place}${value === undefined ? '' : `: ${value}`}`,
            chosen: ask?.key === `at ${place}`,
          },
        ]
      : [];
  });
  const chocks = answers.chocks;
  return (
    <Frame>
      <div className="w-full max-w-xl">
        <VehicleOutline dots={dots} title={planActionText(line.plan, action)}>
          {end !== undefined && action.type === 'lift' && (
            <g>
              {(end === 'whole' ? ['front', 'rear'] : [end]).map((one) => (
                <g key={one} transform={`translate(${one === 'front' ? 136 : 472} 149)`}>
                  <circle r={30} fill="#ffd21f" />
                  <path d="M0 16V-16M-11 -5L0 -18L11 -5" fill="none" stroke="var(--ink)" strokeWidth={4} />
                </g>
              ))}
              {(chocks === 'front' || chocks === 'rear') && (
                <g transform={`translate(${chocks === 'front' ? 136 : 472} 0)`}>
                  <path d="M-52 274l18 -20v20zM52 274l-18 -20v20z" fill="var(--ink)" />
                </g>
              )}
            </g>
          )}
        </VehicleOutline>
      </div>
      {baseline?.instrument && (
        <p className="text-ink-2">{tell('With {instrument}', { instrument: baseline.instrument })}</p>
      )}
    </Frame>
  );
}

function Part({ act, line }: PictureProps) {
  const pxPerMm = useSettings((settings) => settings.pxPerMm);
  const { plan } = line;
  const { action } = act;
  const removed = 'removed' in action ? plan.removed.find(({ id }) => id === action.removed) : undefined;
  const item = 'item' in action ? indexOf(plan).items.get(action.item) : undefined;
  const plug = 'disconnect' in action ? plan.disconnects.find(({ id }) => id === action.disconnect) : undefined;
  const neighbour = 'neighbour' in action ? plan.neighbours.find(({ id }) => id === action.neighbour) : undefined;
  if (removed?.thread !== undefined) {
    // Drawn as what it is: a bolt of the vehicle from its own thread and length.
    const piece = {
      id: removed.id,
      kind: removed.kind === 'nut' ? 'nut' : 'bolt',
      name: removed.name,
      thread: removed.thread,
      lengthMm: removed.lengthMm,
      head: 'hex',
    } as unknown as PlanItem;
    return (
      <Frame title={removed.name}>
        <HardwareDrawing item={piece} pxPerMm={pxPerMm} />
        <PartPlate
          name={`${removed.count} × ${removed.thread}${removed.lengthMm ? ` × ${removed.lengthMm}` : ''}`}
          side={removed.side}
          note={removed.note}
        />
      </Frame>
    );
  }
  if (item && item.kind !== 'part')
    return (
      <Frame title={item.name}>
        <HardwareDrawing item={item} pxPerMm={pxPerMm} />
      </Frame>
    );
  return (
    <Frame>
      <PartPlate
        name={item?.name ?? removed?.name ?? plug?.name ?? neighbour?.name ?? planActionText(plan, action)}
        side={item?.side ?? removed?.side ?? plug?.side}
        mark={item?.mark}
        facing={item?.facing ?? ('facing' in action ? action.facing : undefined)}
        note={item?.tellTale ?? removed?.note}
        count={removed?.count ?? plug?.count ?? item?.quantity}
        turns={action.type === 'windBack' ? plug?.turns : undefined}
      />
    </Frame>
  );
}

function Stack({ act, line }: PictureProps) {
  const { plan, index } = line;
  const station = act.action.type === 'buildStack' ? index.stations.get(act.action.station) : undefined;
  if (!station) return null;
  return (
    <Frame title={say('Station {label}, {name}', { label: station.label, name: station.name })}>
      <div className="w-56">
        <StackDrawing
          station={station}
          items={index.items}
          compound={indexOf(plan).compounds.get(station.compound ?? '')}
        />
      </div>
    </Frame>
  );
}

/** All places on one rule: what was read, what is wanted, and which is next. */
function Readings({ act, line, ask, answers }: PictureProps) {
  const { plan } = line;
  const { action } = act;
  const entry =
    checkRead(action) !== undefined
      ? plan.checks.find(({ id }) => id === checkRead(action))
      : action.type === 'prerequisite'
        ? plan.prerequisites.find(({ id }) => id === action.prerequisite)
        : action.type === 'shim'
          ? { text: action.what, unit: 'mm' as const, places: action.places, spread: action.spreadMm, id: '' }
          : undefined;
  if (!entry) return null;
  // Nothing is read off: what the step holds is shown, as for any other.
  if (entry.unit === undefined && entry.places === undefined)
    return <Places act={act} line={line} ask={ask} answers={answers} />;
  const limits = limitsOf(entry);
  const travel = 'travel' in entry ? entry.travel : undefined;
  /** Every reading that is asked for, by its key. */
  const rows = (entry.places ?? (travel ? [undefined] : [])).flatMap((place) =>
    travel
      ? (['from', 'to'] as const).map((end) => ({
          key: checkKey(place, end),
          text: [place, travel[end]].filter(Boolean).join(', '),
        }))
      : [{ key: checkKey(place), text: place ?? '' }],
  );
  const values = rows.flatMap(({ key }) => {
    const value = answers[key];
    return typeof value === 'number' ? [value] : [];
  });
  const check = plan.checks.find(({ id }) => id === checkRead(action));
  // While nothing new is read, what was tried last tells what to move.
  const even = check && (evenUp(check, answers) ?? evenUp(check, lastTry(line.state, act.id)?.answers ?? {}));
  const sides = 'sides' in entry ? entry.sides : undefined;
  const spread = 'spread' in entry ? entry.spread : undefined;
  const days = 'daysBefore' in entry ? entry.daysBefore : undefined;
  return (
    <Frame title={entry.text}>
      <div className="w-full max-w-md">
        {!travel && <Limits unit={entry.unit ?? ''} {...limits} value={values.at(-1)} />}
        {rows.length > 0 && (
          <table className="mt-3 w-full bg-sheet text-left">
            <tbody>
              {rows.map(({ key, text }) => {
                const value = answers[key];
                return (
                  <tr key={key} className={`border-b border-hair ${ask?.key === key ? 'bg-paint text-on-paint' : ''}`}>
                    <td className="px-3 py-2">{text}</td>
                    <td className="figures px-3 text-right font-bold">
                      {typeof value === 'number'
                        ? `${value} ${entry.unit ?? ''}`
                        : Array.isArray(value)
                          ? `elsewhere, ${value[0]}`
                          : value === undefined
                            ? '–'
                            : say('yes')}
                    </td>
                  </tr>
                );
              })}
            </tbody>
          </table>
        )}
        {even && <EvenUpPicture even={even} />}
        {spread !== undefined && (
          <p className="mt-2 text-ink-2">
            {tell('Apart at most {spread}  {unit}', { spread, unit: entry.unit })}
            {values.length > 1 &&
              say(', so far {value}', { value: written(Math.max(...values) - Math.min(...values), 1) })}
          </p>
        )}
        {travel && limits.min !== undefined && limits.max !== undefined && (
          <p className="mt-2 text-ink-2">
            {tell('{min} to {max}  {unit} over the travel', { min: limits.min, max: limits.max, unit: entry.unit })}
          </p>
        )}
        {sides !== undefined && (
          <p className="mt-2 text-ink-2">
            {tell('Left and right apart at most {sides}  {unit}', { sides, unit: entry.unit })}
          </p>
        )}
        {days !== undefined && days > 0 && (
          <p className="mt-2">
            {tell('{which} to put it right.', {
              which: <b>{days === 1 ? say('1 day') : say('{days} days', { days })}</b>,
            })}
          </p>
        )}
      </div>
    </Frame>
  );
}

const ClockPicture = lazy(() => import('./picture/ClockPicture.tsx'));

function Clock({ act, line }: PictureProps) {
  return (
    <Frame>
      <Suspense fallback={null}>
        <ClockPicture clock={clockOfAct(line.plan, line.state, act)} nowMs={line.nowMs} />
      </Suspense>
    </Frame>
  );
}

/** The places or things of an act, each with its own stripe. */
function Places({ act, line, answers, ask }: PictureProps) {
  const { plan } = line;
  const { action } = act;
  const step = line.line.stepById.get(act.step);
  const places = 'places' in action ? action.places : undefined;
  const rows = places
    ? places.map((place) => ({
        key: place,
        text: place,
        done: answers[`at ${place}`] === true,
        here: ask?.key === `at ${place}`,
      }))
    : (step?.acts ?? []).map((one) => ({
        key: one.id,
        text: planActionText(plan, one.action),
        done: line.progress.acts.has(one.id),
        here: one.id === act.id,
      }));
  return (
    <Frame>
      <ul className="w-full max-w-lg border-t-2 border-ink bg-sheet">
        {rows.map((row) => (
          <li
            key={row.key}
            className={`flex items-center justify-between gap-3 border-b border-hair px-4 py-3 text-lg ${row.here ? 'bg-paint font-bold text-on-paint' : row.done ? 'text-ink-2' : ''}`}
          >
            {row.text}
            {row.done && <span aria-hidden="true" className="h-6 w-2 -skew-x-[30deg] border border-ink bg-paint" />}
          </li>
        ))}
      </ul>
    </Frame>
  );
}
