import { must } from '#contract/calc/joint-input.ts';
import { say } from '#contract/wording/say.ts';
import { trackBarFor } from '#core/bench/axle.ts';
import type { BenchTool } from '../bench-tool.ts';
import { AxleFromBehind } from '../drawing/AxleFromBehind.tsx';
import { inLine } from '../show-figure.ts';

/** What a lift does to an axle on its track bar. */
export const TRACK_BAR: BenchTool = {
  id: 'track-bar',
  title: say('Track bar'),
  says: say('How far a lift pulls a solid axle across, and the bar that brings it back.'),
  example: 'track bar lift 50 mm',
  words: ['track bar', 'panhard', 'axle shift', 'axle', 'lateral'],
  wide: true,
  takes: ['lift', 'bar'],
  fields: [
    { key: 'bar', label: say('Bar, eye to eye'), initial: '900', kind: 'number', unit: 'mm' },
    {
      key: 'height',
      label: say('Frame end above axle end'),
      initial: '80',
      kind: 'number',
      unit: 'mm',
      hint: say('standing, before the lift'),
    },
    { key: 'lift', label: say('The body rises'), initial: '50', kind: 'number', unit: 'mm' },
  ],
  answer(read) {
    const { show } = read;
    const bar = {
      barLengthMm: read.number('bar', 100, 2500),
      heightDifferenceMm: read.number('height', -1000, 1000),
      liftMm: read.number('lift', -400, 600),
    };
    const a = must(trackBarFor(bar));
    return {
      main: { label: say('The axle goes to the frame end’s side'), shown: show.length(a.shiftMm) },
      figures: [
        { label: say('Bar from level, before'), shown: show.angle(a.beforeDeg) },
        { label: say('Bar from level, after'), shown: show.angle(a.afterDeg) },
        { label: say('Bar that re-centres'), shown: show.length(a.recentreLengthMm) },
        { label: say('Longer by'), shown: show.length(a.recentreByMm) },
      ],
      remarks: a.remarks,
      drawing: <AxleFromBehind {...bar} shiftMm={a.shiftMm} label={say('A solid axle from behind on its track bar')} />,
      summary: say('Track bar {inLine}, lift {inLine2}: axle {inLine3} to the frame end’s side, {inLine4} re-centres', {
        inLine: inLine(show.length(bar.barLengthMm)),
        inLine2: inLine(show.length(bar.liftMm)),
        inLine3: inLine(show.length(a.shiftMm)),
        inLine4: inLine(show.length(a.recentreLengthMm)),
      }),
    };
  },
  sources: [
    { what: say('√(L² − h²) before and after'), where: say('geometry') },
    { what: say('Steep from 12°'), where: say('common practice, no source') },
  ],
};
