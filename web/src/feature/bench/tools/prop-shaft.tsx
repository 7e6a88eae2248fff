import { must } from '#contract/calc/joint-input.ts';
import { say } from '#contract/wording/say.ts';
import { propShaftFor } from '#core/bench/axle.ts';
import { written } from '#core/quantity/display.ts';
import type { BenchTool } from '../bench-tool.ts';
import { ShaftSide } from '../drawing/ShaftSide.tsx';
import { inLine } from '../show-figure.ts';

/** Angles of a prop shaft before and after a lift. */
export const PROP_SHAFT: BenchTool = {
  id: 'prop-shaft',
  title: say('Prop shaft'),
  says: say('Joint angles, slip and even running of a two-joint shaft before and after a lift.'),
  example: 'prop shaft lift 50 mm',
  words: ['prop shaft', 'propshaft', 'drive shaft', 'pinion angle', 'joint angle', 'slip', 'vibration'],
  wide: true,
  takes: ['lift', 'along'],
  fields: [
    { key: 'along', label: say('Between the joints, along'), initial: '1200', kind: 'number', unit: 'mm' },
    { key: 'height', label: say('Output above the pinion'), initial: '110', kind: 'number', unit: 'mm' },
    { key: 'lift', label: say('The body rises'), initial: '50', kind: 'number', unit: 'mm' },
    { key: 'output', label: say('Output falls to the rear'), initial: '4', kind: 'number', unit: '°' },
    { key: 'pinion', label: say('Pinion rises to the front'), initial: '4', kind: 'number', unit: '°' },
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
      main: { label: say('Steepest joint after'), shown: show.angle(most) },
      figures: [
        { label: say('At the output, before'), shown: show.angle(a.before.outputJointDeg) },
        { label: say('At the output, after'), shown: show.angle(a.after.outputJointDeg) },
        { label: say('At the pinion, before'), shown: show.angle(a.before.pinionJointDeg) },
        { label: say('At the pinion, after'), shown: show.angle(a.after.pinionJointDeg) },
        { label: say('Slip joint opens'), shown: show.length(a.lengthChangeMm) },
        { label: say('Uneven running'), shown: show.percent(a.after.unevenShare) },
      ],
      remarks: a.remarks,
      drawing: <ShaftSide change={a} {...shaft} label={say('Prop shaft from the side, before and after')} />,
      summary: say('Prop shaft, lift {inLine}: joints {outputJointDeg}° and {pinionJointDeg}°, slip opens {inLine2}', {
        inLine: inLine(show.length(shaft.liftMm)),
        outputJointDeg: written(a.after.outputJointDeg, 1),
        pinionJointDeg: written(a.after.pinionJointDeg, 1),
        inLine2: inLine(show.length(a.lengthChangeMm)),
      }),
    };
  },
  sources: [
    { what: say('Joint angles in the plane of both axes'), where: say('geometry') },
    { what: say('Speed behind a joint between cos β and 1/cos β'), where: 'SAE AE-7, from memory' },
    { what: say('Steep from 7°'), where: say('common practice, no source; the shaft maker’s figure goes first') },
  ],
};
