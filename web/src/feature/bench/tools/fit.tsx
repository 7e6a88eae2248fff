import { must } from '#contract/calc/joint-input.ts';
import { FIT_TEXT } from '#contract/wording/en/bench.ts';
import { fitOf } from '#core/bench/fit.ts';
import { EXPANSION_PER_K, type FitMaterial, gapAfterMm, measuredFit } from '#core/fit/shrink-fit.ts';
import { Curve } from '../../../drawing/Curve.tsx';
import type { BenchTool } from '../bench-tool.ts';
import { BoreAndPin } from '../drawing/BoreAndPin.tsx';
import { inLine, threeFigures } from '../show-figure.ts';

const MATERIALS = (Object.keys(EXPANSION_PER_K) as FitMaterial[]).map((value) => ({
  value,
  label: value === 'castIron' ? 'Cast iron' : value[0]?.toUpperCase() + value.slice(1),
}));

/** What two measured sizes make, and how to get a tight pair together. */
export const FIT: BenchTool = {
  id: 'fit',
  title: 'Bush and bore',
  says: 'Loose, slide, press or shrink from measured sizes; how warm the bore, how cold the pin, how many seconds.',
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
    { key: 'bore', label: 'Bore, measured', initial: '25', kind: 'number', unit: 'mm' },
    { key: 'pin', label: 'Pin or bush, measured', initial: '25.03', kind: 'number', unit: 'mm' },
    { key: 'boreMaterial', label: 'Bore of', initial: 'steel', kind: 'choice', options: MATERIALS },
    { key: 'pinMaterial', label: 'Pin of', initial: 'bronze', kind: 'choice', options: MATERIALS },
    { key: 'slip', label: 'Slip wanted', initial: '0.03', kind: 'number', unit: 'mm' },
    {
      key: 'chilled',
      label: 'Pin chilled to',
      initial: '',
      kind: 'number',
      unit: '°C',
      hint: 'empty: not chilled; a freezer gives −18',
    },
    { key: 'wall', label: 'Wall round the bore', initial: '8', kind: 'number', unit: 'mm' },
    { key: 'pinWall', label: 'Wall of the bush', initial: '', kind: 'number', unit: 'mm', hint: 'empty: a solid pin' },
    { key: 'room', label: 'In the bay', initial: '20', kind: 'number', unit: '°C', assumption: true },
    {
      key: 'air',
      label: 'Heat lost to the air',
      initial: '15',
      kind: 'number',
      assumption: true,
      hint: 'W/m²K; more in a draught',
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
        ? { label: 'Warm the bore to', shown: show.temperature(s.boreC) }
        : { label: 'Measured', shown: show.text(FIT_TEXT[m.kind]) },
      figures: [
        { label: 'Measured', shown: show.text(FIT_TEXT[m.kind]) },
        {
          label: m.interferenceMm >= 0 ? 'Interference' : 'Clearance',
          shown: {
            ...show.length(Math.abs(m.interferenceMm)),
            number: Math.abs(m.interferenceMm).toFixed(3),
            unit: 'mm',
            other: `${(Math.abs(m.interferenceMm) / 25.4).toFixed(4)} in`,
          },
        },
        { label: 'Chilling takes off', shown: show.text(s.pinShrinksMm.toFixed(3), 'mm') },
        {
          label: 'In still air they touch after',
          shown: left === undefined ? show.text('–') : show.text(String(Math.round(left)), 's'),
        },
      ],
      remarks: s.remarks,
      drawing: (
        <BoreAndPin
          interferenceMm={m.interferenceMm}
          boreC={s.boreC}
          pinC={pinC ?? roomC}
          label={`Bore ${boreMm} mm, pin ${pinMm} mm`}
        />
      ),
      chart:
        left === undefined ? undefined : (
          <Curve
            label="Room between bore and pin, both coming to room temperature"
            xLabel="seconds from oven and cold"
            yLabel="room, mm"
            series={[{ key: 'gap', label: 'room', points: curve }]}
            limits={[{ y: 0, text: 'they touch', bad: true }]}
            marks={[{ x: left, y: 0, text: `${Math.round(left)} s` }]}
          />
        ),
      summary: `Bore ${boreMm} mm, pin ${pinMm} mm: ${FIT_TEXT[m.kind].toLowerCase()}${needsHeat ? `, bore to ${inLine(show.temperature(s.boreC))} for ${threeFigures(slipMm)} mm of slip` : ''}`,
    };
  },
  sources: [
    { what: 'ΔL = α L ΔT', where: 'thermal expansion; coefficients from any handbook' },
    { what: 'Seconds by lumped cooling', where: 'Newton’s law of cooling; 15 W/m²K chosen by us' },
    { what: 'Bounds of loose, slide, push, press, shrink', where: 'common practice, no source' },
  ],
};
