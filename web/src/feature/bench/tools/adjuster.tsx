import { must } from '#contract/calc/joint-input.ts';
import { say } from '#contract/wording/say.ts';
import { linkLength } from '#core/bench/adjuster.ts';
import { written } from '#core/quantity/display.ts';
import type { BenchTool } from '../bench-tool.ts';
import { AdjusterBody } from '../drawing/AdjusterBody.tsx';
import { inLine } from '../show-figure.ts';

/** Turns that bring an adjustable link to length. */
export const ADJUSTER: BenchTool = {
  id: 'adjuster',
  title: say('Adjustable arm'),
  says: say('Turns to a length, what stays in mesh at each end, the longest it may be made.'),
  example: 'arm 380 to 386',
  words: ['adjuster', 'adjustable', 'arm', 'link', 'rod', 'turnbuckle', 'length', 'turns', 'jam nut', 'preset'],
  wide: true,
  takes: ['now', 'target'],
  fields: [
    { key: 'thread', label: say('Thread'), initial: 'M14 x 1.5', kind: 'text' },
    { key: 'now', label: say('Length now'), initial: '380', kind: 'number', unit: 'mm' },
    { key: 'target', label: say('Length wanted'), initial: '386', kind: 'number', unit: 'mm' },
    {
      key: 'ends',
      label: say('Ends that move'),
      initial: '2',
      kind: 'choice',
      options: [
        { value: '2', label: say('Both, one left-hand') },
        { value: '1', label: say('One') },
      ],
    },
    { key: 'first', label: say('In mesh, first end'), initial: '22', kind: 'number', unit: 'mm' },
    { key: 'second', label: say('In mesh, second end'), initial: '22', kind: 'number', unit: 'mm' },
    {
      key: 'needed',
      label: say('In mesh at least'),
      initial: '',
      kind: 'number',
      unit: 'mm',
      assumption: true,
      hint: say('one diameter when empty'),
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
        label: a.turns >= 0 ? say('Turn to make it longer') : say('Turn to make it shorter'),
        shown: show.text(String(Math.abs(a.wholeTurns)), `turns + ${Math.round(a.degrees)}°`),
      },
      figures: [
        { label: say('Change', {}, 'noun'), shown: show.length(a.lengthChangeMm) },
        { label: say('In mesh after, first'), shown: show.length(a.engagementAfterMm[0]) },
        { label: say('In mesh after, second'), shown: show.length(a.engagementAfterMm[1]) },
        { label: say('Longest'), shown: show.length(a.longestMm) },
        { label: say('One turn makes'), shown: show.length(thread.pitchMm * link.movingEnds) },
      ],
      remarks: a.remarks,
      drawing: (
        <AdjusterBody
          before={link.engagementMm}
          after={a.engagementAfterMm}
          needed={link.neededMm ?? thread.nominalMm}
          movingEnds={link.movingEnds}
          turns={a.turns}
          label={say('Adjustable link with the thread in mesh at both ends')}
        />
      ),
      summary: say('{designation} link {inLine} to {inLine2}: {turns} turns, {engagementAfterMm} mm in mesh', {
        designation: thread.designation,
        inLine: inLine(show.length(link.lengthNowMm)),
        inLine2: inLine(show.length(link.targetMm)),
        turns: written(a.turns, 2),
        engagementAfterMm: a.engagementAfterMm.map((mm) => written(mm, 1)).join(' and '),
      }),
    };
  },
  sources: [
    { what: say('Turns = ΔL / (pitch × ends that move)'), where: say('geometry') },
    { what: say('One diameter in mesh, equal thread showing'), where: say('common practice, no source') },
  ],
};
