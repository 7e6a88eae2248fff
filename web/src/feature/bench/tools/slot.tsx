import { CalcRefusal, must } from '#contract/calc/joint-input.ts';
import { inputFaultText } from '#contract/wording/input-fault-text.ts';
import { say } from '#contract/wording/say.ts';
import { castleNut } from '#core/bench/castle.ts';
import { jointStiffness } from '#core/tightening/joint-stiffness.ts';
import { usualFace } from '#core/tightening/proposed-torque.ts';
import { evenFriction, finishFriction, type ThreadFinish } from '#core/tightening/thread-finish.ts';
import { torquePerNewton } from '#core/tightening/tightening-torque.ts';
import { preloadPerDegreeN } from '#core/tightening/torque-angle.ts';
import type { BenchTool } from '../bench-tool.ts';
import { CastleNut } from '../drawing/CastleNut.tsx';
import { inLine, threeFigures } from '../show-figure.ts';
import { finishField, VDI } from './joint-fields.ts';

/** Castle nut: on to the next slot, or a shim; never back. */
export const SLOT: BenchTool = {
  id: 'slot',
  title: say('Castle nut'),
  says: say('Degrees to the next slot and the torque it will take; a shim when that is too much.'),
  example: 'castle nut 35',
  words: ['castle', 'slot', 'slotted', 'pin', 'cotter', 'ball joint', 'tie rod'],
  takes: ['torque', 'ceiling'],
  fields: [
    { key: 'thread', label: say('Thread'), initial: 'M14 x 1.5', kind: 'text' },
    { key: 'slots', label: say('Slots'), initial: '6', kind: 'number' },
    { key: 'past', label: say('Turned past the last slot'), initial: '45', kind: 'number', unit: '°' },
    { key: 'torque', label: say('Torque on it'), initial: '47', kind: 'number', unit: 'N·m' },
    { key: 'ceiling', label: say('Never over'), initial: '61', kind: 'number', unit: 'N·m' },
    { key: 'grip', label: say('Clamped length'), initial: '20', kind: 'number', unit: 'mm' },
    {
      key: 'measured',
      label: say('Torque per 10°, measured'),
      initial: '4',
      kind: 'number',
      unit: 'N·m',
      hint: say('empty: from the stiffness, which a taper does not have'),
    },
    finishField('finish', say('On the thread'), 'oiled'),
  ],
  answer(read) {
    const { show } = read;
    const thread = read.thread();
    const slots = Math.round(read.number('slots', 3, 12));
    const past = read.number('past', 0, 360 / slots);
    const face = usualFace(thread) ?? { outsideMm: 1.5 * thread.nominalMm, holeMm: 1.1 * thread.nominalMm };
    const stiff = jointStiffness({
      thread,
      gripMm: read.number('grip', 2, 300),
      bearingMm: face.outsideMm,
      holeMm: face.holeMm,
      partDiameterMm: 2 * face.outsideMm,
      part: 'steel',
      into: 'nut',
    });
    if (!stiff.ok) throw new CalcRefusal(inputFaultText(stiff.error));
    const measured = read.optional('measured', 0.01, 500);
    const mu = finishFriction(read.choice<ThreadFinish>('finish')).usual;
    const nmPerDeg =
      measured === undefined
        ? preloadPerDegreeN(thread, stiff.value) * torquePerNewton(thread, evenFriction(mu), face)
        : measured / 10;
    const [torqueNm, ceilingNm] = [read.number('torque', 0, 1500), read.number('ceiling', 0, 1500)];
    if (torqueNm > ceilingNm)
      throw new CalcRefusal({
        field: 'torque',
        reason: say('already over the ceiling: fit a new nut and start again'),
      });
    const a = must(castleNut(slots, past, torqueNm, ceilingNm, nmPerDeg, thread.pitchMm));
    const there = a.kind === 'pinFits' ? torqueNm : a.torqueThereNm;
    return {
      main:
        a.kind === 'pinFits'
          ? { label: say('Now'), shown: show.text('Pin fits') }
          : {
              label: a.kind === 'turnOn' ? say('Turn on by') : say('Next slot is'),
              shown: show.angle(a.toNextSlotDeg),
            },
      figures: [
        { label: say('Torque at the next slot'), shown: show.torque(there) },
        { label: say('Never over'), shown: show.torque(ceilingNm) },
        { label: say('Gained per 10°'), shown: show.torque(nmPerDeg * 10) },
        { label: say('A slot every'), shown: show.angle(360 / slots) },
        ...(a.kind === 'shimOrChangeNut' ? [{ label: say('Shim'), shown: show.length(a.shimMm) }] : []),
      ],
      remarks: a.remarks,
      drawing: (
        <CastleNut
          slots={slots}
          pastDeg={past}
          label={say('Castle nut of {slots} slots, {past}° past the last', { slots, past })}
        />
      ),
      summary: say('{designation} castle nut, {slots} slots, {threeFigures}° past at {inLine}: {which}', {
        designation: thread.designation,
        slots,
        threeFigures: threeFigures(past),
        inLine: inLine(show.torque(torqueNm)),
        which:
          a.kind === 'pinFits'
            ? say('pin fits')
            : a.kind === 'turnOn'
              ? say('turn on {threeFigures}° to about {inLine}', {
                  threeFigures: threeFigures(a.toNextSlotDeg),
                  inLine: inLine(show.torque(there)),
                })
              : say('shim or other nut, next slot is over the ceiling'),
      }),
    };
  },
  sources: [
    {
      what: say('360° over the slots; next slot only, never back'),
      where: say('geometry; common practice, no source'),
    },
    { what: say('Torque per degree from the stiffness'), where: `${VDI}, 5.1 and 5.4.2` },
    { what: say('Pin goes through within 3°'), where: say('chosen by us') },
  ],
};
