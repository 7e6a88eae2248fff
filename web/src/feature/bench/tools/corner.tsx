import { cornerFor } from '#core/bench/corner.ts';
import type { CornerChange } from '#core/geometry/corner-change.ts';
import type { HardPoints } from '#core/geometry/hard-points.ts';
import { toeMm } from '#core/geometry/toe-unit.ts';
import type { BenchReader } from '../bench-reader.ts';
import type { BenchTool } from '../bench-tool.ts';
import { CornerCurves } from '../drawing/CornerCurves.tsx';
import { CornerFront } from '../drawing/CornerFront.tsx';
import { EXAMPLE_POINTS, readPoints, stands } from './read-points.ts';

const CHANGES = [
  { value: 'none', label: 'Nothing: as designed' },
  { value: 'tieRodOuterUpMm', label: 'Tie rod end higher' },
  { value: 'upperArmShorterMm', label: 'Upper arm shorter' },
  { value: 'clampBoltMm', label: 'Clamp bolt outwards' },
  { value: 'tieRod', label: 'Tie rod longer' },
] as const;

function readChange(read: BenchReader, tieRodMm: number): CornerChange {
  const what = read.choice<(typeof CHANGES)[number]['value']>('change');
  if (what === 'none') return {};
  const by = read.number('by', -200, 200);
  return what === 'tieRod' ? { linkLengthsMm: { tieRod: tieRodMm + by } } : { [what]: by };
}

const sign = (value: number, digits = 2): string => `${value > 0 ? '+' : ''}${value.toFixed(digits)}`;

/** What a corner does over its travel, and what a kit changes about it. */
export const CORNER: BenchTool = {
  id: 'corner',
  title: 'Corner',
  says: 'Camber, toe, caster and scrub of a wheel over its travel, before and after a change.',
  example: 'bump steer',
  words: ['corner', 'camber curve', 'bump steer', 'bumpsteer', 'wishbone', 'strut', 'hard points', 'caster', 'scrub'],
  wide: true,
  takes: ['by'],
  fields: [
    {
      key: 'type',
      label: 'Hung by',
      initial: 'doubleWishbone',
      kind: 'choice',
      options: [
        { value: 'doubleWishbone', label: 'Two arms' },
        { value: 'strut', label: 'Strut and lower arm' },
      ],
    },
    { key: 'change', label: 'What is changed', initial: 'tieRodOuterUpMm', kind: 'choice', options: CHANGES },
    {
      key: 'by',
      label: 'By',
      initial: '12',
      kind: 'number',
      unit: 'mm',
      when: (values) => values.change !== 'none',
    },
    { key: 'rim', label: 'Toe across a rim of', initial: '430', kind: 'number', unit: 'mm' },
    { key: 'camber', label: 'Camber as designed', initial: '-0.5', kind: 'number', unit: '°' },
    { key: 'toe', label: 'Toe of one wheel', initial: '0.1', kind: 'number', unit: '°' },
    { key: 'radius', label: 'Tyre, loaded radius', initial: '340', kind: 'number', unit: 'mm' },
    {
      key: 'points',
      label: 'Hard points, left wheel',
      initial: '',
      kind: 'lines',
      assumption: true,
      hint: 'a line each: name x y z in mm; X forward, Y left, Z up. Empty: an invented corner',
    },
  ],
  answer(read) {
    const { show } = read;
    const type = read.choice<HardPoints['type']>('type');
    const written = read.text('points').trim();
    const hung = readPoints(type, written === '' ? EXAMPLE_POINTS[type] : written);
    const stance = {
      staticCamberDeg: read.number('camber', -15, 15),
      staticToeDeg: read.number('toe', -10, 10),
      tyreLoadedRadiusMm: read.number('radius', 150, 900),
    };
    const { tieRodInner: i, tieRodOuter: o } = hung.points;
    const change = readChange(read, Math.hypot(i[0] - o[0], i[1] - o[1], i[2] - o[2]));
    const fieldOf = (field: string) =>
      field.startsWith('points') ? 'points' : field.startsWith('static') || field.startsWith('tyre') ? field : 'by';
    const { before, after, steersBefore, steersAfter, poses, remarks } = stands(
      cornerFor(hung, stance, change),
      fieldOf,
    );
    const rimMm = read.number('rim', 200, 1000);
    const moved = (name: string, was: number, is: number, unit: string, digits = 2) => ({
      label: name,
      shown: { number: sign(is, digits), unit, other: `was ${sign(was, digits)}` },
    });
    return {
      main: {
        label: 'Steers by itself in 10 mm of bump, one wheel',
        shown: {
          number: sign(steersAfter.per10MmDeg, 3),
          unit: '°',
          other: `${sign(toeMm(steersAfter.per10MmDeg, rimMm))} mm across the rim, was ${sign(steersBefore.per10MmDeg, 3)}°`,
        },
      },
      figures: [
        moved('Camber', before.camberDeg, after.camberDeg, '°'),
        moved('Toe of one wheel', before.toeDeg, after.toeDeg, '°'),
        moved('Caster', before.casterDeg, after.casterDeg, '°'),
        moved('Kingpin inclination', before.kpiDeg, after.kpiDeg, '°'),
        moved('Scrub radius', before.scrubRadiusMm, after.scrubRadiusMm, 'mm', 1),
        moved('Mechanical trail', before.mechanicalTrailMm, after.mechanicalTrailMm, 'mm', 1),
        {
          label: 'Contact outwards',
          shown: show.length(after.contactMm[1] - before.contactMm[1]),
        },
      ],
      remarks,
      drawing: (
        <CornerFront
          hung={hung}
          before={poses.before}
          after={poses.after}
          tyreLoadedRadiusMm={stance.tyreLoadedRadiusMm}
          label="A left front corner from the front, before and after"
        />
      ),
      chart: <CornerCurves hung={hung} stance={stance} change={change} />,
      summary: `Corner, ${CHANGES.find(({ value }) => value === read.text('change'))?.label}: camber ${sign(after.camberDeg)}° (was ${sign(before.camberDeg)}°), toe ${sign(after.toeDeg)}° (was ${sign(before.toeDeg)}°), ${sign(steersAfter.per10MmDeg, 3)}° in 10 mm of bump`,
    };
  },
  sources: [
    { what: 'Axes and angles', where: 'ISO 8855:2011' },
    { what: 'Joints in closed form, height by Newton’s method', where: 'geometry; held against a second solver' },
    { what: 'Felt from 0.03° in 10 mm', where: 'chosen by us' },
  ],
};
