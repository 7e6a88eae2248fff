import { must } from '#contract/calc/joint-input.ts';
import { say } from '#contract/wording/say.ts';
import { trailerOnBall } from '#core/bench/towing.ts';
import { written } from '#core/quantity/display.ts';
import type { BenchTool } from '../bench-tool.ts';
import { LoadedTrailer } from '../drawing/LoadedTrailer.tsx';
import { inLine } from '../show-figure.ts';

/** A loaded trailer on its ball. */
export const TRAILER: BenchTool = {
  id: 'trailer',
  title: say('Load on the ball'),
  says: say('What a trailer puts on the ball as it is loaded, and where its cargo must go.'),
  example: 'tongue weight',
  words: ['tongue', 'tongue weight', 'ball', 'nose weight', 'trailer', 'cargo', 'coupler', 'share'],
  wide: true,
  takes: ['load', 'empty'],
  fields: [
    { key: 'empty', label: say('Trailer empty'), initial: '600', kind: 'number', unit: 'kg' },
    {
      key: 'emptyAt',
      label: say('Its weight ahead of the axle'),
      initial: '120',
      kind: 'number',
      unit: 'mm',
      hint: say('empty load on the ball × length / its mass'),
    },
    { key: 'length', label: say('Ball to axle'), initial: '3200', kind: 'number', unit: 'mm' },
    { key: 'load', label: say('Cargo'), initial: '900', kind: 'number', unit: 'kg' },
    {
      key: 'at',
      label: say('Ahead of the axle'),
      initial: '50',
      kind: 'number',
      unit: 'mm',
      hint: say('behind is below 0'),
    },
    { key: 'load2', label: say('More cargo'), initial: '0', kind: 'number', unit: 'kg' },
    { key: 'at2', label: say('That ahead of the axle'), initial: '0', kind: 'number', unit: 'mm' },
    { key: 'share', label: say('Wanted on the ball, %'), initial: '11', kind: 'number' },
    { key: 'low', label: say('Band from, %'), initial: '10', kind: 'number', assumption: true },
    { key: 'high', label: say('Band to, %'), initial: '15', kind: 'number', assumption: true },
  ],
  answer(read) {
    const { show } = read;
    const cargo = [
      { kg: read.number('load', 0, 100_000), aheadMm: read.number('at', -10_000, 20_000) },
      { kg: read.number('load2', 0, 100_000), aheadMm: read.number('at2', -10_000, 20_000) },
    ].filter(({ kg }, at) => at === 0 || kg > 0);
    const load = {
      unladenKg: read.number('empty', 1, 100_000),
      unladenAheadMm: read.number('emptyAt', -5000, 20_000),
      couplerToAxleMm: read.number('length', 500, 20_000),
      cargo,
    };
    const low = read.number('low', 0, 50);
    const a = must(
      trailerOnBall(load, read.number('share', 0, 50) / 100, {
        min: low / 100,
        max: read.number('high', low, 50) / 100,
      }),
    );
    return {
      main: { label: say('On the ball'), shown: show.mass(a.tongueKg) },
      figures: [
        { label: say('Share of the trailer'), shown: show.percent(a.share) },
        { label: say('On its axle'), shown: show.mass(a.axleKg) },
        { label: say('All of it'), shown: show.mass(a.totalKg) },
        {
          label: say('Band'),
          shown: show.text(`${Math.round(a.band.tongueKg.min)} – ${Math.round(a.band.tongueKg.max)}`, 'kg'),
        },
        { label: say('Cargo forward by'), shown: show.length(Math.round(a.move.allMm)) },
      ],
      remarks: a.remarks,
      drawing: (
        <LoadedTrailer
          {...load}
          moveMm={a.move.allMm}
          tongueText={`${Math.round(a.tongueKg)} kg`}
          axleText={`${Math.round(a.axleKg)} kg`}
          label={say('A trailer from the side on two scales')}
        />
      ),
      summary: say('Trailer {inLine}: {inLine2} on the ball, {share} %; cargo {allMm} mm forward for {text} %', {
        inLine: inLine(show.mass(a.totalKg)),
        inLine2: inLine(show.mass(a.tongueKg)),
        share: written(a.share * 100, 1),
        allMm: written(a.move.allMm, 0),
        text: read.text('share'),
      }),
    };
  },
  sources: [
    { what: say('Moments about the axle; the rest on the axle'), where: say('statics') },
    { what: say('10 to 15 % on the ball'), where: say('common practice, no source; the makers’ papers go first') },
  ],
};
