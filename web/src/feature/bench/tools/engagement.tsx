import { must } from '#contract/calc/joint-input.ts';
import { MEMBER_TEXT } from '#contract/wording/en/bench.ts';
import { say } from '#contract/wording/say.ts';
import { engagementOf } from '#core/bench/engagement.ts';
import { headDimension, usualHead } from '#core/fastener/head-dimension.ts';
import {
  SHEAR_RATIO,
  stripLoads,
  TAPPED_SHEAR_RATIO,
  TAPPED_TENSILE_MPA,
  type TappedMaterial,
} from '#core/fastener/thread-engagement.ts';
import { written } from '#core/quantity/display.ts';
import { usualFace } from '#core/tightening/proposed-torque.ts';
import { Curve } from '../../../drawing/Curve.tsx';
import type { BenchTool } from '../bench-tool.ts';
import { JointSection } from '../drawing/JointSection.tsx';
import { inLine, threeFigures } from '../show-figure.ts';
import { classField, threadField } from './joint-fields.ts';

/** How much thread it takes for the bolt to break before the thread strips. */
export const ENGAGEMENT: BenchTool = {
  id: 'engagement',
  title: say('Thread in mesh'),
  says: say('The length at which the bolt breaks before the thread strips, and what a given length stands.'),
  example: 'engagement m10 aluminium',
  words: [
    'engagement',
    'strip',
    'stripping',
    'tapped',
    'mesh',
    'depth',
    'aluminium',
    'magnesium',
    'cast iron',
    'insert',
    'thread length',
  ],
  takes: ['depth'],
  fields: [
    threadField,
    classField,
    {
      key: 'material',
      label: say('Tapped into'),
      initial: 'aluminium',
      kind: 'choice',
      options: [
        { value: 'steel', label: say('Steel, 400 N/mm²') },
        { value: 'castIron', label: say('Cast iron, 250') },
        { value: 'aluminium', label: say('Aluminium, 290') },
        { value: 'magnesium', label: say('Magnesium, 200') },
      ],
    },
    { key: 'depth', label: say('Thread in mesh'), initial: '12', kind: 'number', unit: 'mm' },
    {
      key: 'tensile',
      label: say('Its tensile strength'),
      initial: '',
      kind: 'number',
      assumption: true,
      hint: say('N/mm², the usual of the material when empty'),
    },
    {
      key: 'ratio',
      label: say('Its shear over tensile'),
      initial: '',
      kind: 'number',
      assumption: true,
      hint: say('{shearRatio}, cast iron {castIron} when empty', {
        shearRatio: SHEAR_RATIO,
        castIron: TAPPED_SHEAR_RATIO.castIron,
      }),
    },
    {
      key: 'boltRatio',
      label: say('The bolt’s'),
      initial: String(SHEAR_RATIO),
      kind: 'number',
      assumption: true,
    },
  ],
  answer(read) {
    const { show } = read;
    const thread = read.thread();
    const strength = read.strength(thread);
    const material = read.choice<TappedMaterial>('material');
    const input = {
      thread,
      boltTensileMpa: strength.tensileMpa,
      tappedTensileMpa: read.optional('tensile', 20, 2500) ?? TAPPED_TENSILE_MPA[material],
      boltShearRatio: read.number('boltRatio', 0.3, 1),
      tappedShearRatio: read.optional('ratio', 0.3, 1.5) ?? TAPPED_SHEAR_RATIO[material],
    };
    const depth = read.number('depth', 0.5, 200);
    const found = engagementOf(input, depth);
    const { limits, basic, insert, strips, remarks } = must(
      found,
      !found.ok && found.error.field !== 'engagementMm' ? 'thread' : undefined,
    );
    if (!strips) throw new Error('a depth was given');
    const face = usualFace(thread);
    const top = Math.max(limits.lengthMm, depth) * 1.4;
    const at = (mm: number) => {
      const result = stripLoads(input, mm);
      return result.ok ? Math.min(result.value.tappedThreadStripsN, result.value.boltThreadStripsN) / 1000 : 0;
    };
    const grid = Array.from({ length: 20 }, (_, i) => (i / 19) * top);
    return {
      main: { label: say('Thread that must be in mesh'), shown: show.length(limits.lengthMm) },
      figures: [
        { label: say('In diameters, by limits'), shown: show.plain(limits.diameters, 'd') },
        { label: say('By the basic profile'), shown: show.length(basic.lengthMm) },
        { label: say('In diameters, basic'), shown: show.plain(basic.diameters, 'd') },
        { label: say('With a wire insert, by limits'), shown: show.length(insert.limits.lengthMm) },
        { label: say('Bolt breaks at'), shown: show.force(strips.limits.boltBreaksN) },
        { label: say('Tapped thread strips at'), shown: show.force(strips.limits.tappedThreadStripsN) },
        { label: say('Gives first'), shown: show.text(MEMBER_TEXT[strips.limits.weakest]) },
      ],
      remarks,
      drawing: (
        <JointSection
          diameterMm={thread.nominalMm}
          bearingMm={face?.outsideMm ?? 1.5 * thread.nominalMm}
          holeMm={face?.holeMm ?? 1.1 * thread.nominalMm}
          headMm={headDimension(usualHead(thread), thread)?.heightMm ?? 0.65 * thread.nominalMm}
          gripMm={1.2 * thread.nominalMm}
          engagedMm={depth}
          neededMm={limits.lengthMm}
          into="tapped"
          label={say('{designation} in {material}, {depth} mm in mesh, {lengthMm} mm needed', {
            designation: thread.designation,
            material,
            depth,
            lengthMm: written(limits.lengthMm, 1),
          })}
        />
      ),
      chart: (
        <Curve
          label={say('Load at which the thread strips, over thread in mesh')}
          xLabel={say('thread in mesh, mm')}
          yLabel={say('load, kN')}
          series={[{ key: 'strip', label: say('thread strips'), points: grid.map((mm) => [mm, at(mm)]) }]}
          limits={[
            { y: strips.limits.boltBreaksN / 1000, text: say('bolt breaks'), bad: true },
            { x: limits.lengthMm, text: `${limits.diameters.toFixed(2)} d` },
          ]}
          marks={[{ x: depth, y: at(depth), text: `${threeFigures(depth)} mm` }]}
        />
      ),
      summary: say(
        '{designation} {propertyClass} in {material} ({tappedTensileMpa} N/mm²): needs {inLine} in mesh by limits, has {inLine2}',
        {
          designation: thread.designation,
          propertyClass: strength.propertyClass,
          material,
          tappedTensileMpa: input.tappedTensileMpa,
          inLine: inLine(show.length(limits.lengthMm)),
          inLine2: inLine(show.length(depth)),
        },
      ),
    };
  },
  sources: [
    {
      what: say('Shear areas at basic size and at the loosest fit of 6g/6H or 2A/2B'),
      where: 'FED-STD-H28/2B; Alexander, SAE 770420; ISO 965-1, ASME B1.1',
    },
    { what: say('Refusals use the limits'), where: say('chosen by us: the safe side') },
    {
      what: say('Shear over tensile strength, bolt and hole apart'),
      where: 'VDI 2230-1, shear strength ratios (nodular iron 0.9; aluminium 0.6 on the safe side)',
    },
    {
      what: say('Strength of the tapped part'),
      where: say('usual alloys, common practice; the maker’s figure goes first'),
    },
  ],
};
