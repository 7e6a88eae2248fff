import { must } from '#contract/calc/joint-input.ts';
import { propShaftFor } from '#core/bench/axle.ts';
import type { BenchTool } from '../bench-tool.ts';
import { ShaftSide } from '../drawing/ShaftSide.tsx';
import { inLine } from '../show-figure.ts';

/** Angles of a prop shaft before and after a lift. */
export const PROP_SHAFT: BenchTool = {
  id: 'prop-shaft',
  title: 'Prop shaft',
  says: 'Joint angles, slip and even running of a two-joint shaft before and after a lift.',
  example: 'prop shaft lift 50 mm',
  words: ['prop shaft', 'propshaft', 'drive shaft', 'pinion angle', 'joint angle', 'slip', 'vibration'],
  wide: true,
  takes: ['lift', 'along'],
  fields: [
    { key: 'along', label: 'Between the joints, along', initial: '1200', kind: 'number', unit: 'mm' },
    { key: 'height', label: 'Output above the pinion', initial: '110', kind: 'number', unit: 'mm' },
    { key: 'lift', label: 'The body rises', initial: '50', kind: 'number', unit: 'mm' },
    { key: 'output', label: 'Output falls to the rear', initial: '4', kind: 'number', unit: '°' },
    { key: 'pinion', label: 'Pinion rises to the front', initial: '4', kind: 'number', unit: '°' },
  ],
  answer(read) {
    const { show } = read;
    const shaft = {
      horizontalMm: read.number('along', 100, 4000),
      heightDifferenceMm: read.number('height', -1000, 1000),
      liftMm: read.number('lift', -400, 600),
      outputDownDeg: read.number('output', -30, 30),
      pinionUpDeg: read.number('pinion', -30, 45),
    };
    const a = must(propShaftFor(shaft));
    const most = Math.max(a.after.outputJointDeg, a.after.pinionJointDeg);
    return {
      main: { label: 'Steepest joint after', shown: show.angle(most) },
      figures: [
        { label: 'At the output, before', shown: show.angle(a.before.outputJointDeg) },
        { label: 'At the output, after', shown: show.angle(a.after.outputJointDeg) },
        { label: 'At the pinion, before', shown: show.angle(a.before.pinionJointDeg) },
        { label: 'At the pinion, after', shown: show.angle(a.after.pinionJointDeg) },
        { label: 'Slip joint opens', shown: show.length(a.lengthChangeMm) },
        { label: 'Uneven running', shown: show.percent(a.after.unevenShare) },
      ],
      remarks: a.remarks,
      drawing: <ShaftSide change={a} {...shaft} label="Prop shaft from the side, before and after" />,
      summary: `Prop shaft, lift ${inLine(show.length(shaft.liftMm))}: joints ${a.after.outputJointDeg.toFixed(1)}° and ${a.after.pinionJointDeg.toFixed(1)}°, slip opens ${inLine(show.length(a.lengthChangeMm))}`,
    };
  },
  sources: [
    { what: 'Joint angles in the plane of both axes', where: 'geometry' },
    { what: 'Speed behind a joint between cos β and 1/cos β', where: 'SAE AE-7, from memory' },
    { what: 'Steep from 7°', where: 'common practice, no source; the shaft maker’s figure goes first' },
  ],
};
