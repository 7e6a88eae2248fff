import type { StationId } from '../../kit/ids.ts';
import { indexOf, type PlanItem } from '../../kit/plan.ts';
import { inTheBox } from '../../kit/put-on.ts';
import { openConflict } from '../gate/conflict-gate.ts';
import { waitsFor } from '../gate/joint-gate.ts';
import { lineGate } from '../gate/line-gate.ts';
import { firstStanding } from '../gate/overridden.ts';
import { piecesOnTray, stationsOfPart } from '../hardware-ledger.ts';
import { lineState, stationState } from '../job-state.ts';
import { ON_THE_FLOOR } from '../role.ts';
import { act, done, refuse, setStation, stampOf } from './act.ts';
import { findStation } from './find-station.ts';

export interface StartByHand {
  type: 'startByHand';
  station: StationId;
}

export interface StationStarted {
  type: 'stationStarted';
  station: StationId;
}

export interface StartUndone {
  type: 'startUndone';
  station: StationId;
}

export const startByHand = act<StartByHand, StationStarted | StartUndone>({
  may: ON_THE_FLOOR,
  decide({ plan, job }, { station: id }) {
    const found = findStation(plan, id);
    if (!found) return refuse({ code: 'unknownStation', station: id });
    const { station, group } = found;
    if (stationState(job, id).stage !== 'empty') return refuse({ code: 'alreadyStarted', station: id });
    if (stationState(job, id).mending?.at(-1)?.runs === false) return refuse({ code: 'threadStillBad', station: id });
    const conflict = openConflict(plan, [id]);
    if (conflict !== undefined) return refuse({ code: 'conflictOpen', conflict });
    const blocked = firstStanding(job, id, [
      lineGate(plan, job, station, 'start'),
      waitsFor({ plan }, job, group, 'start'),
    ]);
    if (blocked) return refuse(blocked);
    const { items } = indexOf(plan);
    const hardware = station.stack.flatMap((piece) => (piece.kind === 'hardware' ? (items.get(piece.item) ?? []) : []));
    // A part that no step of its own puts on goes on with its bolts.
    const parts = plan.items.filter((item) => stationsOfPart(plan, item).includes(station));
    const uncounted = [...hardware, ...parts].filter(
      (item) => inTheBox(item) && lineState(job, item.id).count === undefined,
    );
    if (uncounted.length > 0)
      return refuse({ code: 'notCounted', items: [...new Set(uncounted.map((item) => item.id))] });
    for (const item of new Set<PlanItem>(hardware)) {
      const available = piecesOnTray(plan, job, item);
      if (available < hardware.filter((piece) => piece === item).length)
        return refuse({ code: 'pieceShort', item: item.id, available });
    }
    for (const part of parts) {
      const available = piecesOnTray(plan, job, part);
      if (available < part.putOn) return refuse({ code: 'pieceShort', item: part.id, available });
    }
    return done({ type: 'stationStarted', station: id });
  },
  undo({ job }, last) {
    if (last.act !== 'startByHand') return refuse({ code: 'nothingToUndo' });
    const state = stationState(job, last.station);
    if (state.stage !== 'started' || state.bead) return refuse({ code: 'nothingToUndo' });
    return done({ type: 'startUndone', station: last.station });
  },
  fold: {
    stationStarted(draft, fact) {
      setStation(draft, fact.station, (station) => ({ ...station, stage: 'started', started: stampOf(fact) }));
      draft.undoable[fact.by.id] = { act: 'startByHand', station: fact.station };
    },
    startUndone(draft, fact) {
      setStation(draft, fact.station, ({ started: _, ...station }) => ({ ...station, stage: 'empty' }));
      draft.undoable[fact.by.id] = undefined;
    },
  },
});
