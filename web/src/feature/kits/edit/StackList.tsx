import { say } from '#contract/wording/say.ts';
import type { ClampedMaterial, Item, StackPiece, Station } from '#core/kit/kit-document.ts';
import { CommitField, typedNumber } from '../../../ui/CommitField.tsx';
import { tell } from '../../../ui/tell.ts';
import { put } from './editor-store.ts';
import { LOOK } from './look.ts';
import { SortableList } from './SortableList.tsx';

const MATERIALS: readonly ClampedMaterial[] = ['steel', 'castIron', 'aluminium', 'magnesium', 'plastic', 'rubber'];

export function Stack({
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
        label={say('Stack')}
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
                      <span className="text-bad">{tell('{item}, not on the packing list', { item: piece.item })}</span>
                    )}
                  </span>
                  <CommitField
                    label={say('Faces')}
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
                      label={say('Part')}
                      value={piece.name}
                      onCommit={(typed) =>
                        typed.trim()
                          ? void pieceEdit(index, (p) => p.kind === 'clamped' && put(p, 'name', typed.trim()))
                          : say('Give it a name.')
                      }
                    />
                  </div>
                  <Millimetres
                    label={say('Thick, mm')}
                    most={1000}
                    value={piece.thicknessMm}
                    onValue={(mm) =>
                      pieceEdit(index, (p) => p.kind === 'clamped' && mm !== undefined && put(p, 'thicknessMm', mm))
                    }
                    required
                  />
                  <Millimetres
                    label={say('Hole, mm')}
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
                    {say('Of')}
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
                      <option value="">{say('not said')}</option>
                      {MATERIALS.map((material) => (
                        <option key={material} value={material}>
                          {material === 'castIron' ? say('cast iron') : material}
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
                      {say('slot')}
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
                      {say('tapped')}
                    </label>
                  </div>
                  {piece.tapped && (
                    <>
                      <Millimetres
                        label={say('Thread deep')}
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
                        {say('blind')}
                      </label>
                    </>
                  )}
                </>
              )}
              <button
                type="button"
                aria-label={say('Take this piece away')}
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
          aria-label={say('Add a piece of the packing list')}
          className={LOOK}
          value=""
          onChange={(event) =>
            event.target.value && edit((s) => s.stack.push({ kind: 'hardware', item: event.target.value }))
          }
        >
          <option value="">{say('Add from the packing list')}</option>
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
          {say('Add a clamped part')}
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
          if (!(mm > 0 && mm <= most)) return say('Up to {most} mm.', { most });
          return onValue(Math.round(mm * 1000) / 1000) as undefined;
        }}
      />
    </div>
  );
}
