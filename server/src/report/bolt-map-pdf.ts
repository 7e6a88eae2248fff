import { say } from '#contract/wording/say.ts';
import type { StationMark } from '#core/job/station-progress.ts';
import type { MapShape } from '#core/kit/kit-document.ts';
import { layOutMap } from '#core/kit/map-layout.ts';
import type { PlanGroup, PlanStation } from '#core/kit/plan.ts';
import { stationSpot } from '#core/vehicle/joint-spot.ts';
import { BAD, type Frame, INK, INK_2, PAINT, RULE } from './pdf-sheet.ts';

type Doc = PDFKit.PDFDocument;

const PART = '#ffffff';
const VEHICLE = '#e8ecee';

/** Corner points of a hexagon about the origin, flats to the sides. */
const hexagon = (acrossFlats: number): Array<[number, number]> =>
  Array.from({ length: 6 }, (_, i) => {
    const r = acrossFlats / Math.sqrt(3);
    return [r * Math.sin((Math.PI / 3) * i), -r * Math.cos((Math.PI / 3) * i)];
  });

/** A station as the screens draw it: told by its shape, so that a grey print says the same. */
function drawStation(doc: Doc, mark: StationMark, label: string): void {
  const tight = mark === 'atTorque' || mark === 'verified';
  if (tight) {
    doc.polygon(...hexagon(40)).fillAndStroke(INK, INK);
    doc.lineWidth(6).strokeColor(PAINT);
    for (const [x, y, x2, y2] of mark === 'verified'
      ? [
          [6, -11, 29, -30],
          [13, -4, 36, -23],
        ]
      : [[9, -13, 32, -32]])
      doc
        .moveTo(x as number, y as number)
        .lineTo(x2 as number, y2 as number)
        .stroke();
  } else if (mark === 'bad' || mark === 'reopened') {
    doc
      .lineWidth(3)
      .polygon(...hexagon(38))
      .fillAndStroke(PART, BAD);
    doc.moveTo(-19, -19).lineTo(19, 19).moveTo(19, -19).lineTo(-19, 19).stroke(BAD);
  } else if (mark === 'empty')
    doc.lineWidth(2).circle(0, 0, 20).dash(5, { space: 4 }).fillAndStroke(PART, INK_2).undash();
  else
    doc
      .lineWidth(2.5)
      .polygon(...hexagon(38))
      .fillAndStroke(PART, INK);
  doc.font('figures').fontSize(label.length > 2 ? 12 : 15);
  doc
    .fillColor(tight ? PART : INK)
    .text(label, -doc.widthOfString(label) / 2, -doc.currentLineHeight() / 2, { lineBreak: false });
}

function drawShape(doc: Doc, shape: MapShape, unit: number): void {
  const tone =
    shape.tone === 'part' ? { fill: PART, stroke: INK, width: 2 } : { fill: VEHICLE, stroke: RULE, width: 1.5 };
  doc.lineWidth(tone.width * unit);
  if (shape.kind === 'rect') doc.rect(shape.xMm, shape.yMm, shape.widthMm, shape.heightMm);
  else if (shape.kind === 'circle') doc.circle(shape.xMm, shape.yMm, shape.radiusMm);
  else doc.polygon(...shape.points.map(([x, y]): [number, number] => [x, y]));
  doc.fillAndStroke(tone.fill, tone.stroke);
}

/** Height a group's map takes in a given width, points; never more than `most`. */
export function boltMapHeight(group: PlanGroup, stations: readonly PlanStation[], width: number, most: number): number {
  const { box } = layOutMap(group.map.shapes, stations);
  return Math.min(most, (width * (box.bottom - box.top)) / (box.right - box.left));
}

/** Draws a joint group with every station in its state, as vectors, into a frame. */
export function drawBoltMap(
  doc: Doc,
  frame: Frame,
  group: PlanGroup,
  stations: readonly PlanStation[],
  marks: ReadonlyMap<string, StationMark>,
): void {
  const { box, drawn, unit, glyph } = layOutMap(group.map.shapes, stations);
  const [wide, high] = [box.right - box.left, box.bottom - box.top];
  const scale = Math.min(frame.width / wide, frame.height / high);
  doc.save();
  doc.translate(frame.left + (frame.width - wide * scale) / 2, frame.top + (frame.height - high * scale) / 2);
  doc.scale(scale).translate(-box.left, -box.top);
  for (const shape of group.map.shapes) drawShape(doc, shape, unit);
  drawn.forEach(({ xMm, yMm }, index) => {
    const real = stations[index] as PlanStation;
    if (Math.hypot(xMm - real.xMm, yMm - real.yMm) < glyph / 10) return;
    doc.circle(real.xMm, real.yMm, 3 * unit).fill(INK);
    doc
      .lineWidth(1.5 * unit)
      .moveTo(real.xMm, real.yMm)
      .lineTo(xMm, yMm)
      .stroke(INK);
  });
  for (const { id, label, xMm, yMm } of drawn) {
    doc.save();
    doc.translate(xMm, yMm).scale(unit);
    drawStation(doc, marks.get(id) ?? 'empty', label);
    doc.restore();
  }
  doc.restore();
}

/** Wheels of the drawn vehicle, along and across. */
const WHEELS = [0.2, 0.8].flatMap((along) => [-0.92, 0.92].map((across) => [along, across] as const));

/** A vehicle from above, nose to the left, with a dot where each joint is: filled where it is tight. */
export function drawVehicle(
  doc: Doc,
  { left, top, width, height }: Frame,
  groups: readonly PlanGroup[],
  stations: readonly PlanStation[],
  marks: ReadonlyMap<string, StationMark>,
): void {
  const along = (share: number) => left + share * width;
  // Left is the driver's left, looking forward: below in the drawing.
  const across = (share: number) => top + (height * (1 - share)) / 2;
  doc.save().lineWidth(1.2);
  doc.roundedRect(along(0.03), across(0.8), width * 0.94, (height * 1.6) / 2, 12).stroke(INK);
  doc.polygon(
    [along(0.3), across(0.62)],
    [along(0.36), across(0.52)],
    [along(0.36), across(-0.52)],
    [along(0.3), across(-0.62)],
  );
  doc.stroke(INK);
  doc.moveTo(along(0.66), across(0.56)).lineTo(along(0.66), across(-0.56)).stroke(INK);
  for (const [x, y] of WHEELS)
    doc.rect(along(x) - width * 0.06, across(y) - 5, width * 0.12, 10).fillAndStroke(VEHICLE, INK);
  const of = new Map(groups.map((group) => [group.id as string, group]));
  for (const station of stations) {
    const group = of.get(station.groupId);
    const spot = group && stationSpot(group, station);
    if (!spot) continue;
    const tight = ['atTorque', 'verified'].includes(marks.get(station.id) ?? 'empty');
    doc
      .lineWidth(1)
      .circle(along(spot.along), across(spot.across * 0.86), 3.2)
      .fillAndStroke(tight ? INK : PART, INK);
  }
  doc.font('figures').fontSize(7).fillColor(INK_2);
  doc.text(say('NOSE'), left - 4, top + height / 2 - 4, { lineBreak: false });
  doc.text(say('RIGHT'), along(0.5) - 10, top - 3, { lineBreak: false });
  doc.text(say('LEFT'), along(0.5) - 8, top + height - 5, { lineBreak: false });
  doc.restore();
}
