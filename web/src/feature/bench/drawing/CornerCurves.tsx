import { scaleLinear } from 'd3-scale';
import { line } from 'd3-shape';
import { useEffect, useState } from 'react';
import { geometryFaultText } from '#contract/wording/geometry-fault-text.ts';
import { say } from '#contract/wording/say.ts';
import type { CornerCurves as Curves } from '#core/bench/corner.ts';
import type { CornerChange } from '#core/geometry/corner-change.ts';
import type { CornerAtTravel } from '#core/geometry/corner-sweep.ts';
import type { HardPoints, WheelStance } from '#core/geometry/hard-points.ts';
import { written } from '#core/quantity/display.ts';
import { tell } from '../../../ui/tell.ts';
import { geometryWorker } from '../../../worker/geometry-worker.ts';
import { workerFailure } from '../../../worker/kit-worker.ts';

const WIDTH = 310;
const HEIGHT = 260;
const EDGE = { left: 46, right: 10, top: 26, bottom: 34 };
const TRAVELS = Array.from({ length: 97 }, (_, at) => (at - 48) * 2.5);

const SHOWN = [
  { key: 'camberDeg', title: say('Camber, °: top out above 0') },
  { key: 'toeDeg', title: say('Toe of one wheel, °: in above 0') },
  { key: 'halfTrackContactMm', title: say('Contact outwards, mm') },
  { key: 'casterDeg', title: say('Caster, °') },
] as const satisfies ReadonlyArray<{ key: keyof CornerAtTravel; title: string }>;

/** Camber, toe, track and caster over the travel, before thin and after bold; worked out off the screen's thread. */
export function CornerCurves({
  hung,
  stance,
  change,
}: {
  hung: HardPoints;
  stance: WheelStance;
  change: CornerChange;
}) {
  const asked = JSON.stringify([hung, stance, change]);
  const [drawn, setDrawn] = useState<{ asked: string; curves?: Curves; failure?: string }>();
  useEffect(() => {
    let wanted = true;
    const [points, stands, changed] = JSON.parse(asked) as [HardPoints, WheelStance, CornerChange];
    geometryWorker()
      .cornerCurves(points, stands, changed, TRAVELS)
      .then(
        (result) => {
          if (wanted)
            setDrawn(
              result.ok ? { asked, curves: result.value } : { asked, failure: geometryFaultText(result.error).reason },
            );
        },
        (error: unknown) => {
          if (wanted) setDrawn({ asked, failure: workerFailure(error) });
        },
      );
    return () => {
      wanted = false;
    };
  }, [asked]);
  if (drawn?.failure && drawn.asked === asked)
    return (
      <p className="border-l-4 border-rule pl-3">
        {tell('No curves over ±120 mm: {failure}.', { failure: drawn.failure })}
      </p>
    );
  return <CurvesDrawn curves={drawn?.curves} />;
}

/** The curves themselves; without any they are being worked out. */
export function CurvesDrawn({ curves }: { curves?: Curves }) {
  return (
    <div className="grid gap-3 sm:grid-cols-2" aria-busy={!curves}>
      {SHOWN.map(({ key, title }) => (
        <CurveOf key={key} of={key} title={title} curves={curves} />
      ))}
    </div>
  );
}

function CurveOf({ of, title, curves }: { of: (typeof SHOWN)[number]['key']; title: string; curves?: Curves }) {
  const values = curves ? [...curves.before, ...curves.after].map((at) => at[of]) : [0];
  const [low, high] = [Math.min(...values), Math.max(...values)];
  const room = Math.max((high - low) * 0.1, 0.05);
  const x = scaleLinear()
    .domain([low - room, high + room])
    .range([EDGE.left, WIDTH - EDGE.right]);
  const y = scaleLinear()
    .domain([-120, 120])
    .range([HEIGHT - EDGE.bottom, EDGE.top]);
  const path = line<CornerAtTravel>()
    .x((at) => x(at[of]))
    .y((at) => y(at.travelMm));
  const first = curves?.after[0];
  const last = curves?.after.at(-1);
  return (
    <svg
      viewBox={`0 0 ${WIDTH} ${HEIGHT}`}
      className="w-full bg-sheet"
      role="img"
      aria-label={
        first && last
          ? say('{title}: {first} at 120 mm droop, {last} at 120 mm bump', {
              title,
              first: written(first[of], 2),
              last: written(last[of], 2),
            })
          : say('{title}, being worked out', { title })
      }
    >
      <text x={EDGE.left} y={16} fontSize={13} fontWeight={700}>
        {title}
      </text>
      {y.ticks(6).map((tick) => (
        <g key={tick}>
          <line x1={EDGE.left} x2={WIDTH - EDGE.right} y1={y(tick)} y2={y(tick)} stroke="var(--hair)" />
          <text x={EDGE.left - 6} y={y(tick) + 4} fontSize={11} textAnchor="end" className="figures">
            {tick}
          </text>
        </g>
      ))}
      {curves &&
        x.ticks(4).map((tick) => (
          <text key={tick} x={x(tick)} y={HEIGHT - 18} fontSize={11} textAnchor="middle" className="figures">
            {Number(tick.toFixed(3))}
          </text>
        ))}
      <line x1={EDGE.left} x2={WIDTH - EDGE.right} y1={y(0)} y2={y(0)} stroke="var(--ink)" strokeWidth={1.5} />
      {curves && (
        <>
          <path
            data-part="before"
            d={path(curves.before) ?? ''}
            fill="none"
            stroke="var(--ink-2)"
            strokeWidth={2}
            strokeDasharray="6 4"
          />
          <path data-part="after" d={path(curves.after) ?? ''} fill="none" stroke="var(--ink)" strokeWidth={3} />
        </>
      )}
      <text x={EDGE.left} y={HEIGHT - 4} fontSize={11} style={{ fill: 'var(--ink-2)' }}>
        {say('up: bump, mm at the wheel; dashed: before')}
      </text>
    </svg>
  );
}
