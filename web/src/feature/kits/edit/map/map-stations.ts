import { say } from '#contract/wording/say.ts';
import { mirrorX } from '#core/geometry/layout.ts';
import type { KitDocument, Station } from '#core/kit/kit-document.ts';
import type { Point } from '#core/tightening/load-imbalance.ts';
import { freshId } from '../editor-store.ts';

/** What a place without a sample becomes: a joint whose figure is still to be found. */
const PLAIN: Pick<Station, 'stack' | 'specs' | 'drive'> = {
  stack: [{ kind: 'clamped', name: 'Part', thicknessMm: 5 }],
  specs: [{ spec: { kind: 'missing', why: 'notGiven' }, printed: say('not given') }],
  drive: { kind: 'hand' },
};

/** The label after the largest number in use. */
const nextLabel = (labels: readonly string[]): string =>
  String(Math.max(0, ...labels.map((label) => Number(/\d+/.exec(label)?.[0] ?? 0))) + 1);

const toHundredths = (mm: number): number => Math.round(mm * 100) / 100;

/** Puts stations where they were moved to, mm to a hundredth. Ids that are not there are left out. */
export function moveStations(draft: KitDocument, moved: ReadonlyArray<{ id: string } & Point>): void {
  for (const { id, xMm, yMm } of moved) {
    const station = draft.stations.find((entry) => entry.id === id);
    if (station) Object.assign(station, { xMm: toHundredths(xMm), yMm: toHundredths(yMm) });
  }
}

/** New stations at these places, each like the sample (or plain), continuing the labels. */
export function addStations(draft: KitDocument, groupId: string, points: readonly Point[], like?: Station): void {
  const home = draft.groups.find((entry) => entry.id === groupId);
  for (const { xMm, yMm } of points) {
    const id = freshId(draft.stations, `s${draft.stations.length + 1}`);
    const label = nextLabel(draft.stations.map((station) => station.label));
    const name = say('{title}, hole {label}', { title: home?.title ?? '', label });
    draft.stations.push({ ...structuredClone(like ?? PLAIN), id, label, name, xMm, yMm });
    home?.stations.push(id);
  }
}

/** Copies on the other side of an axis, the side and the word for it changed too. */
export function mirrorStations(
  draft: KitDocument,
  groupId: string,
  stations: readonly Station[],
  axisMm: number,
): void {
  const home = draft.groups.find((entry) => entry.id === groupId);
  for (const station of mirrorX(stations, axisMm)) {
    const id = freshId(draft.stations, `s${draft.stations.length + 1}`);
    const label = nextLabel(draft.stations.map((entry) => entry.label));
    draft.stations.push({
      ...structuredClone(station),
      id,
      label,
      name: station.name.replace(/\bleft\b/i, 'right'),
      ...(station.side ? { side: station.side === 'left' ? 'right' : 'left' } : {}),
    });
    home?.stations.push(id);
  }
}

/** Makes a group's sheet large enough for holes and a margin around them, mm. */
export function widenFor(draft: KitDocument, groupId: string, holes: readonly Point[], marginMm = 40): void {
  const map = draft.groups.find((entry) => entry.id === groupId)?.map;
  if (!map) return;
  map.widthMm = Math.max(map.widthMm, Math.ceil(Math.max(...holes.map((hole) => hole.xMm)) + marginMm));
  map.heightMm = Math.max(map.heightMm, Math.ceil(Math.max(...holes.map((hole) => hole.yMm)) + marginMm));
}
