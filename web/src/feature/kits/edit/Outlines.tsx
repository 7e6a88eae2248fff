import type { JointGroup, MapShape } from '#core/kit/kit-document.ts';
import { Button } from '../../../ui/Button.tsx';
import { CommitField, typedNumber } from '../../../ui/CommitField.tsx';
import { put, useEditor } from './editor-store.ts';
import { LOOK } from './look.ts';
import { typedMm } from './typed-mm.ts';

/** Outlines of parts and vehicle behind the stations. */
export function Outlines({ group }: { group: JointGroup }) {
  const change = useEditor((state) => state.change);
  const edit = (recipe: (shapes: MapShape[]) => void) =>
    change((draft) => {
      const map = draft.groups.find((entry) => entry.id === group.id)?.map;
      if (map) recipe(map.shapes);
    });
  const { widthMm, heightMm } = group.map;
  const add: Record<string, MapShape> = {
    rect: { kind: 'rect', xMm: 20, yMm: 20, widthMm: widthMm - 40, heightMm: heightMm - 40, tone: 'part' },
    circle: {
      kind: 'circle',
      xMm: widthMm / 2,
      yMm: heightMm / 2,
      radiusMm: Math.min(widthMm, heightMm) / 4,
      tone: 'part',
    },
    polygon: {
      kind: 'polygon',
      points: [
        [20, heightMm - 20],
        [widthMm / 2, 20],
        [widthMm - 20, heightMm - 20],
      ],
      tone: 'part',
    },
  };
  const figure = (shape: MapShape, index: number, field: string, label: string) => (
    <div key={field} className="w-20">
      <CommitField
        label={label}
        className="figures text-right"
        value={String((shape as unknown as Record<string, number>)[field])}
        onCommit={(typed) => {
          const mm = typedMm(typed);
          if (!Number.isFinite(mm) || (/width|height|radius/.test(field) && !(mm > 0))) return 'mm';
          return void edit((shapes) => Object.assign(shapes[index] as object, { [field]: mm }));
        }}
      />
    </div>
  );
  return (
    <section>
      <h2 className="plate text-xl">Outlines</h2>
      <ul>
        {group.map.shapes.map((shape, index) => (
          // biome-ignore lint/suspicious/noArrayIndexKey: outlines have no name of their own
          <li key={index} className="border-b border-hair py-2">
            <div className="flex flex-wrap items-end gap-2">
              {shape.kind === 'rect' && [
                figure(shape, index, 'xMm', 'Across'),
                figure(shape, index, 'yMm', 'Down'),
                figure(shape, index, 'widthMm', 'Wide'),
                figure(shape, index, 'heightMm', 'High'),
              ]}
              {shape.kind === 'circle' && [
                figure(shape, index, 'xMm', 'Across'),
                figure(shape, index, 'yMm', 'Down'),
                figure(shape, index, 'radiusMm', 'Radius'),
              ]}
              {shape.kind === 'polygon' && (
                <div className="w-full">
                  <CommitField
                    label="Corners, mm: across,down; …"
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
                        return 'Three corners or more: 0,0; 100,0; 50,80';
                      return void edit((shapes) => Object.assign(shapes[index] as object, { points }));
                    }}
                  />
                </div>
              )}
              <CommitField
                label="Label"
                className="w-32"
                value={shape.label ?? ''}
                onCommit={(typed) =>
                  void edit((shapes) =>
                    typed.trim()
                      ? put(shapes[index] as MapShape, 'label', typed.trim())
                      : delete (shapes[index] as MapShape).label,
                  )
                }
              />
              <select
                aria-label="What it is of"
                className={LOOK}
                value={shape.tone}
                onChange={(event) =>
                  edit((shapes) => put(shapes[index] as MapShape, 'tone', event.target.value as 'part'))
                }
              >
                <option value="part">the part</option>
                <option value="vehicle">the vehicle</option>
              </select>
              <button
                type="button"
                aria-label="Take this outline away"
                className="size-11 text-xl text-ink-2"
                onClick={() => edit((shapes) => shapes.splice(index, 1))}
              >
                ×
              </button>
            </div>
          </li>
        ))}
      </ul>
      <div className="mt-2 flex flex-wrap gap-2">
        {(['rect', 'circle', 'polygon'] as const).map((kind) => (
          <Button
            key={kind}
            className="min-h-11!"
            onClick={() => edit((shapes) => shapes.push(structuredClone(add[kind] as MapShape)))}
          >
            {{ rect: 'Rectangle', circle: 'Circle', polygon: 'Corners' }[kind]}
          </Button>
        ))}
      </div>
    </section>
  );
}
