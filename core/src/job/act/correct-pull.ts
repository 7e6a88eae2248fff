import type { StationId } from '../../kit/ids.ts';
import { judgePull, type PullVerdict } from '../../tightening/judge-pull.ts';
import { missingAnswer } from '../gate/reading-gate.ts';
import { stationState } from '../job-state.ts';
import { pullBand } from '../next-station.ts';
import { PLAUSIBLE_NM } from '../plausible.ts';
import { ANSWERABLE } from '../role.ts';
import { act, blank, done, refuse, setStation, stampOf } from './act.ts';
import { findStation } from './find-station.ts';

/** Puts a mistyped reading right. `pinFits`: said again where the joint asks for it and the reading lacked it. */
export interface CorrectPull {
  type: 'correctPull';
  station: StationId;
  pull: string;
  torqueNm: number;
  reason: string;
  pinFits?: boolean;
}

export interface PullCorrected {
  type: 'pullCorrected';
  station: StationId;
  pull: string;
  from: number;
  to: number;
  verdict: PullVerdict;
  reason: string;
  pinFits?: boolean;
}

export const correctPull = act<CorrectPull, PullCorrected>({
  may: ANSWERABLE,
  decide({ plan, job }, { station: id, pull, torqueNm, reason, pinFits }) {
    const found = findStation(plan, id);
    if (!found) return refuse({ code: 'unknownStation', station: id });
    const { station, group } = found;
    const record = stationState(job, id).pulls.find((entry) => entry.id === pull);
    if (!record) return refuse({ code: 'unknownPull', pull });
    // What was taken back or loosened since proves nothing, and no figure makes it prove something.
    if (record.withdrawn || record.voided) return refuse({ code: 'pullNotStanding', station: id, pull });
    // The wrench said it itself: a reading it sent is no slip of the keyboard.
    if (record.source === 'live') return refuse({ code: 'liveNotCorrected', station: id, pull });
    if (blank(reason)) return refuse({ code: 'reasonMissing' });
    if (!(torqueNm > 0 && torqueNm <= PLAUSIBLE_NM))
      return refuse({ code: 'implausibleTorque', torqueNm, limitNm: PLAUSIBLE_NM });
    const band = pullBand(plan, station, record.pass);
    if (!band) return refuse({ code: 'noTorqueFigure', station: id });
    const reading = { ...record, torqueNm, pinFits: pinFits ?? record.pinFits };
    const verifying = group.passes[record.pass]?.kind === 'verify';
    const verdict = judgePull(band, reading, { verifying });
    const asked = missingAnswer(station, group.passes[record.pass], reading, verdict);
    if (asked) return refuse(asked);
    return done({
      type: 'pullCorrected',
      station: id,
      pull,
      from: record.torqueNm,
      to: torqueNm,
      verdict,
      reason,
      ...(pinFits === undefined ? {} : { pinFits }),
    });
  },
  fold: {
    pullCorrected(draft, fact) {
      const { from, to, reason, verdict, pinFits } = fact;
      const correction = { from, to, reason, ...stampOf(fact) };
      setStation(draft, fact.station, (station) => ({
        ...station,
        pulls: station.pulls.map((pull) =>
          pull.id === fact.pull
            ? {
                ...pull,
                torqueNm: to,
                verdict,
                ...(pinFits === undefined ? {} : { pinFits }),
                corrections: [...pull.corrections, correction],
              }
            : pull,
        ),
      }));
    },
  },
});
