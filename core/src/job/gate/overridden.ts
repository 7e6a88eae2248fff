import type { StationId } from '../../kit/ids.ts';
import { type JobState, stationState } from '../job-state.ts';
import { OVERRIDABLE, type Refusal } from '../refusal.ts';

/** The first refusal that no lead has lifted for this station. */
export const firstStanding = (
  job: JobState,
  station: StationId,
  checks: ReadonlyArray<Refusal | undefined>,
): Refusal | undefined =>
  checks.find(
    (check) =>
      check !== undefined &&
      !(OVERRIDABLE.has(check.code) && stationState(job, station).overrides[check.code] !== undefined),
  );
