import type { InputFault } from '../quantity/input-fault.ts';
import { ok, type Result } from '../result.ts';
import { EXTENSION_BAR_MM, extensionTwistDeg, settingWithAdapterNm } from '../wrench/adapter.ts';
import { type ScaleSetting, scaleSetting } from '../wrench/scale-setting.ts';
import { type Remark, remarksThat } from './remark.ts';

/** What stands between square drive and fastener. Lengths in mm. */
export interface AdapterQuestion {
  /** At the fastener, N·m. */
  torqueNm: number;
  /** Square drive to the middle of the grip; needed only with an offset. */
  wrenchLengthMm?: number;
  offsetMm?: number;
  angleDeg?: number;
  extensionMm?: number;
  /** Diameter of the extension's bar; a half inch square's when left out. */
  extensionBarMm?: number;
  /** One mark of the wrench's scale, N·m. */
  divisionNm?: number;
  /** Accepted each way, as a share of the torque. */
  tolerance?: number;
}

export interface AdapterAnswer {
  settingNm: number;
  /** Setting over torque. */
  ratio: number;
  twistDeg?: number;
  /** Mark to set; left out where no scale was given or no mark lies inside. */
  mark?: ScaleSetting;
  remarks: Remark[];
}

/** The setting of a wrench for a torque through an adapter or an extension. */
export function adapterSetting(question: AdapterQuestion): Result<AdapterAnswer, InputFault> {
  const { torqueNm, wrenchLengthMm, offsetMm = 0, angleDeg = 0, extensionMm, divisionNm, tolerance = 0.05 } = question;
  const set = settingWithAdapterNm(torqueNm, { wrenchLengthMm: wrenchLengthMm ?? 1000, offsetMm, angleDeg });
  if (!set.ok) return set;
  const settingNm = set.value;
  const twist =
    extensionMm === undefined
      ? undefined
      : extensionTwistDeg(torqueNm, extensionMm, question.extensionBarMm ?? EXTENSION_BAR_MM['1/2 in'] ?? 16);
  if (twist?.ok === false) return twist;
  const range = { minNm: settingNm * (1 - tolerance), maxNm: settingNm * (1 + tolerance) };
  const mark = divisionNm === undefined ? undefined : scaleSetting(settingNm, divisionNm, range);
  return ok({
    settingNm,
    ratio: settingNm / torqueNm,
    twistDeg: twist?.value,
    mark,
    remarks: remarksThat(
      divisionNm !== undefined && mark === undefined && { code: 'noMarkInRange' },
      Math.abs(settingNm / torqueNm - 1) > tolerance && {
        code: 'uncorrectedTorque',
        gotNm: torqueNm * (torqueNm / settingNm),
      },
      extensionMm !== undefined && extensionMm > 0 && { code: 'straightExtension' },
      { code: 'handOnGrip' },
    ),
  });
}
