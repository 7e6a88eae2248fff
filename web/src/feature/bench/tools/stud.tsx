import { must } from '#contract/calc/joint-input.ts';
import { studFor } from '#core/bench/stud.ts';
import type { BenchTool } from '../bench-tool.ts';
import { StudStackDrawing } from '../drawing/StudStack.tsx';
import { inLine, threeFigures } from '../show-figure.ts';

/** Whether a stud is long enough for wheel and spacer. */
export const STUD: BenchTool = {
  id: 'stud',
  title: 'Stud and spacer',
  says: 'Turns of a wheel nut, the longest spacer a stud allows, a closed nut that bottoms.',
  example: 'spacer 25',
  words: ['spacer', 'stud', 'nut', 'turns', 'bottom', 'bottoming', 'blind nut', 'hub'],
  wide: true,
  takes: ['spacer', 'stud', 'wheel'],
  fields: [
    { key: 'thread', label: 'Thread', initial: 'M12 x 1.5', kind: 'text' },
    { key: 'stud', label: 'Stud from the hub face', initial: '44', kind: 'number', unit: 'mm' },
    { key: 'wheel', label: 'Wheel at the stud', initial: '18', kind: 'number', unit: 'mm' },
    { key: 'spacer', label: 'Spacer', initial: '0', kind: 'number', unit: 'mm' },
    { key: 'blind', label: 'Closed nut, depth', initial: '', kind: 'number', unit: 'mm', hint: 'empty: open nut' },
    { key: 'nut', label: 'Open nut, its thread', initial: '', kind: 'number', unit: 'mm', hint: 'empty: long enough' },
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
      main: { label: 'Turns of the nut', shown: show.text(v.turns.toFixed(1), 'turns') },
      figures: [
        { label: 'In mesh', shown: show.length(v.engagementMm) },
        { label: 'Asked for', shown: show.length(v.neededMm) },
        {
          label: 'Spacer from, to',
          shown: v.noSpacerFits
            ? show.text('none fits')
            : show.text(`${threeFigures(v.thinnestSpacerMm)} – ${threeFigures(v.thickestSpacerMm)}`, 'mm'),
        },
        { label: 'Stud lacks', shown: show.length(v.tooShortByMm) },
      ],
      remarks: v.remarks,
      drawing: (
        <StudStackDrawing
          {...stack}
          engagementMm={v.engagementMm}
          neededMm={v.neededMm}
          label="Stud, spacer, wheel and nut from the side"
        />
      ),
      summary: `${thread.designation} stud ${inLine(show.length(stack.studMm))}, wheel ${inLine(show.length(stack.wheelMm))}, spacer ${inLine(show.length(stack.spacerMm))}: ${v.turns.toFixed(1)} turns, ${v.tooShortByMm > 0 ? `short by ${inLine(show.length(v.tooShortByMm))}` : v.nutLacksMm > 0 ? `the nut is short by ${inLine(show.length(v.nutLacksMm))}` : 'enough'}`,
    };
  },
  sources: [
    { what: 'In mesh = stud − wheel − spacer; turns = in mesh / pitch', where: 'geometry' },
    { what: 'One diameter in mesh', where: 'common practice, no source' },
  ],
};
