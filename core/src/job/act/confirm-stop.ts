import type { StationId } from '../../kit/ids.ts';
import { isByHand } from '../../tightening/kinds.ts';
import { sourceRefused } from '../gate/figure-source.ts';
import { finishingChecks } from '../gate/joint-gate.ts';
import { stationState } from '../job-state.ts';
import { ON_THE_FLOOR } from '../role.ts';
import { act, blank, done, refuse, setStation, stampOf } from './act.ts';
import { findStation } from './find-station.ts';

/** For joints with no figure: the stop is reached. Where the sheet gives neither, the reason says how it was judged. */
export interface ConfirmStop {
  type: 'confirmStop';
  station: StationId;
  reason?: string;
}

export interface StopConfirmed {
  type: 'stopConfirmed';
  station: StationId;
  reason?: string;
}

export const confirmStop = act<ConfirmStop, StopConfirmed>({
  may: ON_THE_FLOOR,
  decide(ask, { station: id, reason }) {
    const { plan, job, atMs } = ask;
    const found = findStation(plan, id);
    if (!found) return refuse({ code: 'unknownStation', station: id });
    const { spec } = found.station;
    if (!isByHand(spec)) return refuse({ code: 'needsTorque', station: id });
    const wantsReason = spec.kind === 'missing';
    if (spec.kind === 'missing' && spec.why === 'later') return refuse({ code: 'figureLater', station: id });
    if (wantsReason && found.station.tags?.includes('safetyCritical'))
      return refuse({ code: 'notForSafety', target: id, source: 'byFeel' });
    const notHere = wantsReason ? sourceRefused(plan.rules, ask.by, id, 'byFeel') : undefined;
    if (notHere) return refuse(notHere);
    if (wantsReason && blank(reason)) return refuse({ code: 'reasonMissing' });
    if (stationState(job, id).stopConfirmed) return refuse({ code: 'stationComplete', station: id });
    const blocked = finishingChecks(ask, job, { ...found, atMs });
    if (blocked) return refuse(blocked);
    return done({ type: 'stopConfirmed', station: id, ...(wantsReason ? { reason } : {}) });
  },
  fold: {
    stopConfirmed(draft, fact) {
      const { reason } = fact;
      setStation(draft, fact.station, (station) => ({ ...station, stopConfirmed: { ...stampOf(fact), reason } }));
    },
  },
});
