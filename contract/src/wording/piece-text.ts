import type { HuntEvidence } from '#core/job/leftover-hunt.ts';
import type { PiecePlace } from '#core/job/piece-places.ts';
import { indexOf, type Plan } from '#core/kit/plan.ts';
import { lineOf } from '#core/line/line.ts';
import { stepTitle } from './step-text.ts';

/** Where pieces are, one place after the other: `2 on the tray`, `1 in station 3`. */
export function placesText(plan: Plan, places: readonly PiecePlace[]): string[] {
  const { stations, groups } = indexOf(plan);
  const line = lineOf(plan);
  const told: string[] = [];
  /** Stations with as many pieces each are told together. */
  const byPieces = new Map<number, string[]>();
  for (const place of places)
    if (place.where === 'station')
      byPieces.set(place.pieces, [
        ...(byPieces.get(place.pieces) ?? []),
        stations.get(place.station)?.label ?? place.station,
      ]);
  for (const [pieces, labels] of byPieces)
    told.push(
      labels.length === 1 ? `${pieces} in station ${labels[0]}` : `${pieces} each in stations ${labels.join(', ')}`,
    );
  for (const place of places) {
    const { pieces } = place;
    switch (place.where) {
      case 'station':
        break;
      case 'act': {
        const step = line.stepById.get(line.actById.get(place.act)?.step ?? '');
        told.push(
          step ? `${pieces} on, by step ${step.number}, ${stepTitle(plan, step.step)}` : `${pieces} put in as shims`,
        );
        break;
      }
      case 'group':
        told.push(`${pieces} on, with ${groups.get(place.group)?.title ?? 'its group'}`);
        break;
      case 'bag':
        told.push(`${pieces} in the bag`);
        break;
      case 'tray':
        told.push(`${pieces} on the tray`);
        break;
      case 'ownersBag':
        told.push(`${pieces} in the owner’s bag`);
        break;
      case 'quarantine':
        told.push(`${pieces} damaged, kept apart`);
        break;
      case 'scrap':
        told.push(`${pieces} scrapped`);
        break;
      case 'missing':
        told.push(`${pieces} missing from the box`);
        break;
    }
  }
  return told;
}

/** What speaks for a station: `taken out and put back`. */
export function evidenceText(evidence: HuntEvidence): string {
  switch (evidence.what) {
    case 'takenOut':
      return evidence.times === 1 ? 'was taken out and put back' : `was taken out and put back ${evidence.times} times`;
    case 'several':
      return `${evidence.pieces} of them belong into it`;
    case 'hurried':
      return `started ${evidence.seconds} s after the one before`;
    case 'brokeOff':
      return `the work broke off after it, for ${evidence.minutes} min`;
    case 'apprentice':
      return 'only an apprentice has worked on it';
    case 'notLookedAt':
      return 'nobody else has looked at it';
  }
}
