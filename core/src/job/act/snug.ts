import type { StationId } from '../../kit/ids.ts';
import { indexOf } from '../../kit/plan.ts';
import { COMPARISON_SLACK } from '../../tightening/judge-pull.ts';
import { compoundMissing, notAllStarted, waitsFor, windowClosed } from '../gate/joint-gate.ts';
import { lineGate } from '../gate/line-gate.ts';
import { firstStanding } from '../gate/overridden.ts';
import { stationState } from '../job-state.ts';
import { PLAUSIBLE_NM } from '../plausible.ts';
import { ON_THE_FLOOR } from '../role.ts';
import { isTooSmallForPower, runDownLimitNm, threadMm } from '../run-down.ts';
import type { SnugTool } from '../snug-tool.ts';
import { act, done, refuse, setStation, stampOf } from './act.ts';
import { findStation } from './find-station.ts';

export interface Snug {
  type: 'snug';
  station: StationId;
  tool: SnugTool;
  /** Torque it took to run down before the head met anything, N·m; left out: it ran down by its own weight or by fingers. */
  runDownNm?: number;
}

/** Said by mistake: it is still loose. */
export interface SnugWithdrawn {
  type: 'snugWithdrawn';
  station: StationId;
}

export interface StationSnugged {
  type: 'stationSnugged';
  station: StationId;
  tool: SnugTool;
  runDownNm?: number;
}

export const snug = act<Snug, StationSnugged | SnugWithdrawn>({
  may: ON_THE_FLOOR,
  decide(ask, { station: id, tool, runDownNm }) {
    const { plan, job, atMs } = ask;
    const found = findStation(plan, id);
    if (!found) return refuse({ code: 'unknownStation', station: id });
    const { station, group } = found;
    const { stage } = stationState(job, id);
    if (stage === 'empty') return refuse({ code: 'notStarted', station: id });
    if (stage === 'snug') return refuse({ code: 'alreadySnug', station: id });
    if (runDownNm !== undefined && !(runDownNm >= 0 && runDownNm <= PLAUSIBLE_NM))
      return refuse({ code: 'implausibleTorque', torqueNm: runDownNm, limitNm: PLAUSIBLE_NM });
    const limitNm = runDownLimitNm(plan, station);
    const { powerFromMm: fromMm, powerSeats } = plan.rules;
    const kitSays = indexOf(plan).kits.get(station.kit)?.powerTools;
    const power = tool !== 'hand';
    const next = group.snugOrder.find((other) => stationState(job, other).stage === 'started');
    const standing = firstStanding(job, id, [
      lineGate(plan, job, station, 'snug'),
      notAllStarted(plan, job, group),
      waitsFor(ask, job, group, 'snug'),
      compoundMissing(job, station),
      power && kitSays === 'never' ? { code: 'powerToolForbidden', station: id } : undefined,
      power && isTooSmallForPower(plan, station)
        ? { code: 'threadTooSmallForPower', station: id, threadMm: threadMm(plan, station) ?? 0, fromMm }
        : undefined,
      tool === 'powerSeated' && !(kitSays === 'free' && powerSeats)
        ? { code: 'driverSeats', station: id, says: kitSays === 'free' ? 'shop' : 'kit' }
        : undefined,
      next !== undefined && next !== id ? { code: 'outOfOrder', station: id, next } : undefined,
      windowClosed(ask, job, { station, group, atMs }),
      runDownNm !== undefined && limitNm !== undefined && runDownNm > limitNm + COMPARISON_SLACK
        ? { code: 'ranDownStiff', station: id, torqueNm: runDownNm, limitNm }
        : undefined,
    ]);
    return standing ? refuse(standing) : done({ type: 'stationSnugged', station: id, tool, runDownNm });
  },
  undo({ job }, last) {
    if (last.act !== 'snug') return refuse({ code: 'nothingToUndo' });
    const state = stationState(job, last.station);
    // What was pulled since stands on it.
    if (state.stage !== 'snug' || state.pulls.some(({ voided, withdrawn }) => !voided && !withdrawn))
      return refuse({ code: 'nothingToUndo' });
    return done({ type: 'snugWithdrawn', station: last.station });
  },
  fold: {
    snugWithdrawn(draft, fact) {
      setStation(draft, fact.station, ({ snugged: _, ...station }) => ({ ...station, stage: 'started' }));
      draft.undoable[fact.by.id] = undefined;
    },
    stationSnugged(draft, fact) {
      const { tool, runDownNm } = fact;
      setStation(draft, fact.station, (station) => ({
        ...station,
        stage: 'snug',
        snugged: { tool, runDownNm, ...stampOf(fact) },
      }));
      draft.undoable[fact.by.id] = { act: 'snug', station: fact.station };
    },
  },
});
