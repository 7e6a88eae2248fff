import { must } from '#contract/calc/joint-input.ts';
import { evenWayText } from '#contract/wording/load-text.ts';
import { say } from '#contract/wording/say.ts';
import { interaction } from '#core/bench/interaction.ts';
import { circlePositions, fadingCompliance } from '#core/tightening/elastic-interaction.ts';
import { type Pattern, tighteningOrder } from '#core/tightening/pattern.ts';
import { Curve } from '../../../drawing/Curve.tsx';
import type { BenchTool } from '../bench-tool.ts';
import { InteractionRing } from '../drawing/InteractionRing.tsx';
import { threeFigures } from '../show-figure.ts';

const orderOf = (pattern: Pattern, n: number): number[] => {
  const places = circlePositions(n, 100);
  return tighteningOrder([...places.keys()], pattern, (bolt) => places[bolt] ?? { xMm: 0, yMm: 0 });
};

/** What tightening one bolt of a group takes from the others. */
export const INTERACTION: BenchTool = {
  id: 'interaction',
  title: say('Why once round again'),
  says: say('A group on a springy flange: what each pull leaves in every bolt, for any order and number of rounds.'),
  example: 'flange 8 star',
  words: [
    'interaction',
    'flange',
    'pattern',
    'star',
    'circle',
    'order',
    'passes',
    'group',
    'even',
    'wheel',
    'again',
    'round',
  ],
  takes: ['bolts'],
  fields: [
    { key: 'bolts', label: say('Bolts on the circle'), initial: '8', kind: 'number' },
    {
      key: 'order',
      label: say('Order'),
      initial: 'star',
      kind: 'choice',
      options: [
        { value: 'star', label: say('Star') },
        { value: 'circular', label: say('Round the circle') },
        { value: 'cross', label: say('Cross') },
      ],
    },
    {
      key: 'stages',
      label: say('Stages before full'),
      initial: '0.5',
      kind: 'choice',
      options: [
        { value: '0.5', label: '50 %' },
        { value: '0.3 0.7', label: say('30 and 70 %') },
        { value: '1', label: say('Straight') },
      ],
    },
    { key: 'rounds', label: say('Rounds at full torque'), initial: '2', kind: 'number' },
    {
      key: 'soft',
      label: say('Flange gives'),
      initial: '1.2',
      kind: 'number',
      hint: say('against the bolt; 0 is rigid, 3 a thick gasket'),
    },
    { key: 'wanted', label: say('Even to within'), initial: '3', kind: 'number', hint: say('% of the target') },
    {
      key: 'lambda',
      label: say('Reaches'),
      initial: '0.8',
      kind: 'number',
      assumption: true,
      hint: say('bolt spacings over which the give fades'),
    },
  ],
  answer(read) {
    const { show } = read;
    const n = Math.round(read.number('bolts', 2, 64));
    const order = orderOf(read.choice<Pattern>('order'), n);
    const before = read
      .choice('stages')
      .split(' ')
      .map(Number)
      .filter((share) => share < 1);
    const rounds = Math.round(read.number('rounds', 1, 10));
    const soft = read.number('soft', 0, 10);
    const wanted = read.number('wanted', 0.1, 100) / 100;
    const k = 300_000;
    const spacing = (2 * Math.PI * 100) / n;
    const lambda = read.number('lambda', 0.05, 10) * spacing;
    const group = {
      boltStiffnessNPerMm: k,
      complianceMmPerN: fadingCompliance(circlePositions(n, 100), soft / k, lambda, 100),
    };
    // Only shares are shown, so the target is one unit of load.
    const target = 1000;
    const stages = [...before, ...Array.from({ length: rounds }, () => 1)];
    const run = must(
      interaction({
        group,
        order,
        stages,
        targetN: target,
        wanted,
        mostRounds: 12,
        positions: circlePositions(n, 100),
      }),
    );
    const shares = run.history.map((forces) => Array.from(forces, (force) => force / target));
    const last = shares.at(-1) ?? [];
    const { pulls, afterRound: after, pullsForEvenness: needed, oneRoundTargetsN: once } = run;
    const places = Array.from({ length: n }, (_, bolt) => String(order.indexOf(bolt) + 1));
    const lowest = Math.min(...last);
    const spread = (forces: number[]) => (Math.max(...forces) - Math.min(...forces)) * 100;
    return {
      main: {
        label: say('Spread between least and most loaded'),
        shown: show.text(threeFigures((after.at(-1) ?? 0) * 100), '%'),
      },
      figures: [
        { label: say('Least loaded bolt'), shown: show.percent(lowest) },
        ...stages.map((share, index) => ({
          label: say('After round {index}, {share} %', { index: index + 1, share: Math.round(share * 100) }),
          shown: show.text(threeFigures((after[index] ?? 0) * 100), '% spread'),
        })),
        {
          label: say('Rounds to be even'),
          shown: needed?.rounds !== undefined ? show.plain(needed.rounds) : show.text('over 12'),
        },
        {
          label: say('Fewest pulls, lowest first'),
          shown: needed?.greedyPulls !== undefined ? show.plain(needed.greedyPulls) : show.text('–'),
        },
        {
          label: say('Fewest pulls, any order'),
          shown: show.text(
            run.fewest ? evenWayText(run.fewest, places) : n > 32 ? 'not tried over 32 bolts' : 'not in four rounds',
          ),
        },
      ],
      remarks: run.remarks,
      drawing: <InteractionRing shares={shares} pulled={pulls.map((pull) => pull.bolt)} order={order} />,
      chart: (
        <Curve
          label={say('Load left in each bolt after each pull')}
          xLabel="pull"
          yLabel={say('load left, % of target')}
          series={Array.from({ length: Math.min(n, 12) }, (_, bolt) => ({
            key: String(bolt),
            label: say('bolt {indexOf}', { indexOf: order.indexOf(bolt) + 1 }),
            tone: last[bolt] === lowest ? ('bad' as const) : bolt === order[0] ? ('ink' as const) : ('faint' as const),
            points: [[0, 0] as const, ...shares.map((forces, pull) => [pull + 1, (forces[bolt] ?? 0) * 100] as const)],
          }))}
          limits={[{ y: 100, text: say('target') }]}
        />
      ),
      table: once
        ? {
            head: [say('Pull'), say('Bolt'), say('Aim in one round'), say('Left, as pulled above')],
            rows: order.map((bolt, index) => ({
              key: String(bolt),
              cells: [
                String(index + 1),
                String(bolt + 1),
                `${threeFigures(((once[index] ?? 0) / target) * 100)} %`,
                `${threeFigures((last[bolt] ?? 0) * 100)} %`,
              ],
            })),
          }
        : undefined,
      summary: say('{n} bolts, {choice}, {stages}: spread {threeFigures} % of target, least {threeFigures2} %', {
        n,
        choice: read.choice('order'),
        stages: stages.map((share) => `${Math.round(share * 100)} %`).join(', '),
        threeFigures: threeFigures(spread(last)),
        threeFigures2: threeFigures(lowest * 100),
      }),
    };
  },
  sources: [
    {
      what: say('Tightened bolts solve (I/k + C) F = x; the give fades as c0·exp(−arc/λ)'),
      where: say('elastic interaction by a compliance matrix; docs/formulas.md'),
    },
    {
      what: say('The figures show how a group behaves, not what your flange does'),
      where: say('measure the load, or go round again'),
    },
  ],
};
