import { must } from '#contract/calc/joint-input.ts';
import { say } from '#contract/wording/say.ts';
import { studFor } from '#core/bench/stud.ts';
import { written } from '#core/quantity/display.ts';
import type { BenchTool } from '../bench-tool.ts';
import { StudStackDrawing } from '../drawing/StudStack.tsx';
import { inLine, threeFigures } from '../show-figure.ts';

/** Whether a stud is long enough for wheel and spacer. */
export const STUD: BenchTool = {
  id: 'stud',
  title: say('Stud and spacer'),
  says: say('Turns of a wheel nut, the longest spacer a stud allows, a closed nut that bottoms.'),
  example: 'spacer 25',
  words: ['spacer', 'stud', 'nut', 'turns', 'bottom', 'bottoming', 'blind nut', 'hub'],
  wide: true,
  takes: ['spacer', 'stud', 'wheel'],
  fields: [
    { key: 'thread', label: say('Thread'), initial: 'M12 x 1.5', kind: 'text' },
    { key: 'stud', label: say('Stud from the hub face'), initial: '44', kind: 'number', unit: 'mm' },
    { key: 'wheel', label: say('Wheel at the stud'), initial: '18', kind: 'number', unit: 'mm' },
    { key: 'spacer', label: say('Spacer'), initial: '0', kind: 'number', unit: 'mm' },
    {
      key: 'blind',
      label: say('Closed nut, depth'),
      initial: '',
      kind: 'number',
      unit: 'mm',
      hint: say('empty: open nut'),
    },
    {
      key: 'nut',
      label: say('Open nut, its thread'),
      initial: '',
      kind: 'number',
      unit: 'mm',
      hint: say('empty: long enough'),
    },
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
    const stack = {
      studMm: read.number('stud', 1, 300),
      wheelMm: read.number('wheel', 0, 200),
      spacerMm: read.number('spacer', 0, 200),
      pitchMm: thread.pitchMm,
      nominalMm: thread.nominalMm,
      blindDepthMm: read.optional('blind', 1, 100),
      nutMm: read.optional('nut', 1, 100),
      neededMm: read.optional('needed', 1, 100),
    };
    const v = must(studFor(stack));
    return {
      main: { label: say('Turns of the nut'), shown: show.text(v.turns.toFixed(1), 'turns') },
      figures: [
        { label: say('In mesh'), shown: show.length(v.engagementMm) },
        { label: say('Asked for'), shown: show.length(v.neededMm) },
        {
          label: say('Spacer from, to'),
          shown: v.noSpacerFits
            ? show.text('none fits')
            : show.text(`${threeFigures(v.thinnestSpacerMm)} – ${threeFigures(v.thickestSpacerMm)}`, 'mm'),
        },
        { label: say('Stud lacks'), shown: show.length(v.tooShortByMm) },
      ],
      remarks: v.remarks,
      drawing: (
        <StudStackDrawing
          {...stack}
          engagementMm={v.engagementMm}
          neededMm={v.neededMm}
          label={say('Stud, spacer, wheel and nut from the side')}
        />
      ),
      summary: say('{designation} stud {inLine}, wheel {inLine2}, spacer {inLine3}: {turns} turns, {which}', {
        designation: thread.designation,
        inLine: inLine(show.length(stack.studMm)),
        inLine2: inLine(show.length(stack.wheelMm)),
        inLine3: inLine(show.length(stack.spacerMm)),
        turns: written(v.turns, 1),
        which:
          v.tooShortByMm > 0
            ? say('short by {inLine}', { inLine: inLine(show.length(v.tooShortByMm)) })
            : v.nutLacksMm > 0
              ? say('the nut is short by {inLine}', { inLine: inLine(show.length(v.nutLacksMm)) })
              : 'enough',
      }),
    };
  },
  sources: [
    { what: say('In mesh = stud − wheel − spacer; turns = in mesh / pitch'), where: say('geometry') },
    { what: say('One diameter in mesh'), where: say('common practice, no source') },
  ],
};
