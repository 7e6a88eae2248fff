import { fromBase, type TorqueUnit, toBase } from '../quantity/unit.ts';
import type { AcceptBand } from '../tightening/band.ts';
import { type Adapter, settingWithAdapterNm } from './adapter.ts';
import { scaleSetting } from './scale-setting.ts';
import type { Wrench } from './wrench.ts';

/** What a click wrench is set to for one pull, in the unit of its own scale. */
export interface ClickSetting {
  value: number;
  unit: TorqueUnit;
  /** On the scale, N·m. */
  settingNm: number;
  /** At the bolt when it clicks, N·m: the same without an adapter. */
  torqueNm: number;
}

/** A setting as it is read off a scale: to a tenth, where that still lies in the band; small ones finer. */
function asRead(value: number, min: number, max: number): number {
  const tenth = Number(value.toFixed(1));
  return tenth >= min && tenth <= max ? tenth : Number(value.toFixed(3));
}

/**
 * The setting of a click wrench for a pull: the mark of its scale nearest the target that still lies in the band; where its
 * marks are not known, or none lies in the band, the target itself. Through an adapter the setting is another than the
 * torque at the bolt.
 *
 * @returns undefined for a wrench that does not click, and for an adapter that leaves no lever
 */
export function clickSetting(
  wrench: Pick<Wrench, 'kind' | 'divisionNm' | 'scaleUnit' | 'fullScaleNm'>,
  band: AcceptBand,
  through?: Adapter,
): ClickSetting | undefined {
  if (wrench.kind !== 'click') return undefined;
  const share = through ? settingWithAdapterNm(1, through) : undefined;
  if (share && !share.ok) return undefined;
  const by = share?.value ?? 1;
  const { divisionNm, scaleUnit: unit } = wrench;
  // No mark lies above full scale, however wide the band.
  const onScale = { minNm: band.minNm * by, maxNm: Math.min(band.maxNm * by, wrench.fullScaleNm) };
  const marked = divisionNm === undefined ? undefined : scaleSetting(band.targetNm * by, divisionNm, onScale);
  const value = asRead(
    fromBase(marked?.settingNm ?? band.targetNm * by, unit),
    fromBase(onScale.minNm, unit),
    fromBase(onScale.maxNm, unit),
  );
  const settingNm = toBase(value, unit);
  return { value, unit, settingNm, torqueNm: settingNm / by };
}
