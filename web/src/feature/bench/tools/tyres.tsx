import { must, refuse } from '#contract/calc/joint-input.ts';
import { say } from '#contract/wording/say.ts';
import { tyresFor } from '#core/bench/tyres.ts';
import { written } from '#core/quantity/display.ts';
import { readTyreSize } from '#core/vehicle/tyre-size.ts';
import type { BenchReader } from '../bench-reader.ts';
import type { BenchTool } from '../bench-tool.ts';
import { TyrePair } from '../drawing/TyrePair.tsx';
import { inLine } from '../show-figure.ts';

function readTyre(read: BenchReader, key: string) {
  const size = readTyreSize(read.text(key));
  return size ?? refuse(key, say('is no tyre size: such as 265/65 R17 or 33x12.50R15'));
}

/** What other wheels and tyres do. */
export const TYRES: BenchTool = {
  id: 'tyres',
  title: say('Wheels and tyres'),
  says: say('Dial, gearing, height, scrub and room with another tyre, offset or spacer.'),
  example: 'tyre size speedometer',
  words: ['tyre', 'tire', 'tyre size', 'speedometer', 'dial', 'offset', 'inset', 'gearing', 'axle ratio', 'rubbing'],
  wide: true,
  takes: [],
  fields: [
    { key: 'old', label: say('Tyre before'), initial: '265/65 R17', kind: 'text' },
    { key: 'new', label: say('Tyre after'), initial: '285/70 R17', kind: 'text' },
    { key: 'oldOffset', label: say('Offset before'), initial: '30', kind: 'number', unit: 'mm' },
    { key: 'newOffset', label: say('Offset after'), initial: '20', kind: 'number', unit: 'mm' },
    { key: 'spacer', label: say('Spacer'), initial: '0', kind: 'number', unit: 'mm' },
    { key: 'speed', label: say('The dial says'), initial: '100', kind: 'number', unit: 'km/h' },
    { key: 'ratio', label: say('Axle ratio'), initial: '3.9', kind: 'number' },
    { key: 'kpi', label: say('Kingpin inclination'), initial: '12', kind: 'number', unit: '°', assumption: true },
    {
      key: 'bump',
      label: say('Room over it in bump'),
      initial: '60',
      kind: 'number',
      unit: 'mm',
      hint: say('with the old tyre'),
    },
    {
      key: 'lock',
      label: say('Room at full lock'),
      initial: '45',
      kind: 'number',
      unit: 'mm',
      hint: say('with the old tyre'),
    },
    {
      key: 'inner',
      label: say('Room inside'),
      initial: '25',
      kind: 'number',
      unit: 'mm',
      hint: say('with the old tyre'),
    },
  ],
  answer(read) {
    const { show } = read;
    const [old, now] = [readTyre(read, 'old'), readTyre(read, 'new')];
    const a = must(
      tyresFor({
        before: {
          offsetMm: read.number('oldOffset', -150, 150),
          tyreWidthMm: old.sectionMm,
          tyreDiameterMm: old.diameterMm,
        },
        after: {
          offsetMm: read.number('newOffset', -150, 150),
          tyreWidthMm: now.sectionMm,
          tyreDiameterMm: now.diameterMm,
          spacerMm: read.number('spacer', 0, 150),
        },
        kpiDeg: read.number('kpi', -10, 30),
        indicatedKmh: read.number('speed', 1, 400),
        axleRatio: read.number('ratio', 1, 12),
        room: {
          bumpMm: read.number('bump', -50, 500),
          lockMm: read.number('lock', -50, 500),
          innerMm: read.number('inner', -50, 500),
        },
      }),
    );
    const { dial, change, room } = a;
    return {
      main: {
        label: say('True speed at that reading'),
        shown: {
          number: dial.trueKmh.toFixed(1),
          unit: 'km/h',
          other: say('{trueKmh} mph', { trueKmh: written(dial.trueKmh / 1.609344, 1) }),
        },
      },
      figures: [
        { label: say('Dial off by'), shown: { number: (dial.errorShare * 100).toFixed(1), unit: '%' } },
        { label: say('Stands higher by'), shown: show.length(change.radiusMm) },
        { label: say('Feels geared like'), shown: show.plain(dial.effectiveRatio, ': 1') },
        { label: say('Gearing that brings it back'), shown: show.plain(dial.restoringRatio, ': 1') },
        { label: say('Wheel goes outwards'), shown: show.length(change.outMm) },
        { label: say('Scrub radius grows'), shown: show.length(change.scrubMm) },
        { label: say('Room in bump'), shown: show.length(room?.bumpMm ?? 0) },
        { label: say('Room at full lock'), shown: show.length(room?.lockMm ?? 0) },
        { label: say('Room inside'), shown: show.length(room?.innerMm ?? 0) },
      ],
      remarks: a.remarks,
      drawing: (
        <TyrePair
          oldDiameterMm={old.diameterMm}
          newDiameterMm={now.diameterMm}
          names={[read.text('old'), read.text('new')]}
          label={say('The tyre before and the tyre after, on one ground')}
        />
      ),
      summary: say('{text} to {text2}: {text3} on the dial is {trueKmh} km/h, {inLine} higher, {inLine2} further out', {
        text: read.text('old'),
        text2: read.text('new'),
        text3: read.text('speed'),
        trueKmh: written(dial.trueKmh, 1),
        inLine: inLine(show.length(change.radiusMm)),
        inLine2: inLine(show.length(change.outMm)),
      }),
    };
  },
  sources: [
    { what: say('Diameter = rim + 2 · section · aspect'), where: 'ETRTO Standards Manual, design overall diameter' },
    { what: say('Speeds, gearing: in the ratio of the diameters'), where: say('geometry') },
    {
      what: say('Room: radius in bump, radius and shift at the arch, half width inside'),
      where: say('chosen by us, first order'),
    },
  ],
};
