import type { StationId } from '../../kit/ids.ts';
import { type JobState, stationState } from '../job-state.ts';
import type { Refusal } from '../refusal.ts';
import { ruleBehind } from './bending.ts';

/** The first refusal that nobody has lifted for this station. */
export const firstStanding = (
  job: JobState,
  station: StationId,
  checks: ReadonlyArray<Refusal | undefined>,
): Refusal | undefined =>
  checks.find(
    (check) =>
      check !== undefined &&
      !(ruleBehind(check.code, 'station') && stationState(job, station).overrides[check.code] !== undefined),
  );
