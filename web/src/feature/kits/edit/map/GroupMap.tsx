import { useMemo, useState } from 'react';
import { numberOf } from '#contract/wording/number-of.ts';
import { say } from '#contract/wording/say.ts';
import type { JointGroup, KitDocument } from '#core/kit/kit-document.ts';
import { mapBox, sheetOf } from '#core/kit/map-box.ts';
import type { Point } from '#core/tightening/load-imbalance.ts';
import { tell } from '../../../../ui/tell.ts';
import { useEditor } from '../editor-store.ts';
import { LOOK } from '../look.ts';
import { MapDrawing } from './MapDrawing.tsx';
import { ToolButton } from './MapTools.tsx';
import { addStations, mirrorStations, moveStations } from './map-stations.ts';
import { OutlineRow } from './OutlineRow.tsx';
import { PatternSentence } from './PatternSentence.tsx';
import { SheetRow } from './SheetRow.tsx';
import { RULE_PX, RuleAcross, RuleDown } from './SteelRules.tsx';
import { pxX } from './sheet-view.ts';
import { useMapFiles } from './use-map-files.ts';
import { useSheetView } from './use-sheet-view.ts';

/** What is at hand under the drawing. */
const TRAYS = [
  ['bolts', say('Bolts')],
  ['outlines', say('Outlines')],
  ['sheet', say('Sheet and drawings')],
] as const;
type Tray = (typeof TRAYS)[number][0];

/** One group's map, marked out: rules along two edges, places typed on them, patterns said, the other side mirrored. */
export function GroupMap({ kit, group, picker }: { kit: KitDocument; group: JointGroup; picker: React.ReactNode }) {
  const change = useEditor((state) => state.change);
  const [chosen, setChosen] = useState<ReadonlySet<string>>(new Set());
  const [outline, setOutline] = useState<number>();
  const [tray, setTray] = useState<Tray>('bolts');
  const [datumId, setDatumId] = useState('zero');
  const [scaling, setScaling] = useState<Point[]>();
  const stations = useMemo(
    () => group.stations.flatMap((id) => kit.stations.find((station) => station.id === id) ?? []),
    [group.stations, kit.stations],
  );
  // In the order in which they were chosen: the first is what the others are put in line with.
  const selected = [...chosen].flatMap((id) => stations.find((station) => station.id === id) ?? []);
  const box = useMemo(() => mapBox(group.map, stations), [group.map, stations]);
  const paper = useMemo(() => sheetOf(group.map, stations), [group.map, stations]);
  const middle = { xMm: paper.left + paper.widthMm / 2, yMm: paper.top + paper.heightMm / 2 };
  const sheet = useSheetView(box);
  const files = useMapFiles(group, stations, box, selected[0]);
  const from = stations.find(({ id }) => id === datumId);
  const datum: Point =
    datumId === 'centre' ? { xMm: middle.xMm, yMm: 0 } : from ? { xMm: from.xMm, yMm: from.yMm } : { xMm: 0, yMm: 0 };
  const moveTo = (moved: ReadonlyArray<{ id: string } & Point>) => change((draft) => moveStations(draft, moved));
  const rules = { view: sheet.view, size: sheet.size, datum, chosen: selected, onMove: moveTo };
  // What sits on the centre line, or on both sides of it, has no other side.
  const sides = new Set(selected.map(({ xMm }) => Math.sign(Math.round(xMm - middle.xMm))));
  const oneSide = sides.size === 1 && !sides.has(0);
  return (
    <div className="flex flex-1 flex-col lg:min-h-0">
      <div className="flex flex-wrap items-center gap-2 border-b border-rule px-4 py-1.5">
        {picker}
        <label className="ml-auto flex items-center gap-2">
          <span className="text-sm text-ink-2">{say('Measured from')}</span>
          <select className={`max-w-52 ${LOOK}`} value={datumId} onChange={(event) => setDatumId(event.target.value)}>
            <option value="zero">{say('the map’s zero')}</option>
            <option value="centre">{say('the centre line')}</option>
            {stations.map(({ id, label }) => (
              <option key={id} value={id}>
                {tell('station {label}', { label })}
              </option>
            ))}
          </select>
        </label>
        <ToolButton onClick={() => sheet.zoomBy(1.4)} label={say('Zoom in')}>
          +
        </ToolButton>
        <ToolButton onClick={() => sheet.zoomBy(1 / 1.4)} label={say('Zoom out')}>
          −
        </ToolButton>
        <ToolButton onClick={sheet.showAll} label={say('Show all')}>
          {say('All')}
        </ToolButton>
      </div>
      {files.message && (
        <p
          role="status"
          className="flex items-center justify-between gap-3 border-b border-rule bg-sheet px-4 py-1 text-sm font-bold"
        >
          {files.message}
          <button type="button" className="min-h-11 px-2 underline" onClick={files.seen}>
            {say('Close')}
          </button>
        </p>
      )}
      <div
        className="grid min-h-80 min-w-0 flex-1 lg:min-h-0"
        style={{ gridTemplate: `${RULE_PX.across}px minmax(0, 1fr) / ${RULE_PX.down}px minmax(0, 1fr)` }}
      >
        <span className="border-r-2 border-b-2 border-ink bg-floor text-center text-xs leading-[48px] text-ink-2">
          mm
        </span>
        <div className="border-b-2 border-ink">
          <RuleAcross {...rules} />
        </div>
        <div className="border-r-2 border-ink">
          <RuleDown {...rules} />
        </div>
        <div className="relative min-w-0 overflow-hidden">
          <MapDrawing
            group={group}
            sheet={sheet}
            box={box}
            centreXMm={middle.xMm}
            stations={stations}
            chosen={chosen}
            onChoose={(ids) => {
              setChosen(ids);
              if (ids.size > 0) setTray('bolts');
            }}
            outline={outline}
            onOutline={(index) => {
              setOutline(index);
              if (index !== undefined) setTray('outlines');
            }}
            onMove={moveTo}
            onShape={(index, shape) =>
              change((draft) => {
                const map = draft.groups.find(({ id }) => id === group.id)?.map;
                if (map?.shapes[index]) map.shapes[index] = shape;
              })
            }
            picture={files.picture}
            scaling={scaling}
            onScale={(point) => setScaling((points) => points && [...points, point])}
          />
          {oneSide && (
            <button
              type="button"
              className="absolute bottom-2 min-h-11 -translate-x-1/2 border-2 border-ink bg-sheet px-3 text-sm font-bold whitespace-nowrap"
              style={{ left: `clamp(6rem, ${pxX(sheet.view, middle.xMm)}px, calc(100% - 6rem))` }}
              onClick={() => change((draft) => mirrorStations(draft, group.id, selected, middle.xMm))}
            >
              {tell('{which} on the other side too', {
                which:
                  selected.length === 1
                    ? say('Station {label}', { label: selected[0]?.label })
                    : numberOf(selected.length, 'station'),
              })}
            </button>
          )}
        </div>
      </div>
      <section className="border-t-2 border-ink bg-sheet">
        <h2 className="sr-only">{say('Marking out')}</h2>
        <nav aria-label={say('What is marked out')} className="flex overflow-x-auto border-b border-rule bg-floor">
          {TRAYS.map(([name, text]) => (
            <button
              key={name}
              type="button"
              aria-pressed={tray === name}
              className={`plate min-h-11 px-4 text-lg whitespace-nowrap ${tray === name ? 'bg-sheet' : 'text-ink-2'}`}
              onClick={() => setTray(name)}
            >
              {text}
            </button>
          ))}
          <p className="ml-auto hidden self-center px-4 text-sm text-ink-2 xl:block">
            {selected.length > 0
              ? say('{count} chosen: arrows move 1 mm, with Shift 10.', { count: selected.length })
              : say('Drag over stations to choose them, Shift adds, Ctrl A takes all.')}
          </p>
        </nav>
        <div className="px-4 py-3 lg:min-h-20">
          {tray === 'bolts' && (
            <PatternSentence
              chosen={selected}
              middle={middle}
              onMove={moveTo}
              onAdd={(points) => change((draft) => addStations(draft, group.id, points, selected[0]))}
            />
          )}
          {tray === 'outlines' && (
            <OutlineRow group={group} about={paper.left < 0} chosen={outline} onChoose={setOutline} />
          )}
          {tray === 'sheet' && (
            <SheetRow kit={kit} group={group} files={files} scaling={scaling} onScaling={setScaling} />
          )}
        </div>
      </section>
    </div>
  );
}
