import { must } from '#contract/calc/joint-input.ts';
import { FIT_TEXT } from '#contract/wording/en/bench.ts';
import { midSentence, say } from '#contract/wording/say.ts';
import { fitOf } from '#core/bench/fit.ts';
import { EXPANSION_PER_K, type FitMaterial, gapAfterMm, measuredFit } from '#core/fit/shrink-fit.ts';
import { Curve } from '../../../drawing/Curve.tsx';
import type { BenchTool } from '../bench-tool.ts';
import { BoreAndPin } from '../drawing/BoreAndPin.tsx';
import { inLine, threeFigures } from '../show-figure.ts';

const MATERIALS = (Object.keys(EXPANSION_PER_K) as FitMaterial[]).map((value) => ({
  value,
  label: value === 'castIron' ? say('Cast iron') : value[0]?.toUpperCase() + value.slice(1),
}));

/** What two measured sizes make, and how to get a tight pair together. */
export const FIT: BenchTool = {
  id: 'fit',
  title: say('Bush and bore'),
  says: say(
    'Loose, slide, press or shrink from measured sizes; how warm the bore, how cold the pin, how many seconds.',
  ),
  example: 'shrink 25.02 in 25',
  words: [
    'fit',
    'shrink',
    'press',
    'bush and bore',
    'bore',
    'pin',
    'heat',
    'chill',
    'freeze',
    'interference',
    'bearing',
  ],
  takes: ['pin', 'bore'],
  fields: [
    { key: 'bore', label: say('Bore, measured'), initial: '25', kind: 'number', unit: 'mm' },
    { key: 'pin', label: say('Pin or bush, measured'), initial: '25.03', kind: 'number', unit: 'mm' },
    { key: 'boreMaterial', label: say('Bore of'), initial: 'steel', kind: 'choice', options: MATERIALS },
    { key: 'pinMaterial', label: say('Pin of'), initial: 'bronze', kind: 'choice', options: MATERIALS },
    { key: 'slip', label: say('Slip wanted'), initial: '0.03', kind: 'number', unit: 'mm' },
    {
      key: 'chilled',
      label: say('Pin chilled to'),
      initial: '',
      kind: 'number',
      unit: '°C',
      hint: say('empty: not chilled; a freezer gives −18'),
    },
    { key: 'wall', label: say('Wall round the bore'), initial: '8', kind: 'number', unit: 'mm' },
    {
      key: 'pinWall',
      label: say('Wall of the bush'),
      initial: '',
      kind: 'number',
      unit: 'mm',
      hint: say('empty: a solid pin'),
    },
    { key: 'room', label: say('In the bay'), initial: '20', kind: 'number', unit: '°C', assumption: true },
    {
      key: 'air',
      label: say('Heat lost to the air'),
      initial: '15',
      kind: 'number',
      assumption: true,
      hint: say('W/m²K; more in a draught'),
    },
  ],
  answer(read) {
    const { show } = read;
    const [boreMm, pinMm] = [read.number('bore', 1, 1000), read.number('pin', 1, 1000)];
    const m = must(measuredFit(boreMm, pinMm));
    const roomC = read.number('room', -20, 50);
    const pinC = read.optional('chilled', -200, roomC);
    const slipMm = read.number('slip', 0, 1);
    const question = {
      diameterMm: boreMm,
      interferenceMm: Math.max(-1, Math.min(1, m.interferenceMm)),
      measured: { boreMm, pinMm },
      slipMm,
      roomC,
      bore: read.choice<FitMaterial>('boreMaterial'),
      pin: read.choice<FitMaterial>('pinMaterial'),
      pinC,
      wallMm: read.number('wall', 0.2, 200),
      pinWallMm: read.optional('pinWall', 0.2, 500),
      airW: read.number('air', 1, 2000),
    };
    const s = must(fitOf(question));
    const { needsHeat, secondsLeft: left } = s;
    const underway = { ...question, boreC: s.boreC, transferW: question.airW };
    const curve = Array.from({ length: 30 }, (_, i) => {
      const seconds = (i / 29) * Math.max(30, (left ?? 60) * 1.6);
      return [seconds, gapAfterMm(underway, seconds)] as const;
    });
    return {
      main: needsHeat
        ? { label: say('Warm the bore to'), shown: show.temperature(s.boreC) }
        : { label: say('Measured'), shown: show.text(FIT_TEXT[m.kind]) },
      figures: [
        { label: say('Measured'), shown: show.text(FIT_TEXT[m.kind]) },
        {
          label: m.interferenceMm >= 0 ? say('Interference') : say('Clearance'),
          shown: {
            ...show.length(Math.abs(m.interferenceMm)),
            number: Math.abs(m.interferenceMm).toFixed(3),
            unit: 'mm',
            other: `${(Math.abs(m.interferenceMm) / 25.4).toFixed(4)} in`,
          },
        },
        { label: say('Chilling takes off'), shown: show.text(s.pinShrinksMm.toFixed(3), 'mm') },
        {
          label: say('In still air they touch after'),
          shown: left === undefined ? show.text('–') : show.text(String(Math.round(left)), 's'),
        },
      ],
      remarks: s.remarks,
      drawing: (
        <BoreAndPin
          interferenceMm={m.interferenceMm}
          boreC={s.boreC}
          pinC={pinC ?? roomC}
          label={say('Bore {boreMm} mm, pin {pinMm} mm', { boreMm, pinMm })}
        />
      ),
      chart:
        left === undefined ? undefined : (
          <Curve
            label={say('Room between bore and pin, both coming to room temperature')}
            xLabel={say('seconds from oven and cold')}
            yLabel={say('room, mm')}
            series={[{ key: 'gap', label: say('room'), points: curve }]}
            limits={[{ y: 0, text: say('they touch'), bad: true }]}
            marks={[{ x: left, y: 0, text: `${Math.round(left)} s` }]}
          />
        ),
      summary: say('Bore {boreMm} mm, pin {pinMm} mm: {fitText}{which}', {
        boreMm,
        pinMm,
        fitText: midSentence(FIT_TEXT[m.kind]),
        which: needsHeat
          ? say(', bore to {inLine} for {threeFigures} mm of slip', {
              inLine: inLine(show.temperature(s.boreC)),
              threeFigures: threeFigures(slipMm),
            })
          : '',
      }),
    };
  },
  sources: [
    { what: 'ΔL = α L ΔT', where: say('thermal expansion; coefficients from any handbook') },
    { what: say('Seconds by lumped cooling'), where: 'Newton’s law of cooling; 15 W/m²K chosen by us' },
    { what: say('Bounds of loose, slide, push, press, shrink'), where: say('common practice, no source') },
  ],
};
