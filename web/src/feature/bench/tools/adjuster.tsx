import { must } from '#contract/calc/joint-input.ts';
import { linkLength } from '#core/bench/adjuster.ts';
import type { BenchTool } from '../bench-tool.ts';
import { AdjusterBody } from '../drawing/AdjusterBody.tsx';
import { inLine } from '../show-figure.ts';

/** Turns that bring an adjustable link to length. */
export const ADJUSTER: BenchTool = {
  id: 'adjuster',
  title: 'Adjustable arm',
  says: 'Turns to a length, what stays in mesh at each end, the longest it may be made.',
  example: 'arm 380 to 386',
  words: ['adjuster', 'adjustable', 'arm', 'link', 'rod', 'turnbuckle', 'length', 'turns', 'jam nut', 'preset'],
  wide: true,
  takes: ['now', 'target'],
  fields: [
    { key: 'thread', label: 'Thread', initial: 'M14 x 1.5', kind: 'text' },
    { key: 'now', label: 'Length now', initial: '380', kind: 'number', unit: 'mm' },
    { key: 'target', label: 'Length wanted', initial: '386', kind: 'number', unit: 'mm' },
    {
      key: 'ends',
      label: 'Ends that move',
      initial: '2',
      kind: 'choice',
      options: [
        { value: '2', label: 'Both, one left-hand' },
        { value: '1', label: 'One' },
      ],
    },
    { key: 'first', label: 'In mesh, first end', initial: '22', kind: 'number', unit: 'mm' },
    { key: 'second', label: 'In mesh, second end', initial: '22', kind: 'number', unit: 'mm' },
    {
      key: 'needed',
      label: 'In mesh at least',
      initial: '',
      kind: 'number',
      unit: 'mm',
      assumption: true,
      hint: 'one diameter when empty',
    },
  ],
  answer(read) {
    const { show } = read;
    const thread = read.thread();
    const link = {
      pitchMm: thread.pitchMm,
      nominalMm: thread.nominalMm,
      movingEnds: Number(read.choice('ends')) as 1 | 2,
      lengthNowMm: read.number('now', 10, 3000),
      targetMm: read.number('target', 10, 3000),
      engagementMm: [read.number('first', 0, 300), read.number('second', 0, 300)] as [number, number],
      neededMm: read.optional('needed', 1, 200),
    };
    const a = must(linkLength(link));
    return {
      main: {
        label: a.turns >= 0 ? 'Turn to make it longer' : 'Turn to make it shorter',
        shown: show.text(String(Math.abs(a.wholeTurns)), `turns + ${Math.round(a.degrees)}°`),
      },
      figures: [
        { label: 'Change', shown: show.length(a.lengthChangeMm) },
        { label: 'In mesh after, first', shown: show.length(a.engagementAfterMm[0]) },
        { label: 'In mesh after, second', shown: show.length(a.engagementAfterMm[1]) },
        { label: 'Longest', shown: show.length(a.longestMm) },
        { label: 'One turn makes', shown: show.length(thread.pitchMm * link.movingEnds) },
      ],
      remarks: a.remarks,
      drawing: (
        <AdjusterBody
          before={link.engagementMm}
          after={a.engagementAfterMm}
          needed={link.neededMm ?? thread.nominalMm}
          movingEnds={link.movingEnds}
          turns={a.turns}
          label="Adjustable link with the thread in mesh at both ends"
        />
      ),
      summary: `${thread.designation} link ${inLine(show.length(link.lengthNowMm))} to ${inLine(show.length(link.targetMm))}: ${a.turns.toFixed(2)} turns, ${a.engagementAfterMm.map((mm) => mm.toFixed(1)).join(' and ')} mm in mesh`,
    };
  },
  sources: [
    { what: 'Turns = ΔL / (pitch × ends that move)', where: 'geometry' },
    { what: 'One diameter in mesh, equal thread showing', where: 'common practice, no source' },
  ],
};
