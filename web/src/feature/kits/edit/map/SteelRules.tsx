import { say } from '#contract/wording/say.ts';
import type { Station } from '#core/kit/kit-document.ts';
import type { Point } from '#core/tightening/load-imbalance.ts';
import { CommitField } from '../../../../ui/CommitField.tsx';
import { typedMm } from '../typed-mm.ts';
import { numberStep, pxX, pxY, type ScreenSize, type SheetView } from './sheet-view.ts';

/** Breadth of the rules, px. */
export const RULE_PX = { across: 48, down: 84 };
/** A field on a rule, px. */
const FIELD_PX = { width: 84, height: 44 };
/** Nothing on a map lies further out, mm. */
const FAR_MM = 20_000;

export interface RuleProps {
  view: SheetView;
  size: ScreenSize;
  /** What its numbers are measured from. */
  datum: Point;
  chosen: readonly Station[];
  onMove: (moved: ReadonlyArray<{ id: string } & Point>) => void;
}

/** The strokes of a rule: each number, and four strokes between them. */
function strokesOf(
  axis: 'xMm' | 'yMm',
  { view, size, datum }: RuleProps,
): Array<{ mm: number; px: number; long: boolean }> {
  const step = numberStep(view.scale);
  const [zeroPx, lengthPx] = axis === 'xMm' ? [pxX(view, datum.xMm), size.width] : [pxY(view, datum.yMm), size.height];
  const small = step / 5;
  const first = Math.ceil(-zeroPx / view.scale / small);
  const last = Math.floor((lengthPx - zeroPx) / view.scale / small);
  return Array.from({ length: Math.max(0, last - first + 1) }, (_, index) => {
    const mm = Math.round((first + index) * small * 100) / 100;
    return { mm, px: zeroPx + mm * view.scale, long: (first + index) % 5 === 0 };
  });
}

/** The place of the chosen along one axis, to be typed where it stands on the rule; empty where they differ. */
function PlaceField({ axis, label, ...props }: RuleProps & { axis: 'xMm' | 'yMm'; label: string }) {
  const { chosen, datum, onMove } = props;
  const values = new Set(chosen.map((station) => station[axis]));
  const shown = (mm: number) => String(Math.round((mm - datum[axis]) * 100) / 100);
  return (
    <CommitField
      label={label}
      hideLabel
      title={label}
      className="figures text-right"
      value={values.size === 1 ? shown([...values][0] ?? 0) : ''}
      placeholder={say('differ')}
      onCommit={(typed) => {
        const mm = typedMm(typed);
        if (!Number.isFinite(mm) || Math.abs(mm) > FAR_MM) return say('mm, or 4 3/4 in');
        return void onMove(chosen.map(({ id, xMm, yMm }) => ({ id, xMm, yMm, [axis]: datum[axis] + mm })));
      }}
    />
  );
}

const between = (value: number, least: number, most: number): number => Math.min(Math.max(value, least), most);

/** The rule above the drawing. */
export function RuleAcross(props: RuleProps) {
  const { view, size, chosen } = props;
  const [first] = chosen;
  return (
    <div className="relative bg-floor" style={{ height: RULE_PX.across }}>
      <svg width="100%" height={RULE_PX.across} aria-hidden="true" className="block overflow-hidden">
        {strokesOf('xMm', props).map(({ mm, px, long }) => (
          <g key={mm} transform={`translate(${px} 0)`}>
            <line
              y1={RULE_PX.across - (long ? 18 : 9)}
              y2={RULE_PX.across}
              stroke="var(--ink)"
              strokeWidth={mm === 0 ? 3 : 1}
            />
            {long && (
              <text y={20} textAnchor="middle" fontSize={13} className="figures" style={{ fill: 'var(--ink-2)' }}>
                {mm}
              </text>
            )}
          </g>
        ))}
        {chosen.map(({ id, xMm }) => (
          <path key={id} d={`M${pxX(view, xMm)} ${RULE_PX.across}l-6 -11h12z`} fill="var(--medium)" />
        ))}
      </svg>
      {first && (
        <div
          className="absolute top-0.5 z-10 bg-sheet"
          style={{
            left: between(pxX(view, first.xMm) - FIELD_PX.width / 2, 0, size.width - FIELD_PX.width),
            width: FIELD_PX.width,
          }}
        >
          <PlaceField {...props} axis="xMm" label={say('Across, mm or in')} />
        </div>
      )}
    </div>
  );
}

/** The rule beside it. */
export function RuleDown(props: RuleProps) {
  const { view, size, chosen } = props;
  const [first] = chosen;
  return (
    <div className="relative h-full bg-floor" style={{ width: RULE_PX.down }}>
      <svg width={RULE_PX.down} height="100%" aria-hidden="true" className="block overflow-hidden">
        {strokesOf('yMm', props).map(({ mm, px, long }) => (
          <g key={mm} transform={`translate(0 ${px})`}>
            <line
              x1={RULE_PX.down - (long ? 18 : 9)}
              x2={RULE_PX.down}
              stroke="var(--ink)"
              strokeWidth={mm === 0 ? 3 : 1}
            />
            {long && (
              <text
                x={RULE_PX.down - 24}
                textAnchor="end"
                dominantBaseline="central"
                fontSize={13}
                className="figures"
                style={{ fill: 'var(--ink-2)' }}
              >
                {mm}
              </text>
            )}
          </g>
        ))}
        {chosen.map(({ id, yMm }) => (
          <path key={id} d={`M${RULE_PX.down} ${pxY(view, yMm)}l-11 -6v12z`} fill="var(--medium)" />
        ))}
      </svg>
      {first && (
        <div
          className="absolute left-0 z-10 bg-sheet"
          style={{
            top: between(pxY(view, first.yMm) - FIELD_PX.height / 2, 0, size.height - FIELD_PX.height),
            width: FIELD_PX.width,
          }}
        >
          <PlaceField {...props} axis="yMm" label={say('Down, mm or in')} />
        </div>
      )}
    </div>
  );
}
