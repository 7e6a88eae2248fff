import { CalcRefusal, must } from '#contract/calc/joint-input.ts';
import { say } from '#contract/wording/say.ts';
import { adapterSetting } from '#core/bench/adapter.ts';
import { doublingFault, EXTENSION_BAR_MM } from '#core/wrench/adapter.ts';
import { Curve } from '../../../drawing/Curve.tsx';
import type { BenchTool } from '../bench-tool.ts';
import { Lever } from '../drawing/Lever.tsx';
import { inLine } from '../show-figure.ts';
import { yesNo } from './joint-fields.ts';

/** What to set when something stands between square drive and fastener. */
export const ADAPTER: BenchTool = {
  id: 'adapter',
  title: say('Crow-foot and extension'),
  says: say('The setting for an offset adapter at any angle; the twist of a straight extension.'),
  example: 'crowfoot 50',
  words: ['crowfoot', 'crow-foot', 'adapter', 'offset', 'extension', 'setting', 'dial', 'wrench', 'dogbone'],
  wide: true,
  takes: ['offset', 'torque', 'wrench'],
  fields: [
    { key: 'torque', label: say('Torque at the fastener'), initial: '60', kind: 'number', unit: 'N·m' },
    { key: 'wrench', label: say('Square drive to grip, L'), initial: '420', kind: 'number', unit: 'mm' },
    { key: 'offset', label: say('Square drive to fastener, E'), initial: '50', kind: 'number', unit: 'mm' },
    {
      key: 'angle',
      label: say('Angle'),
      initial: '0',
      kind: 'number',
      unit: '°',
      hint: say('0 in line, 90 across, 180 folded back'),
    },
    { key: 'division', label: say('One mark of the scale'), initial: '1', kind: 'number', unit: 'N·m' },
    { key: 'extension', label: say('Straight extension'), initial: '0', kind: 'number', unit: 'mm' },
    {
      key: 'square',
      label: say('Square of the extension'),
      initial: '1/2 in',
      kind: 'choice',
      options: Object.keys(EXTENSION_BAR_MM).map((value) => ({ value, label: value })),
    },
    {
      key: 'set',
      label: say('It was set to'),
      initial: '',
      kind: 'number',
      unit: 'N·m',
      hint: say('empty: not pulled yet'),
    },
    { key: 'second', label: say('A second wrench in line'), initial: 'no', kind: 'choice', options: yesNo },
    {
      key: 'tolerance',
      label: say('Accepted, each way'),
      initial: '5',
      kind: 'number',
      assumption: true,
      hint: say('% of the torque'),
    },
  ],
  answer(read) {
    const { show } = read;
    if (doublingFault({ secondWrench: read.yes('second') }))
      throw new CalcRefusal({
        field: 'second',
        reason: say('two wrenches in line have no right setting: the lever is neither’s own'),
      });
    const torqueNm = read.number('torque', 0.1, 2000);
    const [wrenchMm, offsetMm, angleDeg] = [
      read.number('wrench', 50, 3000),
      read.number('offset', 0, 1000),
      read.number('angle', -180, 180),
    ];
    const question = {
      torqueNm,
      wrenchLengthMm: wrenchMm,
      offsetMm,
      extensionMm: read.number('extension', 0, 2000),
      extensionBarMm: EXTENSION_BAR_MM[read.choice('square')],
      divisionNm: read.number('division', 0.001, 100),
      tolerance: read.number('tolerance', 0.1, 30) / 100,
    };
    const { settingNm, mark, ratio, twistDeg, acceptedOnWrench, accepted, remarks } = must(
      adapterSetting({ ...question, angleDeg }),
      'offset',
    );
    const setNm = read.optional('set', 0.1, 2000);
    // Set without counting the adapter: what the fastener got, against what it should have.
    const made =
      setNm === undefined
        ? undefined
        : must(adapterSetting({ ...question, ...accepted, angleDeg, torqueNm: undefined, setNm }), 'set');
    const grid = Array.from({ length: 37 }, (_, i) => i * 5);
    return {
      main: { label: say('Set the wrench to'), shown: show.torque(mark?.settingNm ?? settingNm) },
      figures: [
        ...(made ? [{ label: say('The fastener got'), shown: show.torque(made.torqueNm) }] : []),
        { label: say('Exactly'), shown: show.torque(settingNm) },
        { label: say('Accepted on the wrench, from'), shown: show.torque(acceptedOnWrench.minNm) },
        { label: say('Accepted on the wrench, to'), shown: show.torque(acceptedOnWrench.maxNm) },
        { label: say('At the fastener'), shown: show.torque(torqueNm) },
        { label: say('Setting over torque'), shown: show.percent(ratio) },
        ...(mark ? [{ label: say('Rounding of the scale'), shown: show.percent(mark.roundingNm / settingNm) }] : []),
        ...(question.extensionMm > 0 ? [{ label: say('Extension twists'), shown: show.angle(twistDeg ?? 0) }] : []),
      ],
      remarks: [...(made?.remarks.filter(({ code }) => code === 'gotOutside') ?? []), ...remarks],
      drawing: (
        <Lever
          wrenchMm={wrenchMm}
          offsetMm={offsetMm}
          angleDeg={angleDeg}
          label={say('Wrench of {wrenchMm} mm with an adapter of {offsetMm} mm at {angleDeg}°', {
            wrenchMm,
            offsetMm,
            angleDeg,
          })}
        />
      ),
      chart: (
        <Curve
          label={say('Setting over the angle of the adapter')}
          xLabel={say('angle of the adapter, °')}
          yLabel={say('setting, N·m')}
          series={[
            {
              key: 'setting',
              label: say('setting'),
              points: grid.flatMap((deg) => {
                const there = adapterSetting({ ...question, angleDeg: deg });
                return there.ok ? [[deg, there.value.settingNm] as const] : [];
              }),
            },
          ]}
          yFrom={settingNm * 0.75}
          limits={[{ y: torqueNm, text: say('torque wanted') }]}
          marks={[{ x: Math.abs(angleDeg), y: settingNm, text: inLine(show.torque(settingNm)) }]}
        />
      ),
      summary: say('Adapter {inLine} at {angleDeg}° on a wrench of {inLine2}: set {inLine3} for {inLine4}', {
        inLine: inLine(show.length(offsetMm)),
        angleDeg,
        inLine2: inLine(show.length(wrenchMm)),
        inLine3: inLine(show.torque(mark?.settingNm ?? settingNm)),
        inLine4: inLine(show.torque(torqueNm)),
      }),
    };
  },
  sources: [
    { what: say('Setting = T · L / (L + E cos a)'), where: say('lever equilibrium') },
    {
      what: say('Twist of the extension, G 80 GPa'),
      where: say('strength of materials; bar diameter by square: common practice'),
    },
  ],
};
