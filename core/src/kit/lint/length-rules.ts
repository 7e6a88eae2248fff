import { requiredEngagement, TAPPED_TENSILE_MPA } from '../../fastener/thread-engagement.ts';
import type { Item } from '../kit-document.ts';
import { type Finding, finding } from './finding.ts';
import { engagementMm, nutHeightMm, type StationJoint, strengthOf } from './station-joint.ts';

/** To a tenth, as the lint says lengths and torques. */
export const round = (value: number): number => Math.round(value * 10) / 10;
/** A line of the packing list by its number and name. */
export const lineOf = (item: Item): string => `${item.line} ${item.name}`;

/** Rule 8: the bolt's length against its stack. */
export function lengths(joints: readonly StationJoint[]): Finding[] {
  return joints.flatMap((joint): Finding[] => {
    const { bolt, thread, gripMm, tapped } = joint;
    const engaged = engagementMm(joint);
    if (bolt?.lengthMm === undefined || !thread || gripMm === undefined || engaged === undefined) return [];
    const facts = { lengthMm: bolt.lengthMm, gripMm: round(gripMm), engagedMm: round(engaged), line: lineOf(bolt) };
    const path = `${joint.path}.stack`;
    if (tapped?.tapped) {
      const { depthMm, blind } = tapped.tapped;
      const reach = bolt.lengthMm - gripMm;
      // The last turn of a blind thread is never full.
      if (blind && reach > depthMm - thread.pitchMm)
        return [
          finding('bottomsOut', path, joint.place, {
            ...facts,
            depthMm,
            overMm: round(reach - depthMm + thread.pitchMm),
          }),
        ];
      const strength = strengthOf(joint);
      const material =
        tapped.material === 'plastic' || tapped.material === 'rubber' ? undefined : (tapped.material ?? 'steel');
      const required =
        strength && material
          ? requiredEngagement({
              thread,
              boltTensileMpa: strength.tensileMpa,
              tappedTensileMpa: TAPPED_TENSILE_MPA[material],
            })
          : undefined;
      const neededMm = required?.ok ? required.value.basic.lengthMm : thread.nominalMm;
      return engaged < neededMm
        ? [finding('engagementShort', path, joint.place, { ...facts, neededMm: round(neededMm), into: 'tapped' })]
        : [];
    }
    const height = nutHeightMm(joint);
    if (height === undefined) return [];
    const past = bolt.lengthMm - gripMm - height;
    // A nut with less than its whole thread in use does not carry its class (ISO 898-2, proof test).
    if (past < 0)
      return [finding('engagementShort', path, joint.place, { ...facts, neededMm: round(height), into: 'nut' })];
    // Two turns past the nut: common practice, no source.
    return past < 2 * thread.pitchMm
      ? [
          finding('noThreadShowing', path, joint.place, {
            ...facts,
            pastMm: round(past),
            wantedMm: round(2 * thread.pitchMm),
          }),
        ]
      : [];
  });
}
