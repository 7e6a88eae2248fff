import { describe, expect, it } from '@jest/globals';
import type { HuntEvidence } from '#core/job/leftover-hunt.ts';
import type { PiecePlace } from '#core/job/piece-places.ts';
import { TRANSFER_CASE_GUARD } from '#demo/kits.ts';
import { openKit } from '#demo/try-job.ts';
import { evidenceText, placesText } from './piece-text.ts';

const { plan } = openKit(TRANSFER_CASE_GUARD);
const [one, two] = plan.stations;

describe('where pieces are, in words', () => {
  it('stations with as many each are told together', () => {
    const places: PiecePlace[] = [
      { where: 'station', station: one?.id ?? '', pieces: 2 },
      { where: 'station', station: two?.id ?? '', pieces: 2 },
    ];
    expect(placesText(plan, places)).toEqual([`2 each in stations ${one?.label}, ${two?.label}`]);
    expect(placesText(plan, places.slice(0, 1))).toEqual([`2 in station ${one?.label}`]);
  });
  it.each<[PiecePlace, string]>([
    [{ where: 'bag', pieces: 6 }, '6 in the bag'],
    [{ where: 'tray', pieces: 1 }, '1 on the tray'],
    [{ where: 'group', group: 'guard', pieces: 1 }, `1 on, with ${plan.groups[0]?.title}`],
    [{ where: 'ownersBag', pieces: 2 }, '2 in the owner’s bag'],
    [{ where: 'quarantine', pieces: 1 }, '1 damaged, kept apart'],
    [{ where: 'scrap', pieces: 1 }, '1 scrapped'],
    [{ where: 'missing', pieces: 3 }, '3 missing from the box'],
    [{ where: 'act', act: '', pieces: 4 }, '4 put in as shims'],
  ])('%j', (place, text) => expect(placesText(plan, [place])).toEqual([text]));
});

it.each<[HuntEvidence, string]>([
  [{ what: 'takenOut', times: 1 }, 'was taken out and put back'],
  [{ what: 'takenOut', times: 2 }, 'was taken out and put back 2 times'],
  [{ what: 'several', pieces: 2 }, '2 of them belong into it'],
  [{ what: 'hurried', seconds: 3 }, 'started 3 s after the one before'],
  [{ what: 'brokeOff', minutes: 20 }, 'the work broke off after it, for 20 min'],
  [{ what: 'apprentice' }, 'only an apprentice has worked on it'],
  [{ what: 'notLookedAt' }, 'nobody else has looked at it'],
])('%j', (evidence, text) => expect(evidenceText(evidence)).toBe(text));
