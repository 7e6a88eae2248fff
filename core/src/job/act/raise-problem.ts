import type { StationId } from '../../kit/ids.ts';
import { EVERYBODY } from '../role.ts';
import { act, blank, done, refuse, stampOf } from './act.ts';
import { findStation } from './find-station.ts';

export interface RaiseProblem {
  type: 'raiseProblem';
  station?: StationId;
  text: string;
}

export interface ProblemRaised {
  type: 'problemRaised';
  problem: string;
  station?: StationId;
  text: string;
  /** The act of the line whose check was not met. */
  act?: string;
}

export const raiseProblem = act<RaiseProblem, ProblemRaised>({
  may: EVERYBODY,
  decide({ plan, commandId }, { station, text }) {
    if (blank(text)) return refuse({ code: 'reasonMissing' });
    if (station !== undefined && !findStation(plan, station)) return refuse({ code: 'unknownStation', station });
    return done({ type: 'problemRaised', problem: commandId, station, text });
  },
  fold: {
    problemRaised(draft, fact) {
      const { problem, station, text, act: of } = fact;
      draft.problems[problem] = { station, text, ...(of === undefined ? {} : { act: of }), ...stampOf(fact) };
    },
  },
});
