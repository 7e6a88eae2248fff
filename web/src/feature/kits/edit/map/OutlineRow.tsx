import { say } from '#contract/wording/say.ts';
import type { JointGroup, MapShape } from '#core/kit/kit-document.ts';
import { Button } from '../../../../ui/Button.tsx';
import { CommitField, typedNumber } from '../../../../ui/CommitField.tsx';
import { tell } from '../../../../ui/tell.ts';
import { put, useEditor } from '../editor-store.ts';
import { LOOK } from '../look.ts';
import { typedMm } from '../typed-mm.ts';
import { outlineName } from './outline-shape.ts';

/** What each kind of outline is measured by. */
const FIGURES: Record<'rect' | 'circle', ReadonlyArray<readonly [string, string]>> = {
  rect: [
    ['xMm', say('Across')],
    ['yMm', say('Down')],
    ['widthMm', say('Wide')],
    ['heightMm', say('High')],
  ],
  circle: [
    ['xMm', say('Across')],
    ['yMm', say('Down')],
    ['radiusMm', say('Radius')],
  ],
};

/** A new outline, large enough to be taken by its handles. */
function freshOutline(kind: MapShape['kind'], { widthMm, heightMm }: JointGroup['map'], about: boolean): MapShape {
  const [left, top] = about ? [-widthMm / 2, -heightMm / 2] : [0, 0];
  const tone = 'part' as const;
  if (kind === 'rect')
    return { kind, xMm: left + 20, yMm: top + 20, widthMm: widthMm - 40, heightMm: heightMm - 40, tone };
  if (kind === 'circle')
    return {
      kind,
      xMm: left + widthMm / 2,
      yMm: top + heightMm / 2,
      radiusMm: Math.round(Math.min(widthMm, heightMm) / 4),
      tone,
    };
  return {
    kind,
    points: [
      [left + 20, top + heightMm - 20],
      [left + widthMm / 2, top + 20],
      [left + widthMm - 20, top + heightMm - 20],
    ],
    tone,
  };
}

/** The outlines of part and vehicle behind the stations: the one in hand by its figures, and new ones. */
export function OutlineRow({
  group,
  about,
  chosen,
  onChoose,
}: {
  group: JointGroup;
  /** The map is drawn about its middle. */
  about: boolean;
  chosen: number | undefined;
  onChoose: (index: number | undefined) => void;
}) {
  const change = useEditor((state) => state.change);
  const { shapes } = group.map;
  const edit = (recipe: (shapes: MapShape[]) => void) =>
    change((draft) => {
      const map = draft.groups.find((entry) => entry.id === group.id)?.map;
      if (map) recipe(map.shapes);
    });
  const shape = chosen === undefined ? undefined : shapes[chosen];
  return (
    <div className="flex flex-wrap items-end gap-2">
      {shapes.length > 0 && (
        <label className="grid text-sm text-ink-2">
          {say('Outline')}
          <select
            className={LOOK}
            value={chosen ?? ''}
            onChange={(event) => onChoose(event.target.value === '' ? undefined : Number(event.target.value))}
          >
            <option value="">{say('none in hand')}</option>
            {shapes.map((one, index) => (
              // biome-ignore lint/suspicious/noArrayIndexKey: outlines have no name of their own
              <option key={index} value={index}>
                {outlineName(one, index)}
              </option>
            ))}
          </select>
        </label>
      )}
      {shape && chosen !== undefined && (
        <>
          {shape.kind !== 'polygon' &&
            FIGURES[shape.kind].map(([field, label]) => (
              <div key={field} className="w-20">
                <CommitField
                  label={label}
                  className="figures text-right"
                  value={String((shape as unknown as Record<string, number>)[field])}
                  onCommit={(typed) => {
                    const mm = typedMm(typed);
                    if (!Number.isFinite(mm) || (/width|height|radius/.test(field) && !(mm > 0))) return 'mm';
                    return void edit((all) => Object.assign(all[chosen] as object, { [field]: mm }));
                  }}
                />
              </div>
            ))}
          {shape.kind === 'polygon' && (
            <div className="w-72">
              <CommitField
                label={say('Corners, mm: across,down; …')}
                className="figures"
                value={shape.points.map((point) => point.join(',')).join('; ')}
                onCommit={(typed) => {
                  const points = typed
                    .split(';')
                    .map((pair) => pair.split(',').map((part) => typedNumber(part)) as [number, number]);
                  if (
                    points.length < 3 ||
                    points.some((pair) => pair.length !== 2 || pair.some((value) => !Number.isFinite(value)))
                  )
                    return say('Three corners or more: 0,0; 100,0; 50,80');
                  return void edit((all) => Object.assign(all[chosen] as object, { points }));
                }}
              />
            </div>
          )}
          <div className="w-36">
            <CommitField
              label={say('Label')}
              value={shape.label ?? ''}
              onCommit={(typed) =>
                void edit((all) =>
                  typed.trim()
                    ? put(all[chosen] as MapShape, 'label', typed.trim())
                    : delete (all[chosen] as MapShape).label,
                )
              }
            />
          </div>
          <label className="grid text-sm text-ink-2">
            {say('It is')}
            <select
              className={LOOK}
              value={shape.tone}
              onChange={(event) => edit((all) => put(all[chosen] as MapShape, 'tone', event.target.value as 'part'))}
            >
              <option value="part">{say('the part')}</option>
              <option value="vehicle">{say('the vehicle')}</option>
            </select>
          </label>
          <Button
            className="min-h-11!"
            onClick={() => {
              edit((all) => all.splice(chosen, 1));
              onChoose(undefined);
            }}
          >
            {say('Take it away')}
          </Button>
        </>
      )}
      <span className="ml-auto flex flex-wrap items-end gap-2">
        {(['rect', 'circle', 'polygon'] as const).map((kind) => (
          <Button
            key={kind}
            className="min-h-11!"
            onClick={() => {
              edit((all) => all.push(freshOutline(kind, group.map, about)));
              onChoose(shapes.length);
            }}
          >
            {tell('Add {value}', {
              value: { rect: say('a rectangle'), circle: say('a circle'), polygon: 'corners' }[kind],
            })}
          </Button>
        ))}
      </span>
    </div>
  );
}
