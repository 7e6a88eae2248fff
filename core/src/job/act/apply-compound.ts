import { type Compound, setsOnTheThread } from '../../compound/compound.ts';
import type { ShelfBottle } from '../../compound/shelf-bottle.ts';
import type { StationId } from '../../kit/ids.ts';
import { indexOf } from '../../kit/plan.ts';
import { staysDry } from '../../line/stays-dry.ts';
import { beadComesFirst, lineGate } from '../gate/line-gate.ts';
import { firstStanding } from '../gate/overridden.ts';
import { stationState } from '../job-state.ts';
import { threadHasSet } from '../locker-window.ts';
import type { Refusal } from '../refusal.ts';
import { ON_THE_FLOOR } from '../role.ts';
import { act, done, refuse, setStation, stampOf } from './act.ts';
import { findStation } from './find-station.ts';

/** `cleaned`: old compound, oil and dirt are off the thread. */
export interface ApplyCompound {
  type: 'applyCompound';
  station: StationId;
  cleaned: boolean;
  /** The hole it screws into is clean and dry too: asked of a threaded hole, before anything that sets. */
  holeClean?: boolean;
  /** The bottle it came from, by its id in the crib. */
  bottle?: string;
}

/** Said by mistake: nothing is on that thread. */
export interface CompoundWithdrawn {
  type: 'compoundWithdrawn';
  station: StationId;
}

export interface CompoundApplied {
  type: 'compoundApplied';
  station: StationId;
  compound: string;
  cleaned: boolean;
  holeClean?: boolean;
  bottle?: { id: string; name: string; lot: string };
}

/** What speaks against the bottle in hand; undefined where it is the right one, or where the shop keeps no books of any. */
function bottleFault(
  bottles: readonly ShelfBottle[] | undefined,
  station: string,
  compound: Compound,
  said: string | undefined,
): Refusal | undefined {
  if (bottles === undefined) return undefined;
  if (said === undefined) {
    const there = bottles.filter(({ kind, fault }) => kind === compound.kind && fault === undefined);
    return there.length > 0
      ? { code: 'bottleNotSaid', station, bottles: there.map(({ name, lot }) => `${name}, lot ${lot}`) }
      : undefined;
  }
  const bottle = bottles.find(({ id }) => id === said);
  if (!bottle) return { code: 'unknownBottle', bottle: said };
  const { name, kind, fault, lastDay } = bottle;
  if (kind !== compound.kind) return { code: 'bottleWrongKind', bottle: name, wanted: compound.name };
  return fault && { code: 'bottleUnfit', bottle: name, because: fault, lastDay };
}

export const applyCompound = act<ApplyCompound, CompoundApplied | CompoundWithdrawn>({
  may: ON_THE_FLOOR,
  decide({ plan, job, bottles, atMs }, { station: id, cleaned, holeClean, bottle }) {
    const found = findStation(plan, id);
    if (!found) return refuse({ code: 'unknownStation', station: id });
    const state = stationState(job, id);
    const { compound } = found.station;
    if (compound === undefined) return refuse({ code: 'noCompoundHere', station: id });
    const product = indexOf(plan).compounds.get(compound);
    if (!product) return refuse({ code: 'noCompoundHere', station: id });
    // What holds by friction stays dry, whatever a rule for the whole kit says.
    if (staysDry(found.station, product.kind)) return refuse({ code: 'staysDry', station: id, compound: product.name });
    if (product.gradeUnknown) return refuse({ code: 'gradeUnknown', station: id, compound: product.name });
    // Only on a bolt known to start, since the clock runs from the bead; unless the sheet has it the other way round.
    if (state.stage === 'empty' && !beadComesFirst(plan, found.station))
      return refuse({ code: 'notStarted', station: id });
    // Where the sheet writes it late it goes on before the snug all the same: later the thread is shut.
    const gate = firstStanding(job, id, [lineGate(plan, job, found.station, 'apply')]);
    if (gate) return refuse(gate);
    // A bead put on before its bolt is started, and not started in time, is wiped off and put on anew.
    const hasSet = state.stage === 'empty' && threadHasSet(plan, job, found.station, atMs);
    if (state.bead && !hasSet) return refuse({ code: 'compoundAlreadyOn', station: id });
    if (state.stage === 'snug') return refuse({ code: 'alreadySnug', station: id });
    const residue = firstStanding(job, id, [cleaned ? undefined : { code: 'threadNotClean', station: id }]);
    if (residue) return refuse(residue);
    if (holeClean === false && setsOnTheThread(product.kind)) return refuse({ code: 'holeNotClean', station: id });
    const unfit = bottleFault(bottles, id, product, bottle);
    if (unfit) return refuse(unfit);
    const from = bottles?.find((entry) => entry.id === bottle);
    return done({
      type: 'compoundApplied',
      station: id,
      compound,
      cleaned,
      ...(holeClean === undefined ? {} : { holeClean }),
      ...(from ? { bottle: { id: from.id, name: from.name, lot: from.lot } } : {}),
    });
  },
  undo({ job }, last) {
    if (last.act !== 'applyCompound') return refuse({ code: 'nothingToUndo' });
    const state = stationState(job, last.station);
    if (!state.bead || state.stage === 'snug') return refuse({ code: 'nothingToUndo' });
    return done({ type: 'compoundWithdrawn', station: last.station });
  },
  fold: {
    compoundWithdrawn(draft, fact) {
      setStation(draft, fact.station, ({ bead: _, ...station }) => station);
      draft.undoable[fact.by.id] = undefined;
    },
    compoundApplied(draft, fact) {
      const { compound, cleaned, holeClean, bottle } = fact;
      setStation(draft, fact.station, (station) => ({
        ...station,
        bead: { compound, cleaned, holeClean, bottle, ...stampOf(fact) },
      }));
      draft.undoable[fact.by.id] = { act: 'applyCompound', station: fact.station };
    },
  },
});
