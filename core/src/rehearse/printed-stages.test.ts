import { describe, expect, it } from '@jest/globals';
import { appendEvents, openLog } from '../job/job-log.ts';
import { stationState } from '../job/job-state.ts';
import { stationComplete } from '../job/station-progress.ts';
import { drafted } from '../kit/draft/fixture/drafted.ts';
import type { KitDocument } from '../kit/kit-document.ts';
import { ownPass } from '../kit/plan.ts';
import type { TighteningSpec } from '../tightening/kinds.ts';
import { rehearse } from './rehearsal.ts';

const FLYWHEEL = `1. Fit the flywheel with its 6 bolts.
2. Tighten the flywheel bolts in a star pattern in three passes.

   PASS     SPEC
   1        30 N.m
   2        60 N.m
   3        +75 degrees
`;

/** The pulls of a kit worked by a careful fitter: which station, in which pass, to what and how far turned. */
const pulls = (kit: KitDocument) => {
  const played = rehearse(kit, {});
  expect(played.deadEnd).toBeUndefined();
  return played.events.flatMap((event) =>
    event.type === 'pullRecorded' ? [[event.station, event.pass, event.torqueNm, event.angleDeg] as const] : [],
  );
};

/** A kit whose bolts are tightened in another way. */
const tightened = (kit: KitDocument, spec: TighteningSpec): KitDocument => ({
  ...kit,
  stations: kit.stations.map((station) => ({ ...station, specs: [{ spec, printed: 'as printed' }] })),
});

describe('stages that a sheet prints before its last pull', () => {
  const kit = drafted(FLYWHEEL);
  it('are pulled all round before a bolt is turned by its angle', () => {
    const made = pulls(kit);
    expect(made.map(([, pass]) => pass)).toEqual([...Array(6).fill(0), ...Array(6).fill(1)]);
    const first = made.slice(0, 6);
    expect(first.every(([, , torqueNm]) => torqueNm > 28.5 && torqueNm < 31.5)).toBe(true);
    // The turn is asked of the last pull alone.
    expect(first.every(([, , , angleDeg]) => angleDeg === undefined)).toBe(true);
    expect(made.slice(6).every(([, , , angleDeg]) => angleDeg === 75)).toBe(true);
  });
  it('are a habit of the shop where the sheet prints none, and no habit turns a bolt twice', () => {
    const plain = { ...kit, groups: kit.groups.map(({ stages: _, ...group }) => group) };
    expect(pulls(plain).map(([, pass]) => pass)).toEqual(Array(6).fill(1));
    // It is called its first pass, and not a second without one before it.
    const opened = openLog(rehearse(plain, {}).setup);
    expect(opened.ok && opened.value.plan.stations.map((station) => ownPass(station, 1))).toEqual(Array(6).fill(0));
  });
  it('come before a bolt is drawn to its yield point', () => {
    const made = pulls(tightened(kit, { kind: 'yieldControlled', thresholdNm: 60, maximumNm: 120 }));
    expect(made.map(([, pass]) => pass)).toEqual([...Array(6).fill(0), ...Array(6).fill(1)]);
  });
  it('are owed no more once a bolt has been turned by its angle', () => {
    const played = rehearse(kit, {});
    const opened = openLog(played.setup);
    if (!opened.ok) throw new Error(opened.error.code);
    // As it was recorded before the sheet's stages were pulled: the turn alone.
    const turned = played.events.filter((event) => event.type !== 'pullRecorded' || event.pass > 0);
    const { plan, state } = appendEvents(opened.value, turned);
    expect(plan.stations.map((station) => stationComplete(station, stationState(state, station.id)))).toEqual(
      Array(6).fill(true),
    );
  });
  it('ask no pin of a castle nut before its last', () => {
    const made = pulls(tightened(kit, { kind: 'slot', startNm: 60, ceilingNm: 80, slots: 6 }));
    expect(made).toHaveLength(12);
    expect(made.slice(0, 6).every(([, pass, torqueNm]) => pass === 0 && torqueNm < 32)).toBe(true);
  });
});
