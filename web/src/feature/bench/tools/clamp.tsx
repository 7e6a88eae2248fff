import { must } from '#contract/calc/joint-input.ts';
import { say } from '#contract/wording/say.ts';
import { clampAt } from '#core/bench/clamp.ts';
import type { ThreadFinish } from '#core/tightening/thread-finish.ts';
import { Curve } from '../../../drawing/Curve.tsx';
import type { BenchTool } from '../bench-tool.ts';
import { BandRound } from '../drawing/BandRound.tsx';
import { inLine, threeFigures } from '../show-figure.ts';
import { finishField } from './joint-fields.ts';

/** What a band or hose clamp presses with. */
export const CLAMP: BenchTool = {
  id: 'clamp',
  title: say('Band and hose clamps'),
  says: say('The pressure a clamp’s bolt makes round a hose or pipe.'),
  example: 'clamp 60 3 nm',
  words: ['clamp', 'hose', 'band', 'hoop', 'boost', 'pipe', 'coupler'],
  takes: ['diameter', 'torque'],
  fields: [
    { key: 'thread', label: say('Clamp bolt'), initial: 'M6', kind: 'text' },
    { key: 'torque', label: say('Torque'), initial: '3', kind: 'number', unit: 'N·m' },
    { key: 'most', label: say('Never over'), initial: '4', kind: 'number', unit: 'N·m' },
    finishField('finish', say('On the thread'), 'dry'),
    { key: 'diameter', label: say('Hose outside'), initial: '60', kind: 'number', unit: 'mm' },
    { key: 'width', label: say('Band width'), initial: '14', kind: 'number', unit: 'mm' },
    { key: 'pressure', label: say('Pressure inside'), initial: '2', kind: 'number', hint: 'bar' },
  ],
  answer(read) {
    const { show } = read;
    const thread = read.thread();
    const torqueNm = read.number('torque', 0.01, 200);
    const most = read.number('most', 0.01, 200);
    const [diameter, width] = [read.number('diameter', 2, 2000), read.number('width', 1, 300)];
    const inside = read.number('pressure', 0, 100);
    const clamp = {
      thread,
      face: read.face(thread),
      finish: read.choice<ThreadFinish>('finish'),
      hoseMm: diameter,
      bandMm: width,
      mostNm: most,
    };
    const at = (nm: number) => {
      const pressed = must(clampAt(clamp, nm));
      return { ...pressed, bar: pressed.pressureMpa * 10 };
    };
    const now = at(torqueNm);
    return {
      main: { label: say('Presses with'), shown: show.text(threeFigures(now.bar), 'bar') },
      figures: [
        { label: say('Bolt'), shown: show.force(now.boltN) },
        {
          label: say('Against the pressure inside'),
          shown: inside > 0 ? show.plain(now.bar / inside, '×') : show.text('–'),
        },
        { label: say('At the most allowed'), shown: show.text(threeFigures(at(most).bar), 'bar') },
      ],
      remarks: now.remarks,
      drawing: <BandRound label={say('A band clamp round a hose')} />,
      chart: (
        <Curve
          label={say('Pressure over torque')}
          xLabel={say('torque, N·m')}
          yLabel={say('pressure, bar')}
          xOther={{ label: 'lbf·in', factor: 8.850745767 }}
          series={[
            {
              key: 'p',
              label: say('pressure'),
              points: [0, 0.25, 0.5, 0.75, 1].map((s) => [s * most * 1.3, at(Math.max(0.001, s * most * 1.3)).bar]),
            },
          ]}
          limits={[{ x: most, text: say('never over'), bad: true }]}
          marks={[{ x: torqueNm, y: now.bar, text: `${threeFigures(torqueNm)} N·m` }]}
        />
      ),
      summary: say('Band clamp {designation}, {inLine} on {inLine2}: {threeFigures} bar', {
        designation: thread.designation,
        inLine: inLine(show.torque(torqueNm)),
        inLine2: inLine(show.length(diameter)),
        threeFigures: threeFigures(now.bar),
      }),
    };
  },
  sources: [
    {
      what: say('p = F/(r·b), friction round the band left out'),
      where: say('thin ring, any strength of materials text'),
    },
    { what: say('Bolt force by the long form'), where: 'VDI 2230-1:2015, (R13)' },
  ],
};
