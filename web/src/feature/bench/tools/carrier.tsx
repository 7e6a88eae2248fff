import { must } from '#contract/calc/joint-input.ts';
import { LIMIT_TEXT } from '#contract/wording/en/bench.ts';
import { say } from '#contract/wording/say.ts';
import { carrierOnBall } from '#core/bench/towing.ts';
import type { BenchTool } from '../bench-tool.ts';
import { RuleBars } from '../drawing/RuleBars.tsx';
import { inLine } from '../show-figure.ts';

/** A box or rack on the ball, which is no trailer. */
export const CARRIER: BenchTool = {
  id: 'carrier',
  title: say('Rack or box on the ball'),
  says: say('What a carrier without wheels puts on ball and rear axle, by its longer lever.'),
  example: 'bike rack 60 kg',
  words: ['carrier', 'rack', 'bike rack', 'cycle rack', 'box', 'non-trailer', 'cargo box'],
  wide: true,
  takes: ['load'],
  fields: [
    { key: 'own', label: say('The carrier itself'), initial: '20', kind: 'number', unit: 'kg' },
    { key: 'load', label: say('On it'), initial: '50', kind: 'number', unit: 'kg' },
    { key: 'behindBall', label: say('Its middle behind the ball'), initial: '300', kind: 'number', unit: 'mm' },
    { key: 'front', label: say('Front axle now'), initial: '1150', kind: 'number', unit: 'kg' },
    { key: 'rear', label: say('Rear axle now'), initial: '1250', kind: 'number', unit: 'kg' },
    { key: 'wheelbase', label: say('Wheelbase'), initial: '2900', kind: 'number', unit: 'mm' },
    { key: 'behind', label: say('Ball behind the rear axle'), initial: '1150', kind: 'number', unit: 'mm' },
    { key: 'ball', label: say('Rated on the ball'), initial: '100', kind: 'number', unit: 'kg' },
    {
      key: 'rated',
      label: say('Rated for carriers'),
      initial: '75',
      kind: 'number',
      unit: 'kg',
      hint: say('by the receiver’s maker; empty: not said'),
    },
    { key: 'rearRated', label: say('Rated rear axle'), initial: '1600', kind: 'number', unit: 'kg' },
  ],
  answer(read) {
    const { show } = read;
    const [tongueKg, carrierKg, rearAxleKg] = ['ball', 'rated', 'rearRated'].map((key) =>
      read.optional(key, 1, 100_000),
    );
    const a = must(
      carrierOnBall({
        carrierKg: read.number('own', 0, 2000),
        loadKg: read.number('load', 0, 2000),
        behindBallMm: read.number('behindBall', 0, 2000),
        axles: { frontKg: read.number('front', 1, 100_000), rearKg: read.number('rear', 1, 100_000) },
        wheelbaseMm: read.number('wheelbase', 1000, 10_000),
        hitchBehindMm: read.number('behind', 0, 5000),
        ratings: {
          ...(tongueKg === undefined ? {} : { tongueKg }),
          ...(carrierKg === undefined ? {} : { carrierKg }),
          ...(rearAxleKg === undefined ? {} : { rearAxleKg }),
        },
      }),
    );
    return {
      main: { label: say('All of it on the ball'), shown: show.mass(a.massKg) },
      figures: [
        { label: say('Front axle then'), shown: show.mass(a.frontKg) },
        { label: say('Rear axle then'), shown: show.mass(a.rearKg) },
        { label: say('Bends the ball with'), shown: show.torque(a.momentNm) },
      ],
      remarks: a.remarks,
      drawing: (
        <RuleBars
          unit={a.checks.length > 0 ? '% of its rating' : 'kg'}
          bars={
            a.checks.length > 0
              ? a.checks.map(({ limit, actualKg, ratingKg, ok }) => ({
                  name: LIMIT_TEXT[limit],
                  value: (actualKg / ratingKg) * 100,
                  limit: 100,
                  tone: ok ? undefined : ('bad' as const),
                }))
              : [{ name: 'on the ball', value: a.massKg, tone: 'main' as const }]
          }
          label={say('How much of each rating the carrier uses')}
        />
      ),
      summary: say('Carrier {inLine} on the ball: rear axle {inLine2}, bends the ball with {inLine3}', {
        inLine: inLine(show.mass(a.massKg)),
        inLine2: inLine(show.mass(a.rearKg)),
        inLine3: inLine(show.torque(a.momentNm)),
      }),
    };
  },
  sources: [
    { what: say('Moments about the front axle, with the longer lever'), where: say('statics') },
    {
      what: say('A ball’s rating is a trailer’s'),
      where: say('common practice, no source; the receiver’s sheet goes first'),
    },
  ],
};
