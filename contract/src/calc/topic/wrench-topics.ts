import { adapterSetting } from '#core/bench/adapter.ts';
import { doublingFault } from '#core/wrench/adapter.ts';
import { permissibleDeviation, pointResult } from '#core/wrench/calibration.ts';
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
  const { settingNm, ratio, twistDeg, remarks } = must(adapterSetting(question));
  return remarked({ settingNm, ratio, twistDeg, remarks });
}

export function band(input: CalcInput<'band'>) {
  need('fullScaleNm', input.fullScaleNm, 0.1, 5000);
  need('lowestNm', input.lowestNm ?? input.fullScaleNm / 5, 0, input.fullScaleNm);
  need('targetNm', input.targetNm, 0.01, 20_000);
  const usable = usableBand(input);
  const accepted = { minNm: input.minNm ?? input.targetNm * 0.95, maxNm: input.maxNm ?? input.targetNm * 1.05 };
  if (accepted.minNm > accepted.maxNm) refuse('minNm', 'is above maxNm');
  return {
    usable,
    inRange: input.targetNm >= usable.minNm - 1e-9 && input.targetNm <= usable.maxNm + 1e-9,
    accepted,
    permissibleDeviation: permissibleDeviation(input.fullScaleNm),
    setting:
      input.divisionNm === undefined
        ? undefined
        : (scaleSetting(input.targetNm, need('divisionNm', input.divisionNm, 0.001, 100), accepted) ?? null),
  };
}

export function calibration(input: CalcInput<'calibration'>) {
  const fullScaleNm = need('fullScaleNm', input.fullScaleNm, 0.1, 5000);
  const permissible = permissibleDeviation(fullScaleNm, input.kind);
  const points = (input.points ?? []).map(({ setNm, referenceNm }, index) => {
    need(`points[${index}].setNm`, setNm, 0.01, 5000);
    referenceNm.forEach((value, reading) => {
      need(`points[${index}].referenceNm[${reading}]`, value, 0.01, 10_000);
    });
    const readings = referenceNm.map((value) => ({ setNm, referenceNm: value }));
    return { setNm, ...pointResult(setNm / fullScaleNm, readings, permissible) };
  });
  if (points.length === 0 && input.history === undefined) refuse('points', 'give readings or a history');
  return {
    permissible,
    points,
    within: points.length > 0 ? points.every((point) => point.within) : undefined,
    chart: input.history && {
      ...controlChart(input.history),
      checksUntilOut: checksUntilOut(input.history, permissible) ?? null,
    },
  };
}
