import type { StationId } from '../../kit/ids.ts';
import { indexOf } from '../../kit/plan.ts';
import { compoundMissing, notAllStarted, waitsFor, windowClosed } from '../gate/joint-gate.ts';
import { lineGate } from '../gate/line-gate.ts';
import { firstStanding } from '../gate/overridden.ts';
import { stationState } from '../job-state.ts';
import { ON_THE_FLOOR } from '../role.ts';
import { act, done, refuse, setStation, stampOf } from './act.ts';
import { findStation } from './find-station.ts';

/** What a bolt is run down with. */
export type SnugTool = 'hand' | 'power';

export interface Snug {
  type: 'snug';
  station: StationId;
  tool: SnugTool;
}

export interface StationSnugged {
  type: 'stationSnugged';
  station: StationId;
  tool: SnugTool;
}

export const snug = act<Snug, StationSnugged>({
  may: ON_THE_FLOOR,
  decide(ask, { station: id, tool }) {
    const { plan, job, atMs } = ask;
    const found = findStation(plan, id);
    if (!found) return refuse({ code: 'unknownStation', station: id });
    const { station, group } = found;
    const { stage } = stationState(job, id);
    if (stage === 'empty') return refuse({ code: 'notStarted', station: id });
    if (stage === 'snug') return refuse({ code: 'alreadySnug', station: id });
    const next = group.snugOrder.find((other) => stationState(job, other).stage === 'started');
    const standing = firstStanding(job, id, [
      lineGate(plan, job, station, 'snug'),
      notAllStarted(plan, job, group),
      waitsFor(ask, job, group, 'snug'),
      compoundMissing(job, station),
      tool === 'power' && indexOf(plan).kits.get(station.kit)?.powerTools === 'never'
        ? { code: 'powerToolForbidden', station: id }
        : undefined,
      next !== undefined && next !== id ? { code: 'outOfOrder', station: id, next } : undefined,
      windowClosed(ask, job, { station, group, atMs }),
    ]);
    return standing ? refuse(standing) : done({ type: 'stationSnugged', station: id, tool });
  },
  fold: {
    stationSnugged(draft, fact) {
      const { tool } = fact;
      setStation(draft, fact.station, (station) => ({
        ...station,
        stage: 'snug',
        snugged: { tool, ...stampOf(fact) },
      }));
    },
  },
});
