import { unreachable } from '../result.ts';
import { foldVisit } from './fold-visit.ts';
import type { JobEvent } from './job-event.ts';
import {
  type JobState,
  type LineState,
  lineState,
  type Pull,
  type StationState,
  stationState,
  type Undoable,
} from './job-state.ts';

/** A state whose own maps may be written; what stands in the maps is never changed, only replaced. */
type Draft = Omit<JobState, 'stations'> & { stations: Map<string, StationState> };

function setStation(draft: Draft, id: string, change: (station: StationState) => StationState): void {
  draft.stations.set(id, change(stationState(draft, id)));
}

function setLine(draft: Draft, id: string, change: (line: LineState) => LineState): void {
  draft.lines[id] = change(lineState(draft, id));
}

function setUndo(draft: Draft, person: string, undoable: Undoable | undefined): void {
  draft.undoable[person] = undoable;
}

const changePull = (station: StationState, id: string, change: (pull: Pull) => Pull): StationState => ({
  ...station,
  pulls: station.pulls.map((pull) => (pull.id === id ? change(pull) : pull)),
});

/** A pull as the station keeps it. Field by field: this is the event a long job has most of. */
const pullOf = (event: Extract<JobEvent, { type: 'pullRecorded' }>): Pull => ({
  id: event.commandId,
  station: event.station,
  pass: event.pass,
  torqueNm: event.torqueNm,
  angleDeg: event.angleDeg,
  movementDeg: event.movementDeg,
  wrench: event.wrench,
  source: event.source,
  entered: event.entered,
  verdict: event.verdict,
  targetNm: event.targetNm,
  minNm: event.minNm,
  maxNm: event.maxNm,
  pinFits: event.pinFits,
  seatedAndBackedOff: event.seatedAndBackedOff,
  atMs: event.atMs,
  by: event.by,
  corrections: [],
});

/** Writes one event into a draft. */
function apply(draft: Draft, event: JobEvent): void {
  const stamp = { atMs: event.atMs, by: event.by };
  switch (event.type) {
    case 'answerChanged': {
      const { question, from, to } = event;
      draft.answers = { ...draft.answers, [question]: to };
      draft.answerChanges = [...draft.answerChanges, { question, from, to, ...stamp }];
      return;
    }
    case 'lineCounted': {
      const { item, found, damaged, previous } = event;
      setLine(draft, item, (line) => ({ ...line, count: { found, damaged, ...stamp } }));
      setUndo(draft, event.by.id, { kind: 'count', item, previous });
      return;
    }
    case 'countUndone': {
      const { previous } = event;
      setLine(draft, event.item, ({ count: _, ...line }) =>
        previous ? { ...line, count: { ...previous, ...stamp } } : line,
      );
      setUndo(draft, event.by.id, undefined);
      return;
    }
    case 'shopStockUsed':
      setLine(draft, event.item, (line) => ({
        ...line,
        shopStock: [...line.shopStock, { quantity: event.quantity, reason: event.reason, ...stamp }],
      }));
      return;
    case 'pieceScrapped':
      setLine(draft, event.item, (line) => ({
        ...line,
        scrapped: [...line.scrapped, { quantity: event.quantity, reason: event.reason, ...stamp }],
      }));
      return;
    case 'spareDeclared':
      setLine(draft, event.item, (line) => ({ ...line, spare: { quantity: event.quantity, ...stamp } }));
      return;
    case 'stationStarted':
      setStation(draft, event.station, (station) => ({ ...station, stage: 'started', started: stamp }));
      setUndo(draft, event.by.id, { kind: 'start', station: event.station });
      return;
    case 'startUndone':
      setStation(draft, event.station, ({ started: _, ...station }) => ({ ...station, stage: 'empty' }));
      setUndo(draft, event.by.id, undefined);
      return;
    case 'compoundApplied':
      setStation(draft, event.station, (station) => ({
        ...station,
        bead: { compound: event.compound, cleaned: event.cleaned, ...stamp },
      }));
      return;
    case 'stationSnugged':
      setStation(draft, event.station, (station) => ({
        ...station,
        stage: 'snug',
        snugged: { tool: event.tool, ...stamp },
      }));
      return;
    case 'pullRecorded': {
      setStation(draft, event.station, (station) => ({ ...station, pulls: [...station.pulls, pullOf(event)] }));
      setUndo(draft, event.by.id, { kind: 'pull', station: event.station, pull: event.commandId });
      return;
    }
    case 'pullWithdrawn':
      setStation(draft, event.station, (station) =>
        changePull(station, event.pull, (pull) => ({ ...pull, withdrawn: stamp })),
      );
      setUndo(draft, event.by.id, undefined);
      return;
    case 'pullCorrected':
      setStation(draft, event.station, (station) =>
        changePull(station, event.pull, (pull) => ({
          ...pull,
          torqueNm: event.to,
          verdict: event.verdict,
          corrections: [...pull.corrections, { from: event.from, to: event.to, reason: event.reason, ...stamp }],
        })),
      );
      return;
    case 'stopConfirmed':
      setStation(draft, event.station, (station) => ({
        ...station,
        stopConfirmed: { ...stamp, reason: event.reason },
      }));
      return;
    case 'stationLoosened': {
      const { to, reason, spent } = event;
      setStation(draft, event.station, (station) => ({
        stage: to === 'out' ? 'empty' : 'started',
        started: to === 'out' ? undefined : station.started,
        pulls: station.pulls.map((pull) => ({ ...pull, voided: true })),
        loosenings: [...station.loosenings, { to, reason, spent, ...stamp }],
        overrides: {},
        earlierOverrides: [
          ...station.earlierOverrides,
          ...Object.entries(station.overrides).map(([refusal, override]) => ({ refusal, ...override })),
        ],
      }));
      for (const item of spent) {
        setLine(draft, item, (line) => ({ ...line, scrapped: [...line.scrapped, { quantity: 1, reason, ...stamp }] }));
      }
      return;
    }
    case 'loadStateSet':
      draft.load = { state: event.state, measuredMm: event.measuredMm, ...stamp };
      return;
    case 'problemRaised':
      draft.problems[event.problem] = { station: event.station, text: event.text, ...stamp };
      return;
    case 'problemCleared': {
      const problem = draft.problems[event.problem];
      if (problem) draft.problems[event.problem] = { ...problem, cleared: { how: event.how, ...stamp } };
      return;
    }
    case 'calculationUsed': {
      const { station, tool, summary, link, reason } = event;
      draft.calculations = [...draft.calculations, { station, tool, summary, link, reason, ...stamp }];
      return;
    }
    case 'overrideGranted':
      setStation(draft, event.station, (station) => ({
        ...station,
        overrides: { ...station.overrides, [event.refusal]: { reason: event.reason, ...stamp } },
      }));
      return;
    case 'jobClosed':
      draft.closed = { signature: event.signature, note: event.note, ...stamp };
      return;
    case 'stepDone':
      setUndo(draft, event.by.id, { kind: 'step', step: event.step });
      draft.visit = foldVisit(draft.visit, event, stamp);
      return;
    case 'stepUndone':
      setUndo(draft, event.by.id, undefined);
      draft.visit = foldVisit(draft.visit, event, stamp);
      return;
    case 'kitAdded':
      // What the others know is known: only new answers are written.
      draft.answers = { ...event.answers, ...draft.answers };
      draft.visit = foldVisit(draft.visit, event, stamp);
      return;
    case 'prerequisiteAnswered':
    case 'measured':
    case 'choiceMade':
    case 'debtOpened':
    case 'debtAdded':
    case 'debtClosed':
    case 'refitArranged':
    case 'figureGiven':
    case 'conflictSettled':
    case 'sharedSplit':
    case 'kitDropped':
    case 'stepOverrideGranted':
      draft.visit = foldVisit(draft.visit, event, stamp);
      return;
    default:
      unreachable(event);
  }
}

/**
 * The state after some more events. Pure: no clock, no ids, no plan, and the given state stays as it is.
 * The maps are copied once for all events, so that a long job folds in time proportional to its events.
 */
export function foldAll(state: JobState, events: readonly JobEvent[]): JobState {
  if (events.length === 0) return state;
  const draft: Draft = {
    ...state,
    lines: { ...state.lines },
    stations: new Map(state.stations),
    problems: { ...state.problems },
    undoable: { ...state.undoable },
  };
  for (const event of events) apply(draft, event);
  return draft;
}

/** The state after one more event. Events of different stations commute. */
export const fold = (state: JobState, event: JobEvent): JobState => foldAll(state, [event]);
