import type { HuntEvidence } from '#core/job/leftover-hunt.ts';
import type { PiecePlace } from '#core/job/piece-places.ts';
import { indexOf, type Plan } from '#core/kit/plan.ts';
import { lineOf } from '#core/line/line.ts';
import { say } from './say.ts';
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
      labels.length === 1
        ? say('{pieces} in station {labels}', { pieces, labels: labels[0] })
        : say('{pieces} each in stations {labels}', { pieces, labels: labels.join(', ') }),
    );
  for (const place of places) {
    const { pieces } = place;
    switch (place.where) {
      case 'station':
        break;
      case 'act': {
        const step = line.stepById.get(line.actById.get(place.act)?.step ?? '');
        told.push(
          step
            ? say('{pieces} on, by step {number}, {stepTitle}', {
                pieces,
                number: step.number,
                stepTitle: stepTitle(plan, step.step),
              })
            : say('{pieces} put in as shims', { pieces }),
        );
        break;
      }
      case 'group':
        told.push(
          say('{pieces} on, with {title}', { pieces, title: groups.get(place.group)?.title ?? say('its group') }),
        );
        break;
      case 'bag':
        told.push(say('{pieces} in the bag', { pieces }));
        break;
      case 'tray':
        told.push(say('{pieces} on the tray', { pieces }));
        break;
      case 'ownersBag':
        told.push(say('{pieces} in the owner’s bag', { pieces }));
        break;
      case 'quarantine':
        told.push(say('{pieces} damaged, kept apart', { pieces }));
        break;
      case 'scrap':
        told.push(say('{pieces} scrapped', { pieces }));
        break;
      case 'missing':
        told.push(say('{pieces} missing from the box', { pieces }));
        break;
    }
  }
  return told;
}

/** What speaks for a station: `taken out and put back`. */
export function evidenceText(evidence: HuntEvidence): string {
  switch (evidence.what) {
    case 'takenOut':
      return evidence.times === 1
        ? say('was taken out and put back')
        : say('was taken out and put back {times} times', { times: evidence.times });
    case 'several':
      return say('{pieces} of them belong into it', { pieces: evidence.pieces });
    case 'hurried':
      return say('started {seconds} s after the one before', { seconds: evidence.seconds });
    case 'brokeOff':
      return say('the work broke off after it, for {minutes} min', { minutes: evidence.minutes });
    case 'apprentice':
      return say('only an apprentice has worked on it');
    case 'notLookedAt':
      return say('nobody else has looked at it');
  }
}
