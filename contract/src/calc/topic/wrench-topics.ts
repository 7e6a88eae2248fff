import { adapterSetting } from '#core/bench/adapter.ts';
import { doublingFault } from '#core/wrench/adapter.ts';
import { calibrationResult, permissibleDeviation } from '#core/wrench/calibration.ts';
import { checksUntilOut, controlChart } from '#core/wrench/control-chart.ts';
import { scaleSetting } from '#core/wrench/scale-setting.ts';
import { usableBand } from '#core/wrench/usable-band.ts';
import type { CalcInput } from '../calc-input.ts';
import { must, need, refuse } from '../joint-input.ts';
import { remarked } from './remarked.ts';

export function adapter(input: CalcInput<'adapter'>) {
  const doubled = doublingFault({ secondWrench: input.secondWrench, pipe: input.pipeOnHandle });
  if (doubled) {
    return doubled.code === 'doubledWrench'
      ? refuse('secondWrench', 'two wrenches in line have no right setting')
      : refuse('pipeOnHandle', 'a pipe on the handle moves the hand off its mark');
  }
  const { secondWrench: _, pipeOnHandle: __, ...question } = input;
  if (question.wrenchLengthMm === undefined && question.offsetMm) {
    return refuse('wrenchLengthMm', 'an offset needs the length of the wrench');
  }
  if (question.torqueNm === undefined && question.setNm === undefined)
    return refuse('torqueNm', 'give the torque wanted at the fastener, such as 60, or what the wrench was set to');
  if (question.divisionNm !== undefined) need('divisionNm', question.divisionNm, 0.001, 100);
  const { mark, ...answer } = must(adapterSetting(question));
  return remarked({ ...answer, setting: question.divisionNm === undefined ? undefined : (mark ?? null) });
}

export function band(input: CalcInput<'band'>) {
  need('fullScaleNm', input.fullScaleNm, 0.1, 5000);
  need('lowestNm', input.lowestNm ?? input.fullScaleNm / 5, 0, input.fullScaleNm);
  need('targetNm', input.targetNm, 0.01, 20_000);
  const usable = usableBand(input);
  const accepted = { minNm: input.minNm ?? input.targetNm * 0.95, maxNm: input.maxNm ?? input.targetNm * 1.05 };
  if (accepted.minNm > accepted.maxNm) refuse('minNm', 'is above maxNm');
  if (input.targetNm < accepted.minNm || input.targetNm > accepted.maxNm)
    refuse('targetNm', `lies outside its own accepted band, ${accepted.minNm} to ${accepted.maxNm}`);
  // A mark outside what the wrench is trusted for is no setting, though the joint would accept it.
  const settable = {
    minNm: Math.max(accepted.minNm, usable.minNm),
    maxNm: Math.min(accepted.maxNm, usable.maxNm),
  };
  return {
    usable,
    inRange: input.targetNm >= usable.minNm - 1e-9 && input.targetNm <= usable.maxNm + 1e-9,
    accepted,
    permissibleDeviation: permissibleDeviation(input.fullScaleNm),
    setting:
      input.divisionNm === undefined
        ? undefined
        : (scaleSetting(input.targetNm, need('divisionNm', input.divisionNm, 0.001, 100), settable) ?? null),
  };
}

/** A wrench further out than this is broken, or its deviation was given in percent. Chosen by us. */
const MOST_DEVIATION = 0.5;

export function calibration(input: CalcInput<'calibration'>) {
  const fullScaleNm = need('fullScaleNm', input.fullScaleNm, 0.1, 5000);
  const given = input.points ?? [];
  given.forEach(({ setNm, referenceNm }, index) => {
    need(`points[${index}].setNm`, setNm, 0.01, 5000);
    referenceNm.forEach((value, reading) => {
      need(`points[${index}].referenceNm[${reading}]`, value, 0.01, 10_000);
    });
  });
  if (given.length === 0 && input.history === undefined) refuse('points', 'give readings or a history');
  input.history?.forEach((value, index) => {
    if (Math.abs(value) > MOST_DEVIATION)
      refuse(`history[${index}]`, `is a share of the reading: for 3 % give 0.03, was ${value}`);
  });
  const { permissible, points, complete, missing, within } = calibrationResult(
    { fullScaleNm, kind: input.kind },
    given.map(({ setNm, referenceNm }) => ({
      share: setNm / fullScaleNm,
      readings: referenceNm.map((value) => ({ setNm, referenceNm: value })),
    })),
  );
  return {
    permissible,
    points: points.map((point, index) => ({ setNm: given[index]?.setNm, ...point })),
    ...(given.length > 0 ? { complete, missing, within } : {}),
    chart: input.history && {
      ...controlChart(input.history),
      checksUntilOut: checksUntilOut(input.history, permissible) ?? null,
    },
  };
}
