import { firstFault, type InputFault, outOfRange } from '../quantity/input-fault.ts';
import { fail, ok, type Result } from '../result.ts';
import { EXTENSION_BAR_MM, extensionTwistDeg, settingWithAdapterNm, torqueWithAdapterNm } from '../wrench/adapter.ts';
import { type ScaleSetting, scaleSetting } from '../wrench/scale-setting.ts';
import { type Remark, remarksThat } from './remark.ts';

/** What stands between square drive and fastener. Lengths in mm. */
export interface AdapterQuestion {
  /** At the fastener, N·m; or what the wrench was set to, and then what the fastener got is worked out. One of both. */
  torqueNm?: number;
  setNm?: number;
  /** Accepted at the fastener, N·m; `tolerance` each way when left out. */
  minNm?: number;
  maxNm?: number;
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
  /** At the fastener, N·m. */
  torqueNm: number;
  settingNm: number;
  /** What is accepted, at the fastener and as the wrench shows it, N·m. */
  accepted: { minNm: number; maxNm: number };
  acceptedOnWrench: { minNm: number; maxNm: number };
  /** Setting over torque. */
  ratio: number;
  twistDeg?: number;
  /** Mark to set; left out where no scale was given or no mark lies inside. */
  mark?: ScaleSetting;
  remarks: Remark[];
}

/** The setting of a wrench for a torque through an adapter or an extension, or the torque of a setting. */
export function adapterSetting(question: AdapterQuestion): Result<AdapterAnswer, InputFault> {
  const { wrenchLengthMm, offsetMm = 0, angleDeg = 0, extensionMm, divisionNm, tolerance = 0.05 } = question;
  const adapter = { wrenchLengthMm: wrenchLengthMm ?? 1000, offsetMm, angleDeg };
  if (question.setNm !== undefined && question.torqueNm !== undefined)
    return fail({ code: 'contradiction', field: 'setNm', with: 'torqueNm', reason: 'one gives the other' });
  const got = question.setNm === undefined ? undefined : torqueWithAdapterNm(question.setNm, adapter);
  if (got?.ok === false) return got;
  const torqueNm = got?.value ?? question.torqueNm ?? Number.NaN;
  const set = settingWithAdapterNm(torqueNm, adapter);
  if (!set.ok) return set;
  const settingNm = set.value;
  const { minNm = torqueNm * (1 - tolerance), maxNm = torqueNm * (1 + tolerance) } = question;
  const fault = firstFault(
    outOfRange('minNm', minNm, 0, maxNm),
    got ? undefined : outOfRange('torqueNm', torqueNm, minNm, maxNm),
  );
  if (fault) return fail(fault);
  const twist =
    extensionMm === undefined
      ? undefined
      : extensionTwistDeg(torqueNm, extensionMm, question.extensionBarMm ?? EXTENSION_BAR_MM['1/2 in'] ?? 16);
  if (twist?.ok === false) return twist;
  const by = settingNm / torqueNm;
  const range = { minNm: minNm * by, maxNm: maxNm * by };
  const mark = divisionNm === undefined ? undefined : scaleSetting(settingNm, divisionNm, range);
  // What a setting made is judged only where somebody said what is accepted.
  const outside =
    got !== undefined && (question.minNm ?? question.maxNm) !== undefined && (torqueNm < minNm || torqueNm > maxNm);
  return ok({
    torqueNm,
    settingNm,
    accepted: { minNm, maxNm },
    acceptedOnWrench: range,
    ratio: by,
    twistDeg: twist?.value,
    mark,
    remarks: remarksThat(
      divisionNm !== undefined && mark === undefined && { code: 'noMarkInRange' },
      outside && { code: 'gotOutside', gotNm: torqueNm, fromNm: minNm, toNm: maxNm },
      got === undefined && Math.abs(by - 1) > tolerance && { code: 'uncorrectedTorque', gotNm: torqueNm / by },
      extensionMm !== undefined && extensionMm > 0 && { code: 'straightExtension' },
      { code: 'handOnGrip' },
    ),
  });
}
