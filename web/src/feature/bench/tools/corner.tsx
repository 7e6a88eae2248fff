import { say } from '#contract/wording/say.ts';
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
  { value: 'none', label: say('Nothing: as designed') },
  { value: 'tieRodOuterUpMm', label: say('Tie rod end higher') },
  { value: 'upperArmShorterMm', label: say('Upper arm shorter') },
  { value: 'clampBoltMm', label: say('Clamp bolt outwards') },
  { value: 'tieRod', label: say('Tie rod longer') },
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
  title: say('Corner'),
  says: say('Camber, toe, caster and scrub of a wheel over its travel, before and after a change.'),
  example: 'bump steer',
  words: ['corner', 'camber curve', 'bump steer', 'bumpsteer', 'wishbone', 'strut', 'hard points', 'caster', 'scrub'],
  wide: true,
  takes: ['by'],
  fields: [
    {
      key: 'type',
      label: say('Hung by'),
      initial: 'doubleWishbone',
      kind: 'choice',
      options: [
        { value: 'doubleWishbone', label: say('Two arms') },
        { value: 'strut', label: say('Strut and lower arm') },
      ],
    },
    { key: 'change', label: say('What is changed'), initial: 'tieRodOuterUpMm', kind: 'choice', options: CHANGES },
    {
      key: 'by',
      label: say('By'),
      initial: '12',
      kind: 'number',
      unit: 'mm',
      when: (values) => values.change !== 'none',
    },
    { key: 'rim', label: say('Toe across a rim of'), initial: '430', kind: 'number', unit: 'mm' },
    { key: 'camber', label: say('Camber as designed'), initial: '-0.5', kind: 'number', unit: '°' },
    { key: 'toe', label: say('Toe of one wheel'), initial: '0.1', kind: 'number', unit: '°' },
    { key: 'radius', label: say('Tyre, loaded radius'), initial: '340', kind: 'number', unit: 'mm' },
    {
      key: 'points',
      label: say('Hard points, left wheel'),
      initial: '',
      kind: 'lines',
      assumption: true,
      hint: say('a line each: name x y z in mm; X forward, Y left, Z up. Empty: an invented corner'),
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
      shown: { number: sign(is, digits), unit, other: say('was {sign}', { sign: sign(was, digits) }) },
    });
    return {
      main: {
        label: say('Steers by itself in 10 mm of bump, one wheel'),
        shown: {
          number: sign(steersAfter.per10MmDeg, 3),
          unit: '°',
          other: say('{sign} mm across the rim, was {sign2}°', {
            sign: sign(toeMm(steersAfter.per10MmDeg, rimMm)),
            sign2: sign(steersBefore.per10MmDeg, 3),
          }),
        },
      },
      figures: [
        moved(say('Camber'), before.camberDeg, after.camberDeg, '°'),
        moved(say('Toe of one wheel'), before.toeDeg, after.toeDeg, '°'),
        moved(say('Caster'), before.casterDeg, after.casterDeg, '°'),
        moved(say('Kingpin inclination'), before.kpiDeg, after.kpiDeg, '°'),
        moved(say('Scrub radius'), before.scrubRadiusMm, after.scrubRadiusMm, 'mm', 1),
        moved(say('Mechanical trail'), before.mechanicalTrailMm, after.mechanicalTrailMm, 'mm', 1),
        {
          label: say('Contact outwards'),
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
          label={say('A left front corner from the front, before and after')}
        />
      ),
      chart: <CornerCurves hung={hung} stance={stance} change={change} />,
      summary: say(
        'Corner, {label}: camber {sign}° (was {sign2}°), toe {sign3}° (was {sign4}°), {sign5}° in 10 mm of bump',
        {
          label: CHANGES.find(({ value }) => value === read.text('change'))?.label,
          sign: sign(after.camberDeg),
          sign2: sign(before.camberDeg),
          sign3: sign(after.toeDeg),
          sign4: sign(before.toeDeg),
          sign5: sign(steersAfter.per10MmDeg, 3),
        },
      ),
    };
  },
  sources: [
    { what: say('Axes and angles'), where: 'ISO 8855:2011' },
    {
      what: say('Joints in closed form, height by Newton’s method'),
      where: say('geometry; held against a second solver'),
    },
    { what: say('Felt from 0.03° in 10 mm'), where: say('chosen by us') },
  ],
};
